import { InFlag } from '../../platform/http/fields.ts';

export class ReworkAloneAspectDto {
  @InFlag({ optional: true }) reworkAlone?: boolean;
}
