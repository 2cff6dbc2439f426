import {
  CARRIER_KINDS,
  MACHINING_POLICIES,
  WAIT_POLICIES,
  type CarrierKind,
  type MachiningPolicy,
  type WaitPolicy,
} from '@ample-crane/core';
import { Type } from 'class-transformer';
import { InCount, InNumber, InOneOf, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { ApiProperty } from '@nestjs/swagger';

/** Two ways of making a model; what is left out is as it is now. */
export class AskPriceDto {
  @InText() modelId: string;
  /** instruments a week */
  @Type(() => Number)
  @InNumber({ min: 0.1, max: 5000 })
  perWeek: number;
  @InText({ optional: true }) routeId?: string;
  @Type(() => Number)
  @InCount({ min: 1, max: 400, optional: true })
  batchSize?: number;
  @InOneOf(WAIT_POLICIES, { optional: true }) waits?: WaitPolicy;
  @InOneOf(MACHINING_POLICIES, { optional: true }) machining?: MachiningPolicy;
  @InText({ optional: true }) thenRouteId?: string;
  @Type(() => Number)
  @InCount({ min: 1, max: 400, optional: true })
  thenBatchSize?: number;
  @InOneOf(WAIT_POLICIES, { optional: true }) thenWaits?: WaitPolicy;
  @InOneOf(MACHINING_POLICIES, { optional: true }) thenMachining?: MachiningPolicy;
}

export class PolicyStationView {
  @Out() code: string;
  @Out() name: string;
  /** hours of work a week */
  @Out() hours: number;
}

export class PolicyWaitView {
  @Out() operationId: string;
  @Out() name: string;
  @Out() stationName: string;
  /** the kind of rig in which it is pressed */
  @ApiProperty({ enum: CARRIER_KINDS, nullable: true }) rig: CarrierKind | null;
  @Out() hours: number;
  @Out() pieces: number;
  /** how many there is room for, in such rigs or at the station, with all other models; null where it is away */
  @OutOrNull(Number) places: number | null;
}

/** What a way of making a model comes to. */
export class PolicyView {
  @Out() routeId: string;
  @Out() version: number;
  @Out() batchSize: number;
  @OutEnum(WAIT_POLICIES) waits: WaitPolicy;
  @OutEnum(MACHINING_POLICIES) machining: MachiningPolicy;
  @OutList(() => PolicyStationView) stations: PolicyStationView[];
  @Out() touchHours: number;
  @OutList(() => PolicyWaitView) lying: PolicyWaitView[];
  @Out() waitingPieces: number;
  @Out() waitDays: number;
  @Out() leadDays: number;
  /** steps whose minutes are as logged, as planned, and that have no other way than by their program */
  @OutList(() => String) logged: string[];
  @OutList(() => String) planned: string[];
  @OutList(() => String) onlyByProgram: string[];
}

export class PriceView {
  @Out() modelName: string;
  @Out() perWeek: number;
  @Out() sentence: string;
  @OutPart(() => PolicyView) from: PolicyView;
  @OutPart(() => PolicyView) to: PolicyView;
}
