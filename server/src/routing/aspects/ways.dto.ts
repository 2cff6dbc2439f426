import { InCount, InList, InNumber, InText, InTexts } from '../../platform/http/fields.ts';
import { MINUTES, NAME } from '../bounds.ts';

export class WayDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InText(NAME) stationCode: string;
  @InText({ ...NAME, optional: true }) skill?: string;
  @InCount({ min: 1, max: 3, optional: true }) skillLevel?: number;
  @InNumber(MINUTES) setupMinutes: number;
  @InNumber(MINUTES) minutesPerPiece: number;
  @InTexts({ max: 40, optional: true }) cautions?: string[];
}

export class WaysAspectDto {
  @InList(() => WayDto, { max: 6, optional: true }) ways?: WayDto[];
}
