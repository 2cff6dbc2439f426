import { InList, InNumber, InText } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';

export class CharacteristicDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InText({ min: 0, max: 20 }) unit: string;
  @InNumber({ min: -100_000, max: 100_000 }) low: number;
  @InNumber({ min: -100_000, max: 100_000 }) target: number;
  @InNumber({ min: -100_000, max: 100_000 }) high: number;
}

export class MeasureAspectDto {
  @InList(() => CharacteristicDto, { max: 20, optional: true }) characteristics?: CharacteristicDto[];
}
