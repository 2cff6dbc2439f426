import { InCount, InText, Out } from '../platform/http/fields.ts';

export class CountKitsDto {
  /** as routes call it */
  @InText({ max: 80 }) what: string;
  /** null where it serves every model */
  @InText({ nullable: true }) modelId: string | null;
  /** how many lie ready; null when they are no longer counted */
  @InCount({ min: 0, max: 100_000, nullable: true }) sets: number | null;
  /** how many there were when they were counted; null when they had not been */
  @InCount({ min: 0, max: 100_000, nullable: true }) before: number | null;
  @InText({ min: 0, max: 200 }) note: string;
}

export class KitStockView {
  @Out() id: string;
  @Out() what: string;
  /** the model it is for, or "any" */
  @Out() serves: string;
  @Out() sets: number;
}
