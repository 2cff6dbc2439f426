import { InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, MINUTES, NAME } from '../bounds.ts';

export class ElapsedRuleDto {
  @Kind('elapsed') kind: 'elapsed';
  @InText(NAME) what: string;
  @InNumber(MINUTES) minimumMinutes: number;
  @InNumber({ ...MINUTES, optional: true }) maximumMinutes?: number;
}
