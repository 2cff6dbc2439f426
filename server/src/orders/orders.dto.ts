import { COMPONENTS, type Component } from '@ample-crane/core';
import { Type } from 'class-transformer';
import { InChoices, InCount, InInstant, InText, Out, OutChoices, OutEnum, OutList, OutOrNull } from '../platform/http/fields.ts';

export class PlaceOrderDto {
  @InText() modelId: string;
  @InCount({ min: 1, max: 400 }) quantity: number;
  @InText({ max: 120 }) customer: string;
  @InInstant() dueMs: number;
  /** what is chosen of the route's options; the usual value where nothing is said */
  @InChoices({ optional: true }) choices?: Record<string, string>;
}

export class LackView {
  @OutEnum(COMPONENTS) component: Component;
  @Out() count: number;
}

export class OrderView {
  @Out() id: string;
  @Out() number: number;
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() quantity: number;
  @Out() shipped: number;
  @Out() customer: string;
  /** what was chosen, in words */
  @OutList(() => String) options: string[];
  /** what its options add to the price of an instrument, in the factory's money */
  @Out() extraPrice: number;
  /** the version new work for it would be started on */
  @Out() routeId: string;
  @OutChoices() choices: Record<string, string>;
  @Out() placedMs: number;
  @Out() dueMs: number;
  @OutList(() => String) batchIds: string[];
  /** earliest the last of it can be shipped, by work and waits alone */
  @Out() earliestMs: number;
  /** the factory's days from the due date to the earliest; above zero is late */
  @Out() lateDays: number;
  /** parts of it that nobody has begun */
  @OutList(() => LackView) lacks: LackView[];
  @Out() status: string;
  /** what makes it late, if it is */
  @OutOrNull(String) why: string | null;
  /** where it is, as a customer could be told */
  @Out() tell: string;
}

/** An order that may be over: what was asked for, and what became of it. */
export class OrderPastView {
  @Out() id: string;
  @Out() modelName: string;
  @Out() quantity: number;
  @Out() shipped: number;
  @Out() customer: string;
  @OutList(() => String) options: string[];
  @Out() placedMs: number;
  @Out() dueMs: number;
  /** when the last of it was sent off; null where none was */
  @OutOrNull(Number) lastShippedMs: number | null;
  /** the factory's days from the due date to the last that was sent; above zero was late */
  @OutOrNull(Number) lateDays: number | null;
  @OutList(() => String) batchIds: string[];
  /** its instruments, sent off or not */
  @OutList(() => String) serials: string[];
}

/** A kind of part that is made ahead, against what will be taken of it. */
export class MakeNextView {
  @Out() modelId: string;
  @OutEnum(COMPONENTS) component: Component;
  @Out() name: string;
  @Out() inStock: number;
  @Out() coming: number;
  /** by work under way and by orders */
  @Out() asked: number;
  @Out() short: number;
  @OutOrNull(Number) shortMs: number | null;
  /** by when more must be begun, were nothing in its way */
  @OutOrNull(Number) beginByMs: number | null;
}

/** An order that somebody thinks of. */
export class AskOrderDto {
  @InText() modelId: string;
  @Type(() => Number)
  @InCount({ min: 1, max: 400 })
  quantity: number;
  /** what is chosen by option, as JSON */
  @InText({ max: 4000, optional: true }) choices?: string;
}

export class OrderOutlookView {
  /** the version it would be started on */
  @Out() routeId: string;
  @OutChoices() choices: Record<string, string>;
  @Out() extraPrice: number;
  /** when the last of it could be shipped, by work and waits alone, were it begun now */
  @Out() earliestMs: number;
}
