import { STAGES, COMPONENTS, type Component, type Stage } from '@ample-crane/core';
import { InCount, InInstant, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { DoneView } from '../platform/http/views.ts';
import { ROUTE_STATES, type RouteState } from '../factory/factory.entity.ts';
import { RouteGraphDto } from './route.dto.ts';

export class RouteVersionView {
  @Out() id: string;
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() version: number;
  @OutEnum(ROUTE_STATES) state: RouteState;
  /** whether new work is started on it now */
  @Out() inForce: boolean;
  /** from when new work is started on it; null for a draft and for the first */
  @OutOrNull(Number) effectiveMs: number | null;
  @Out() reason: string;
  /** counts the changes of a draft */
  @Out() revision: number;
  @Out() steps: number;
  /** batches in work that are on it */
  @Out() inWork: number;
}

export class RouteProblemView {
  @OutOrNull(String) operationId: string | null;
  @Out() message: string;
}

export class RouteView {
  @OutPart(() => RouteVersionView) version: RouteVersionView;
  @OutPart(() => RouteGraphDto) graph: RouteGraphDto;
  /** what keeps it from being run in this factory */
  @OutList(() => RouteProblemView) problems: RouteProblemView[];
}

export class DraftDto {
  @InText() modelId: string;
  /** the version it begins from; an empty route when left out */
  @InText({ optional: true }) fromRouteId?: string;
}

export class SaveDraftDto extends RouteGraphDto {
  /** the revision that was edited */
  @InCount({ min: 1, max: 1_000_000 }) revision: number;
}

export class SavedDraftView extends DoneView {
  @Out() revision: number;
  @OutList(() => RouteProblemView) problems: RouteProblemView[];
}

export class ReleaseRouteDto {
  @InCount({ min: 1, max: 1_000_000 }) revision: number;
  /** why it is as it is, for whoever compares versions later */
  @InText({ min: 5, max: 500, lines: true }) reason: string;
  /** from when new work is started on it; now, when left out */
  @InInstant({ optional: true }) effectiveMs?: number;
}

export class DiscardRouteDto {
  @InCount({ min: 1, max: 1_000_000 }) revision: number;
}

/** Where a batch in work would stand on another version. */
export class MoveOverView {
  @Out() batchId: string;
  @Out() version: number;
  @OutEnum(COMPONENTS) component: Component;
  @Out() quantity: number;
  @Out() fromVersion: number;
  @OutEnum(STAGES) stage: Stage;
  @Out() operationName: string;
  /** the step it would stand at; null when it cannot be moved */
  @OutOrNull(String) toOperationId: string | null;
  @OutOrNull(String) toOperationName: string | null;
  /** steps it has ahead of it now and would have then */
  @Out() stepsAhead: number;
  @Out() stepsAheadThen: number;
  /** what changes for it, in words */
  @Out() sentence: string;
  @Out() possible: boolean;
}
