import {
  ADHESIVES,
  CAUTIONS,
  DEFAULT_CUTTING,
  DEFAULT_MOISTURE_GATE,
  DEFAULT_SPRAY_LIMITS,
  DEFECTS,
  KILN_SCHEDULES,
  MOVEMENT_LIMITS,
  PAUSE_CAUSES,
  START_CHECKS,
  SPECIES,
  type CuttingSettings,
  type Adhesive,
  type DefectKind,
  type KilnSchedule,
  type MoistureBandSettings,
  type MoistureException,
  type MovementLimit,
  type MoistureGateSettings,
  type Noted,
  type SerialPattern,
  type Species,
  type SprayLimits,
  type WorkWeek,
} from '@ample-crane/core';

/** Whom instruments are sent to, and what a shipper must know of them. */
export interface Consignee {
  name: string;
  note: string;
}

/** What a factory decides for itself. Each has a default with a reason in core. */
export interface Settings {
  factory: { name: string; woodRoomZoneId: string; boothZoneId: string; demo: boolean; currency: string };
  workWeek: WorkWeek;
  moistureGate: MoistureGateSettings;
  moistureBand: MoistureBandSettings;
  /** rules of their own for a use or a form of wood */
  moistureExceptions: MoistureException[];
  species: readonly Species[];
  defects: readonly DefectKind[];
  cautions: readonly Noted[];
  pauseCauses: readonly Noted[];
  startChecks: readonly Noted[];
  adhesives: readonly Adhesive[];
  /** whom instruments are usually sent to */
  consignees: readonly Consignee[];
  kilnSchedules: KilnSchedule[];
  cutting: CuttingSettings;
  /** how far joints and inlays may move before trouble */
  movementLimits: MovementLimit[];
  /** how columns of imported files were understood, by their headings */
  importColumns: Record<string, Record<string, unknown>>;
  sprayLimits: SprayLimits;
  /** how long wood is on its way from whoever sells it */
  woodBuying: { deliveryDays: number };
  serialPattern: SerialPattern;
  demoClock: { aheadMs: number };
}

export const DEFAULT_SETTINGS: Settings = {
  factory: { name: 'Our factory', woodRoomZoneId: 'wood', boothZoneId: 'finish', demo: false, currency: 'EUR' },
  workWeek: { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] },
  moistureGate: DEFAULT_MOISTURE_GATE,
  moistureBand: { school: 'shop', halfWidthPct: 1, fixedLowPct: 8, fixedHighPct: 10 },
  moistureExceptions: [],
  species: SPECIES,
  defects: DEFECTS,
  cautions: CAUTIONS,
  pauseCauses: PAUSE_CAUSES,
  startChecks: START_CHECKS,
  adhesives: ADHESIVES,
  consignees: [],
  kilnSchedules: [...KILN_SCHEDULES],
  cutting: DEFAULT_CUTTING,
  movementLimits: [...MOVEMENT_LIMITS],
  importColumns: {},
  sprayLimits: DEFAULT_SPRAY_LIMITS,
  // What a yard takes that has it in stock.
  woodBuying: { deliveryDays: 10 },
  serialPattern: { template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' },
  demoClock: { aheadMs: 0 },
};
