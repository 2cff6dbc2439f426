import type { Finding } from '../ledger/index.ts';
import { evaluateGate, type Evidence, type Rule } from '../routing/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { Band } from './drying.ts';

/** When is lumber ready: by calendar, by meter at whatever date it settles, or both. */
export type ReadySchool = 'calendar' | 'meter' | 'both';

export interface MoistureGateSettings {
  school: ReadySchool;
  /** readings needed in the latest session of a small lot */
  readingsNeeded: number;
  /** more of them for each m³ */
  readingsPerM3: number;
  spreadLimitPct: number;
  gradientLimitPct: number;
  stableLimitPctPerDay: number;
  stableWindowDays: number;
  /** calendar school: days of drying per 25 mm of thickness, on top of what the supplier did */
  daysPer25Mm: number;
}

/**
 * Defaults a factory edits. Five readings show a small lot's spread, and four more for each m³ a large one's; 2 points of spread and 1.5 of gradient are where
 * glued-up panels start to cup; 0.05 points a day is within a meter's own noise over two weeks. Settling is judged over three
 * weeks, so that thin stock does not wait for the days in which it dried.
 */
export const DEFAULT_MOISTURE_GATE: MoistureGateSettings = {
  school: 'meter',
  readingsNeeded: 5,
  readingsPerM3: 4,
  spreadLimitPct: 2,
  gradientLimitPct: 1.5,
  stableLimitPctPerDay: 0.05,
  stableWindowDays: 21,
  daysPer25Mm: 14,
};

export interface LotEvidence {
  nowMs: number;
  receivedMs: number;
  thicknessMm: number;
  volumeM3: number;
  /** corrected readings of the latest session */
  readings: readonly { correctedPct: number; depth: 'shell' | 'core' }[];
  /** session means over time */
  series: readonly { atMs: number; value: number }[];
  /** a species that needs a permit, and whether its papers are here */
  papers: 'not needed' | 'present' | 'missing';
}

/** More than this many readings of one lot in a session tell nothing more. */
const MOST_READINGS = 20;

/** Readings a session of a lot needs, by its size. */
export function readingsNeeded(settings: Pick<MoistureGateSettings, 'readingsNeeded' | 'readingsPerM3'>, volumeM3: number): number {
  return Math.min(
    Math.max(MOST_READINGS, settings.readingsNeeded),
    settings.readingsNeeded + Math.floor(settings.readingsPerM3 * volumeM3),
  );
}

/**
 * May this lot go to the mill? One finding per rule; too dry and too wet both stop.
 *
 * @param band the moisture band, percent
 */
export function judgeLot(evidence: LotEvidence, band: Band, settings: MoistureGateSettings): Finding[] {
  const gateEvidence: Evidence = {
    nowMs: evidence.nowMs,
    sinceMs: evidence.receivedMs,
    measurements: evidence.readings.map((r, i) => ({
      label: `reading ${i + 1}`,
      value: r.correctedPct,
      depth: r.depth,
    })),
    series: evidence.series,
  };
  const calendar: Rule[] = [
    {
      kind: 'elapsed',
      what: 'Dried here',
      minimumMinutes: ((settings.daysPer25Mm * evidence.thicknessMm) / 25) * (DAY_MS / 60_000),
    },
  ];
  const meter: Rule[] = [
    {
      kind: 'inBand',
      what: 'readings',
      low: band.low,
      high: band.high,
      needed: readingsNeeded(settings, evidence.volumeM3),
      unit: '%',
      tooHigh: 'Too wet: it will shrink after it is glued or finished. Let it dry',
      tooLow: 'Too dry: it will swell later, it checks, and glue starves on it. Let it take up moisture',
    },
    { kind: 'spread', limit: settings.spreadLimitPct, unit: 'points' },
    { kind: 'gradient', limit: settings.gradientLimitPct },
    { kind: 'stable', limitPerDay: settings.stableLimitPctPerDay, windowDays: settings.stableWindowDays },
  ];
  const rules = { calendar, meter, both: [...calendar, ...meter] }[settings.school];
  const findings = evaluateGate(rules, gateEvidence);
  if (evidence.papers !== 'not needed')
    findings.push(
      evidence.papers === 'present'
        ? { rule: 'papers', verdict: 'pass', sentence: 'Permit papers are on record' }
        : {
            rule: 'papers',
            verdict: 'stop',
            sentence: 'Permit papers are missing',
            remedy: 'Record the permit number before the wood is cut',
          },
    );
  return findings;
}
