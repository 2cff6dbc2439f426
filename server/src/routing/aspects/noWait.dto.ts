import { InFlag } from '../../platform/http/fields.ts';

export class NoWaitAspectDto {
  @InFlag({ optional: true }) noWait?: boolean;
}
