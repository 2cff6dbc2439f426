import { InFlag } from '../../platform/http/fields.ts';

export class MatchedSetAspectDto {
  @InFlag({ optional: true }) matchedSet?: boolean;
}
