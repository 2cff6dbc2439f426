import {
  ADHESIVE_KINDS,
  STAGES,
  type Adhesive,
  type AdhesiveKind,
  type DefectKind,
  type Noted,
  type Species,
  type SpeciesFigure,
  type Stage,
} from '@ample-crane/core';
import type { Consignee } from '../platform/settings/settings.ts';
import { InEach, InFlag, InList, InNumber, InOneOf, InPart, InText } from '../platform/http/fields.ts';

/** Which state of a register was before the person who changes it. */
class SeenDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

class MeterCorrectionDto {
  /** a pin meter's slope and offset, from its handbook */
  @InNumber({ min: 0.2, max: 5 }) a: number;
  @InNumber({ min: -20, max: 20 }) b: number;
  /** points a pinless meter reads too high */
  @InNumber({ min: -20, max: 20 }) densityOffsetPct: number;
}

/** Where each figure is from; empty where there is none. */
export class SpeciesSourcesDto implements Record<SpeciesFigure, string> {
  @InText({ min: 0, max: 200 }) movement: string;
  @InText({ min: 0, max: 200 }) density: string;
  @InText({ min: 0, max: 200 }) rate: string;
  @InText({ min: 0, max: 200 }) meter: string;
}

/** A figure that nobody has is null. */
export class SpeciesDto implements Species {
  @InText({ max: 60 }) name: string;
  /** change across the grain per point of moisture */
  @InNumber({ min: 0.0001, max: 0.01, nullable: true }) radial: number | null;
  @InNumber({ min: 0.0001, max: 0.01, nullable: true }) tangential: number | null;
  @InNumber({ min: 0.1, max: 1.4, nullable: true }) densityGPerCm3: number | null;
  @InNumber({ min: 0.001, max: 0.5, nullable: true }) ratePerDay: number | null;
  @InFlag() restricted: boolean;
  @InText({ min: 0, max: 200 }) restrictedBecause: string;
  @InPart(() => MeterCorrectionDto, { nullable: true }) meter: MeterCorrectionDto | null;
  @InPart(() => SpeciesSourcesDto) sources: SpeciesSourcesDto;
}

export class ChangeSpeciesDto extends SeenDto {
  @InList(() => SpeciesDto, { max: 120 }) species: SpeciesDto[];
}

export class DefectKindDto implements DefectKind {
  @InText({ max: 60 }) name: string;
  @InEach(STAGES, { optional: false }) stages: Stage[];
}

export class NotedDto implements Noted {
  @InText({ max: 60 }) key: string;
  @InText({ max: 500 }) text: string;
}

export class ChangeCautionsDto extends SeenDto {
  @InList(() => NotedDto, { max: 120 }) cautions: NotedDto[];
}

export class ChangePauseCausesDto extends SeenDto {
  @InList(() => NotedDto, { max: 40 }) pauseCauses: NotedDto[];
}

export class ChangeStartChecksDto extends SeenDto {
  @InList(() => NotedDto, { max: 40 }) startChecks: NotedDto[];
}

class GluedMaterialDto {
  @InText({ max: 60 }) name: string;
  @InNumber({ min: 0.1, max: 10_000 }) clampMinutes: number;
}

export class AdhesiveDto implements Adhesive {
  @InText({ max: 40 }) id: string;
  @InText({ max: 60 }) name: string;
  @InOneOf(ADHESIVE_KINDS) kind: AdhesiveKind;
  /** may lie open before its clamps are closed */
  @InNumber({ min: 0.1, max: 1_000, optional: true }) openMinutes?: number;
  /** under pressure at 20 °C */
  @InNumber({ min: 0.1, max: 10_000 }) clampMinutes: number;
  /** from when it was closed until it may be machined */
  @InNumber({ min: 0.1, max: 50_000 }) setMinutes: number;
  @InNumber({ min: -20, max: 60 }) lowestC: number;
  /** 1 where the clock alone decides */
  @InNumber({ min: 1, max: 4 }) timesPer10C: number;
  @InList(() => GluedMaterialDto, { max: 20 }) materials: GluedMaterialDto[];
  @InText({ min: 0, max: 300 }) note: string;
}

export class ChangeAdhesivesDto extends SeenDto {
  @InList(() => AdhesiveDto, { max: 60 }) adhesives: AdhesiveDto[];
}

export class ConsigneeDto implements Consignee {
  @InText({ max: 120 }) name: string;
  /** their address, what the shipper must know */
  @InText({ min: 0, max: 300, lines: true }) note: string;
}

export class ChangeConsigneesDto extends SeenDto {
  @InList(() => ConsigneeDto, { max: 2000 }) consignees: ConsigneeDto[];
}

export class ChangeDefectsDto extends SeenDto {
  @InList(() => DefectKindDto, { max: 120 }) defects: DefectKindDto[];
}
