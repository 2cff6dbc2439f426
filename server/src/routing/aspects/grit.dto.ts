import { InCount } from '../../platform/http/fields.ts';

export class GritAspectDto {
  @InCount({ min: 1, max: 10_000, optional: true }) grit?: number;
}
