import { WORK_CLASSES, type WorkClass } from '@ample-crane/core';
import { ApiProperty } from '@nestjs/swagger';
import { InCount, InText, InTexts, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';

export class OrderLoadsDto {
  @InText({ max: 30 }) stationCode: string;
  /** which of the station's machines, from 1 */
  @InCount({ min: 1, max: 500 }) bench: number;
  /** what goes first, in this order; none where it is planned again */
  @InTexts({ max: 200 }) batchIds: string[];
  /** what was to go first as it was seen */
  @InTexts({ max: 200 }) before: string[];
}

export class PlannedBatchView {
  @Out() batchId: string;
  @Out() what: string;
  @OutEnum(WORK_CLASSES) workClass: WorkClass;
  @Out() program: string;
  @Out() pieces: number;
  @Out() piecesALoad: number;
  @Out() loads: number;
  /** pieces that go on with the last load of the batch before */
  @Out() joining: number;
  @Out() changeoverMinutes: number;
  /** whether its minutes were observed; planned ones otherwise */
  @Out() observed: boolean;
  @Out() beginMs: number;
  @Out() endMs: number;
  /** off by then, nobody is late; null where nobody waits */
  @OutOrNull(Number) dueMs: number | null;
  @Out() late: boolean;
  @Out() reason: string;
  @Out() pinned: boolean;
}

export class LoadMachineView {
  @Out() id: string;
  @Out() stationCode: string;
  @Out() stationName: string;
  @Out() bench: number;
  /** programs run there; a bench helps out where that saves a date */
  @Out() isMachine: boolean;
  @OutList(() => PlannedBatchView) next: PlannedBatchView[];
  /** what a person wants to go first */
  @OutList(() => String) pinned: string[];
}

export class BlockedBatchView {
  @Out() batchId: string;
  @Out() what: string;
  @Out() because: string;
}

export class LoadGainView {
  @Out() changeovers: number;
  @Out() changeoverMinutes: number;
  @Out() lateMinutes: number;
  @Out() partFilled: number;
}

export class LoadCostView {
  @Out() late: number;
  /** batches that are done another way than their own */
  @Out() otherWays: number;
  @Out() changeover: number;
  @Out() partFilled: number;
}

export class LoadsView {
  @OutList(() => LoadMachineView) machines: LoadMachineView[];
  /** batches whose program may not run, and that know no other way */
  @OutList(() => BlockedBatchView) blocked: BlockedBatchView[];
  /** how many more wait, and are due after all of these */
  @Out() later: number;
  @OutPart(() => LoadCostView) cost: LoadCostView;
  /** against taking what is due first */
  @OutPart(() => LoadGainView) gain: LoadGainView;
  /** what the plan is made of: a page looks for a better one */
  @ApiProperty({ type: 'object', additionalProperties: true }) problem: object;
}
