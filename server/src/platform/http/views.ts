import type { Finding, Verdict } from '@ample-crane/core';
import { ApiProperty } from '@nestjs/swagger';
import { Out, OutEnum } from './fields.ts';

export class FindingView implements Finding {
  /** the kind of rule or check that speaks */
  @Out() rule: string;
  @OutEnum(['pass', 'wait', 'stop']) verdict: Verdict;
  @Out() sentence: string;
  @ApiProperty({ required: false }) untilMs?: number;
  @ApiProperty({ required: false, enum: ['certain', 'forecast'] }) sure?: 'certain' | 'forecast';
  @ApiProperty({ required: false }) remedy?: string;
  @ApiProperty({ required: false }) done?: number;
  @ApiProperty({ required: false }) maximum?: number;
  @ApiProperty({ required: false }) field?: string;
}

/** The id of what a command made or changed. */
export class DoneView {
  @Out() id: string;
}

/** The batch a command changed, and its version since. */
export class BatchDoneView extends DoneView {
  @Out() version: number;
}

export class OverrideView {
  @Out() atMs: number;
  @Out() by: string;
  @Out() reason: string;
  @ApiProperty({ type: String, nullable: true }) operationName: string | null;
  @ApiProperty({ type: () => FindingView, isArray: true }) findings: FindingView[];
}

export class LogView {
  @Out() id: number;
  @Out() atMs: number;
  @Out() by: string;
  @Out() kind: string;
  @Out() sentence: string;
}
