import { DEFECTS, PAUSE_CAUSES, type PauseCause } from '@ample-crane/core';
import { VersionDto } from '../platform/http/version.dto.ts';
import { InCount, InInstant, InList, InNumber, InOneOf, InText } from '../platform/http/fields.ts';

export class StartBatchDto {
  @InText() modelId: string;
  @InOneOf(['body', 'neck']) component: 'body' | 'neck';
  @InCount({ min: 1, max: 40 }) quantity: number;
  @InText() lotId: string;
  @InText({ nullable: true }) orderId: string | null;
  @InText({ max: 40, nullable: true }) carrier: string | null;
}

export class WorkDto extends VersionDto {
  @InText() personId: string;
}

export class PauseDto extends VersionDto {
  @InOneOf(PAUSE_CAUSES) cause: PauseCause;
}

export class OutcomeDto {
  @InText() pieceId: string;
  @InOneOf(['rework', 'scrap']) outcome: 'rework' | 'scrap';
  @InOneOf(DEFECTS) defect: string;
  @InText() originOperationId: string;
  @InText({ min: 0, max: 500 }) note: string;
}

export class FinishDto extends VersionDto {
  @InCount({ min: 0, max: 40 }) good: number;
  @InCount({ min: 0, max: 40 }) rework: number;
  @InCount({ min: 0, max: 40 }) scrap: number;
  @InList(() => OutcomeDto, { max: 40 }) outcomes: OutcomeDto[];
}

export class MoveDto extends VersionDto {
  @InText({ max: 500, optional: true }) overrideReason?: string;
}

export class HoldDto extends VersionDto {
  @InText({ max: 500 }) reason: string;
}

export class CoatDto extends VersionDto {
  @InNumber({ min: 1, max: 1000 }) wetUm: number;
  /** when it was sprayed; now, when left out */
  @InInstant({ optional: true }) atMs?: number;
  @InText({ max: 500, optional: true }) overrideReason?: string;
}

export class MeasureDto {
  @InText() pieceId: string;
  @InText() characteristicId: string;
  @InNumber({ min: -10_000, max: 10_000 }) value: number;
}

export class MeasuresDto extends VersionDto {
  @InList(() => MeasureDto, { max: 400 }) measures: MeasureDto[];
}
