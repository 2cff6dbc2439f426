import {
  COMPONENTS,
  LOOKS,
  OPERATION_KINDS,
  STAGES,
  type Component,
  type Look,
  type Operation,
  type Route,
  type Stage,
} from '@ample-crane/core';
import { InChoices, InCount, InList, InNumber, InOneOf, InText, InTexts } from '../platform/http/fields.ts';
import { InUnion } from '../platform/http/union.ts';
import { AspectsDto } from './aspects/index.ts';
import { MINUTES, NAME } from './bounds.ts';
import { RULES, type RuleDto } from './rules/index.ts';

// The route language as it comes in: each aspect of a step and each kind of rule is a class of its own.

const STEPS_MAX = 200;

export class OperationDto extends AspectsDto implements Operation {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InOneOf(STAGES) stage: Stage;
  @InOneOf(COMPONENTS) component: Component;
  @InOneOf(OPERATION_KINDS) kind: Operation['kind'];
  @InText(NAME) stationCode: string;
  @InText({ ...NAME, optional: true }) skill?: string;
  @InCount({ min: 1, max: 3, optional: true }) skillLevel?: number;
  @InNumber(MINUTES) setupMinutes: number;
  @InNumber(MINUTES) minutesPerPiece: number;
  @InText({ ...NAME, optional: true }) wayName?: string;
  @InUnion(RULES, { max: 12 }) gate: RuleDto[];
  @InTexts({ max: 8 }) next: string[];
}

export class RouteOptionValueDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  /** species by part, where it chooses another wood than the model's usual */
  @InChoices({ optional: true }) wood?: Record<string, string>;
  @InOneOf(LOOKS, { optional: true }) look?: Look;
  /** what it adds to the price of an instrument, in the factory's money */
  @InNumber({ min: 0, max: 1_000_000, optional: true }) extraPrice?: number;
}

export class RouteOptionDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InList(() => RouteOptionValueDto, { max: 20 }) values: RouteOptionValueDto[];
}

/** The steps of a route and what can be chosen on an order of it. */
export class RouteGraphDto implements Pick<Route, 'operations' | 'options'> {
  @InList(() => OperationDto, { max: STEPS_MAX }) operations: OperationDto[];
  @InList(() => RouteOptionDto, { max: 12, optional: true }) options?: RouteOptionDto[];
}
