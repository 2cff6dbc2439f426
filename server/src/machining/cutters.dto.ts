import { CUTTER_ACT_NAMES, CUTTER_STATES, MACHINE_STATES, type CutterAct, type CutterState, type MachineState } from '@ample-crane/core';
import { ApiProperty } from '@nestjs/swagger';
import { InCount, InInstant, InNumber, InOneOf, InText, Out, OutEnum, OutList, OutOrNull } from '../platform/http/fields.ts';

export class KeepCutterDto {
  /** as it is marked */
  @InText({ max: 30 }) id: string;
  /** as programs call it */
  @InText({ max: 60 }) kind: string;
  @InNumber({ min: 0, max: 100_000 }) lifeMinutes: number;
  @InText({ min: 0, max: 400 }) note: string;
}

export class LogCutterDto {
  @InText({ max: 30 }) cutterId: string;
  @InCount({ min: 0, max: 1_000_000 }) version: number;
  @InOneOf(CUTTER_ACT_NAMES) act: CutterAct;
  /** the machine it is put on */
  @InText({ nullable: true }) stationCode: string | null;
  @InCount({ min: 1, max: 500, nullable: true }) bench: number | null;
  /** how long it cuts well from now on; null where that stays */
  @InNumber({ min: 0, max: 100_000, nullable: true }) lifeMinutes: number | null;
  @InText({ min: 0, max: 400 }) note: string;
  /** when it happened; now, when left out */
  @InInstant({ optional: true }) atMs?: number;
}

export class CutterView {
  @Out() id: string;
  @Out() kind: string;
  @OutEnum(CUTTER_STATES) state: CutterState;
  @OutOrNull(String) stationCode: string | null;
  @OutOrNull(String) stationName: string | null;
  @OutOrNull(Number) bench: number | null;
  @Out() usedMinutes: number;
  @Out() lifeMinutes: number;
  @Out() sharpened: number;
  @Out() sinceMs: number;
  @Out() note: string;
  @ApiProperty({ type: String, enum: [...CUTTER_ACT_NAMES], isArray: true }) acts: CutterAct[];
  /** programs that work runs with it */
  @OutList(() => String) programs: string[];
  @Out() version: number;
}

/** What a machine's own controller tells. */
export class ControllerView {
  @OutEnum(MACHINE_STATES) state: MachineState;
  /** in words */
  @Out() told: string;
  @Out() atMs: number;
}

export class MachineView {
  @Out() id: string;
  @Out() stationCode: string;
  @Out() stationName: string;
  @Out() bench: number;
  /** the batches that are on it now */
  @OutList(() => String) batchIds: string[];
  @OutOrNull(String) worker: string | null;
  @OutOrNull(Number) sinceMs: number | null;
  /** what was left on it, as it was last looked at; null where nobody has */
  @OutOrNull(String) left: string | null;
  @OutOrNull(Number) leftMs: number | null;
  /** null where none speaks */
  @OutOrNull(ControllerView) controller: ControllerView | null;
  @OutList(() => CutterView) cutters: CutterView[];
}
