import {
  DEFAULT_MOISTURE_GATE,
  DEFAULT_SPRAY_LIMITS,
  type MoistureGateSettings,
  type SerialPattern,
  type SprayLimits,
  type WorkWeek,
} from '@ample-crane/core';

/** What a factory decides for itself. Each has a default with a reason in core. */
export interface Settings {
  factory: { name: string; woodRoomZoneId: string; boothZoneId: string; demo: boolean };
  workWeek: WorkWeek;
  moistureGate: MoistureGateSettings;
  moistureBand: { school: 'shop' | 'fixed'; halfWidthPct: number; fixedLowPct: number; fixedHighPct: number };
  sprayLimits: SprayLimits;
  serialPattern: SerialPattern;
  demoClock: { aheadMs: number };
}

export const DEFAULT_SETTINGS: Settings = {
  factory: { name: 'Our factory', woodRoomZoneId: 'wood', boothZoneId: 'finish', demo: false },
  workWeek: { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] },
  moistureGate: DEFAULT_MOISTURE_GATE,
  moistureBand: { school: 'shop', halfWidthPct: 1, fixedLowPct: 8, fixedHighPct: 10 },
  sprayLimits: DEFAULT_SPRAY_LIMITS,
  serialPattern: { template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' },
  demoClock: { aheadMs: 0 },
};
