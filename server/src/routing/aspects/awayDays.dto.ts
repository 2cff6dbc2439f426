import { InNumber } from '../../platform/http/fields.ts';

export class AwayDaysAspectDto {
  @InNumber({ min: 0, max: 400, optional: true }) awayDays?: number;
}
