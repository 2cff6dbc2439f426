import { InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class SpreadRuleDto {
  @Kind('spread') kind: 'spread';
  @InNumber({ min: 0, max: 100_000 }) limit: number;
  @InText({ min: 0, max: 20 }) unit: string;
  @InText({ ...NAME, optional: true }) characteristic?: string;
}
