import { CLOCK_AT } from './longFactory.mjs';
import { line, seconds } from './report.mjs';

const EVENTS = 1_000_000;
const RUNS = 50;
const DAYS = 60;
const LEAST_EVENTS_S = 300_000;

/** Events a second of the engine, without a logbook: posed as a line of people without memory, and from a morning of the demo. */
export async function benchSimulation(core, unit) {
  const station = (i, of) => core.modelStep(`s${i}`, { station: i, pieceMs: 1, next: i + 1 < of ? [{ step: i + 1, as: 'body' }] : [] });
  for (const [name, stations] of [
    ['one station', 1],
    ['twenty stations in a row', 20],
  ]) {
    const model = {
      steps: Array.from({ length: stations }, (_, i) => station(i, stations)),
      stations: Array.from({ length: stations }, (_, i) => ({ code: `S${i}`, places: 1 })),
      people: null,
      time: null,
      chances: { ...core.NO_SURPRISES, touch: core.exponential(1) },
      policy: core.FIRST_COME,
    };
    const run = new core.FloorRun(model, core.seededRandom(1), 0);
    run.feed({ betweenMs: core.exponential(1.25), unit: () => core.newUnit({ step: 0, pieces: 1 }) });
    let untilMs = 20_000;
    run.run(untilMs);
    const before = run.happened;
    const s = seconds(() => {
      while (run.happened - before < EVENTS) run.run((untilMs += 10_000));
    });
    const perSecond = (run.happened - before) / s;
    line(
      `Simulated events a second, ${name}`,
      `${(perSecond / 1000).toFixed(0)} thousand, ${(s / unit).toFixed(1)} × base a million`,
      `${LEAST_EVENTS_S / 1000} thousand`,
      perSecond >= LEAST_EVENTS_S,
    );
  }
  await fromAMorning(core);
}

async function fromAMorning(core) {
  const { demoScenario } = await import('../../server/dist/demo/scenario.js');
  const { simulate } = await import('../../server/dist/demo/habits/simulate.js');
  const { scenarioFactory } = await import('../../server/dist/demo/habits/scenarioFactory.js');
  const scenario = demoScenario(CLOCK_AT);
  const { rows } = simulate(scenario);
  const batches = rows
    .all(core.Batch)
    .filter((batch) => batch.status !== 'done')
    .map((batch) => ({ batch, workedMs: core.visitOf(rows, batch).touchMs, personId: null, again: null, opensMs: null }));
  const now = new core.FloorNow(scenarioFactory(scenario), batches, CLOCK_AT, {
    touch: core.lognormal(1, 0.3),
    rework: 0.02,
    scrap: 0.005,
  });
  let told;
  const s = seconds(() => {
    told = core.outlook(now, { runs: RUNS, days: DAYS, seed: 1 });
  });
  line(
    `  from a morning with ${batches.length} batches, ${DAYS} days on`,
    `${((s / RUNS) * 1000).toFixed(1)} ms a run of ${Math.round(told.events / RUNS)} events; ${told.orders.length} orders told`,
  );
}
