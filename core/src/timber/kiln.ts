import { equilibriumMoisturePct } from '../climate/index.ts';
import { daysToReach } from '../maths/index.ts';

/** One setting of a kiln or cabinet, held until the wood has dried to the next one. */
export interface KilnStep {
  /** the wettest sample's moisture at which this step begins, percent */
  fromPct: number;
  tempC: number;
  /** fraction 0…1 */
  relativeHumidity: number;
}

/** A schedule by moisture, and how it ends. */
export interface KilnSchedule {
  id: string;
  name: string;
  /** from the wettest to the driest */
  steps: readonly KilnStep[];
  /** moisture at which drying ends */
  targetPct: number;
  /** humid air at the end evens out shell and core; nothing where the schedule has none */
  conditioning: { tempC: number; relativeHumidity: number; hours: number } | null;
}

/** EMC of each step of a schedule. */
export const stepEmcPct = (step: Pick<KilnStep, 'tempC' | 'relativeHumidity'>): number =>
  equilibriumMoisturePct(step.tempC, step.relativeHumidity);

/** Heat roughly doubles the rate for each 20 °C: water moves through wood by diffusion. A default for planning only. */
const WARMER_BY_C = 20;
const ROOM_C = 21;

/** A rate found in the room, at a kiln's temperature. */
export const rateAtTempPerDay = (ratePerDay: number, tempC: number): number => ratePerDay * 2 ** ((tempC - ROOM_C) / WARMER_BY_C);

export interface KilnStage {
  /** which step; the number of steps is conditioning */
  index: number;
  emcPct: number;
  fromPct: number;
  toPct: number;
  /** days this stage takes; null when its air cannot dry to where it should */
  days: number | null;
}

/**
 * What could never work in a schedule, in sentences that name the step; empty when it can be run.
 */
export function checkKiln({ steps, targetPct, conditioning }: KilnSchedule): string[] {
  const problems: string[] = [];
  if (steps.length === 0) return ['A schedule needs a step'];
  steps.forEach((step, i) => {
    const toPct = steps[i + 1]?.fromPct ?? targetPct;
    if (toPct >= step.fromPct) problems.push(`Step ${i + 1} begins at ${step.fromPct} %, which is not above its end, ${toPct} %`);
    const emc = stepEmcPct(step);
    if (emc >= toPct) problems.push(`Step ${i + 1} tends to ${emc.toFixed(1)} % and never reaches ${toPct} %`);
  });
  if (conditioning && stepEmcPct(conditioning) <= targetPct)
    problems.push(
      `Conditioning air of ${stepEmcPct(conditioning).toFixed(1)} % dries on: it evens out only above the target, ${targetPct} %`,
    );
  return problems;
}

/** The stages still to come from a moisture on, the running one first, with how long each takes. */
export function kilnStages(schedule: KilnSchedule, moisturePct: number, roomRatePerDay: number): KilnStage[] {
  const { steps, targetPct, conditioning } = schedule;
  const stages: KilnStage[] = [];
  let at = moisturePct;
  steps.forEach((step, index) => {
    const toPct = steps[index + 1]?.fromPct ?? targetPct;
    if (at <= toPct) return;
    const emcPct = stepEmcPct(step);
    const days = emcPct >= toPct ? null : daysToReach(at, emcPct, rateAtTempPerDay(roomRatePerDay, step.tempC), toPct);
    stages.push({ index, emcPct, fromPct: at, toPct, days });
    at = toPct;
  });
  if (conditioning)
    stages.push({ index: steps.length, emcPct: stepEmcPct(conditioning), fromPct: at, toPct: at, days: conditioning.hours / 24 });
  return stages;
}

/** Days a schedule still takes; null when a stage never ends. */
export function kilnDaysLeft(stages: readonly KilnStage[]): number | null {
  return stages.reduce<number | null>((sum, s) => (sum === null || s.days === null ? null : sum + s.days), 0);
}

/**
 * Gentle schedules for planning, with air far from what checks or honeycombs the wood. The kiln's maker and the wood on
 * the day decide.
 */
export const KILN_SCHEDULES: readonly KilnSchedule[] = [
  {
    id: 'cabinet',
    name: 'Cabinet, after air drying',
    steps: [
      { fromPct: 20, tempC: 30, relativeHumidity: 0.5 },
      { fromPct: 12, tempC: 35, relativeHumidity: 0.32 },
    ],
    targetPct: 8,
    conditioning: { tempC: 35, relativeHumidity: 0.58, hours: 24 },
  },
  {
    id: 'hardwood',
    name: 'Kiln, hardwood to 50 mm',
    steps: [
      { fromPct: 60, tempC: 43, relativeHumidity: 0.8 },
      { fromPct: 35, tempC: 46, relativeHumidity: 0.7 },
      { fromPct: 25, tempC: 52, relativeHumidity: 0.5 },
      { fromPct: 15, tempC: 60, relativeHumidity: 0.3 },
    ],
    targetPct: 7,
    conditioning: { tempC: 60, relativeHumidity: 0.62, hours: 24 },
  },
];
