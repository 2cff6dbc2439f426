import { InNumber, InText } from '../platform/http/fields.ts';
import { WhenDto } from '../platform/http/version.dto.ts';

export class CoatDto extends WhenDto {
  @InNumber({ min: 1, max: 1000 }) wetUm: number;
  @InText({ min: 5, max: 500, lines: true, optional: true }) overrideReason?: string;
}
