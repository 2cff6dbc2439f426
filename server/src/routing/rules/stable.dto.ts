import { InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class StableRuleDto {
  @Kind('stable') kind: 'stable';
  @InNumber({ min: 0, max: 1000 }) limitPerDay: number;
  @InNumber({ min: 1, max: 400 }) windowDays: number;
  @InText({ ...NAME, optional: true }) characteristic?: string;
}
