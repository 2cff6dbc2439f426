import { type AirSample, type EmcTrace, emcTrace } from '../climate/index.ts';
import { approach, mean, type Random } from '../maths/index.ts';
import { type RatePrior, sessionErrorPct, type SessionMean } from '../timber/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';

/** A room that is held, more or less, and leans with the season and the weather. */
export function aRoom(random: Random, days: number): EmcTrace {
  const phase = random.next() * 2 * Math.PI;
  let weather = 0;
  const samples: AirSample[] = [];
  for (let hour = 0; hour <= days * 24; hour += 3) {
    weather = weather * 0.97 + random.normal(0, 0.006);
    const season = 0.03 * Math.sin(phase + (2 * Math.PI * hour) / (24 * 365));
    samples.push({
      atMs: hour * HOUR_MS,
      tempC: 21 + 1.5 * Math.sin((2 * Math.PI * hour) / 24),
      relativeHumidity: Math.min(0.8, Math.max(0.2, 0.45 + season + weather)),
    });
  }
  return emcTrace(samples, 0, days * DAY_MS);
}

/** A room that is heated from autumn to spring and left alone in summer: dry air for half the year, damp for the other. */
export function aHeatedRoom(random: Random, days: number): EmcTrace {
  const phase = random.next() * 365;
  let weather = 0;
  const samples: AirSample[] = [];
  for (let hour = 0; hour <= days * 24; hour += 3) {
    weather = weather * 0.97 + random.normal(0, 0.006);
    const turn = Math.cos((2 * Math.PI * (hour / 24 + phase)) / 365);
    // Steeper than a sine where the heating is turned on and off.
    const season = -0.09 * Math.tanh(2 * turn);
    samples.push({ atMs: hour * HOUR_MS, tempC: 20, relativeHumidity: Math.min(0.8, Math.max(0.2, 0.44 + season + weather)) });
  }
  return emcTrace(samples, 0, days * DAY_MS);
}

/** True mean moisture of a slab whose faces pass water ten times as easily as its core, by finite differences. */
export function slabCurve(startPct: number, ratePerDay: number, trace: EmcTrace): number[] {
  const CELLS = 12;
  const BIOT = 10;
  const PARTS = 3;
  // The slowest mode's β² is 2.0417: a rate of it is so much diffusion over the half thickness.
  const perPart = ratePerDay / 2.0417 / 24 / PARTS;
  const exchange = perPart * CELLS ** 2;
  const atFace = (perPart * CELLS) / (1 / BIOT + 0.5 / CELLS);
  const cells = new Float64Array(CELLS).fill(startPct);
  return Array.from(trace.emcPct, (emc) => {
    let sum = 0;
    for (let part = 0; part < PARTS; part++) {
      sum = 0;
      let inner = cells[0] as number;
      for (let i = 0; i < CELLS; i++) {
        const own = cells[i] as number;
        const out = i === CELLS - 1 ? atFace * (emc - own) : exchange * ((cells[i + 1] as number) - own);
        cells[i] = own + exchange * (inner - own) + out;
        sum += cells[i] as number;
        inner = own;
      }
    }
    return sum / CELLS;
  });
}

/** True moisture at the end of each hour. */
export function trueCurve(startPct: number, ratePerDay: number, trace: EmcTrace): number[] {
  // An hour in steady air takes it so far towards what the air asks for, whichever the air.
  const anHour = approach(0, 1, ratePerDay, 1 / 24);
  let m = startPct;
  return Array.from(trace.emcPct, (emc) => (m += (emc - m) * anHour));
}

export interface SyntheticLot {
  ratePerDay: number;
  curve: number[];
  sessions: SessionMean[];
}

const READINGS = 8;

/** A lot that is read every so often, with pieces that differ and a meter that is not perfect. */
export function aLot(
  random: Random,
  trace: EmcTrace,
  prior: RatePrior,
  startPct: number,
  everyDays: number,
  untilDays: number,
  dries: typeof trueCurve = trueCurve,
): SyntheticLot {
  const ratePerDay = prior.ratePerDay * Math.exp(random.normal(0, prior.logSd));
  const curve = dries(startPct, ratePerDay, trace);
  const sessions: SessionMean[] = [];
  for (let day = 1; day <= untilDays; day += everyDays) {
    const truth = curve[day * 24 - 1] ?? 0;
    const slip = random.normal(0, 0.12);
    const values = Array.from({ length: READINGS }, () => truth + slip + random.normal(0, 0.4));
    sessions.push({ atMs: day * DAY_MS, meanPct: mean(values), errorPct: sessionErrorPct(values) });
  }
  return { ratePerDay, curve, sessions };
}
