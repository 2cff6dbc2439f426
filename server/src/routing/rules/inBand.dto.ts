import { InCount, InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class InBandRuleDto {
  @Kind('inBand') kind: 'inBand';
  @InText(NAME) what: string;
  @InText({ ...NAME, optional: true }) characteristic?: string;
  @InNumber({ min: -100_000, max: 100_000 }) low: number;
  @InNumber({ min: -100_000, max: 100_000 }) high: number;
  @InCount({ min: 1, max: 400 }) needed: number;
  @InText({ min: 0, max: 20 }) unit: string;
  @InText({ min: 0, max: 200 }) tooLow: string;
  @InText({ min: 0, max: 200 }) tooHigh: string;
}
