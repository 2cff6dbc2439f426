import { InCount, InFlag, InList, InNumber, InPart, InText } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';

export class HowManyDto {
  @InCount({ min: 1, max: 10_000 }) measured: number;
  @InCount({ min: 1, max: 10_000 }) of: number;
}

export class CharacteristicDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InText({ min: 0, max: 20 }) unit: string;
  @InNumber({ min: -100_000, max: 100_000 }) low: number;
  @InNumber({ min: -100_000, max: 100_000 }) target: number;
  @InNumber({ min: -100_000, max: 100_000 }) high: number;
  @InText({ ...NAME, optional: true }) instrument?: string;
  /** so many of every so many pieces are measured; all of them where it is left out */
  @InPart(() => HowManyDto, { optional: true }) sample?: HowManyDto;
  /** the batch is held when a rule of its chart fires */
  @InFlag({ optional: true }) holds?: boolean;
  /** who decides then; any lead where it is left out */
  @InText({ ...NAME, optional: true }) decidingSkill?: string;
}

export class MeasureAspectDto {
  @InList(() => CharacteristicDto, { max: 20, optional: true }) characteristics?: CharacteristicDto[];
}
