import { InCount, InFlag, InNumber, InText } from '../platform/http/fields.ts';
import { WhenDto } from '../platform/http/version.dto.ts';

export class CoatDto extends WhenDto {
  @InNumber({ min: 1, max: 1000 }) wetUm: number;
  @InText({ min: 5, max: 500, lines: true, optional: true }) overrideReason?: string;
}

export class ScuffDto extends WhenDto {
  @InCount({ min: 1, max: 10_000 }) grit: number;
  /** the film is taken off to the wood, for a new one */
  @InFlag({ optional: true }) toBare?: boolean;
}
