import { InNumber, InPart, InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class CureLawDto {
  @InNumber({ min: 5, max: 40 }) referenceTempC: number;
  @InNumber({ min: 1, max: 5 }) q10: number;
  @InNumber({ min: -10, max: 40 }) minimumTempC: number;
}

export class EquivalentRuleDto {
  @Kind('equivalent') kind: 'equivalent';
  @InText(NAME) what: string;
  @InNumber({ min: 0.01, max: 400 }) minimumDays: number;
  @InPart(() => CureLawDto) law: CureLawDto;
}
