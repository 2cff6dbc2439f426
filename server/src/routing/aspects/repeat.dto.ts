import { InCount, InCounts, InNumber, InPart, InText } from '../../platform/http/fields.ts';
import { InUnion } from '../../platform/http/union.ts';
import { Kind, NAME } from '../bounds.ts';

export class TimesByOptionDto {
  @InText(NAME) option: string;
  @InCounts({ min: 0, max: 99 }) times: Record<string, number>;
}

export class CountRepeatDto {
  @Kind('count') kind: 'count';
  @InText(NAME) backTo: string;
  @InCount({ min: 0, max: 99 }) times: number;
  @InPart(() => TimesByOptionDto, { optional: true }) timesByOption?: TimesByOptionDto;
}

export class AcceptedRepeatDto {
  @Kind('until accepted') kind: 'until accepted';
  @InText(NAME) backTo: string;
  @InCount({ min: 1, max: 99 }) maximum: number;
  @InNumber({ min: 1, max: 99 }) expected: number;
}

export class RepeatAspectDto {
  @InUnion(() => ({ count: CountRepeatDto, 'until accepted': AcceptedRepeatDto }), { optional: true })
  repeat?: CountRepeatDto | AcceptedRepeatDto;
}
