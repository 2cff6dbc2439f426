import { InFlag } from '../../platform/http/fields.ts';

export class HandOverAspectDto {
  @InFlag({ optional: true }) handOver?: boolean;
}
