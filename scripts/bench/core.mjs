import { line, seconds, TARGETS } from './report.mjs';

const GATES = 10_000;
const CHARTED = 10_000;

/** Flow figures and gates. */
export function benchCore(core, unit) {
  const DAY = 86_400_000;
  const stations = Array.from({ length: 24 }, (_, i) => ({ code: `S${i}`, benches: 1 }));
  const span = 365 * DAY;
  const time = new core.WorkingTime(
    core.shiftWindows(0, span, { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] }),
  );
  const perHour = (hour, i) => ({
    ...Object.fromEntries(
      core.QUARTERS.flatMap((q) => [
        [`busy${q}Ms`, (hour * 7919 + i) % 900_001],
        [`good${q}`, 2],
      ]),
    ),
    loadS: 3600,
    rework: 0,
    scrap: 0,
  });
  const record = (days) => {
    const all = Array.from({ length: days * 24 }, (_, hour) => hour);
    const body = { entered: 12, shipped: 10, scrapped: 0 };
    return {
      stations,
      places: [],
      goingOn: [],
      hours: all.flatMap((hour) =>
        stations.map(({ code }, i) => ({ id: `${code} ${hour}`, stationCode: code, hour, ...perHour(hour, i) })),
      ),
      bodies: body,
      bodyHours: all.map((hour) => ({ id: String(hour), hour, ...body, leadMinutes: 500_000 })),
      leads: Array.from({ length: 160 }, (_, leadClass) => ({ leadClass, shipped: days })),
    };
  };
  for (const days of [28, 180]) {
    const told = record(days);
    const run = () => core.flowFigures(told, { fromMs: 0, toMs: days * DAY }, time);
    run();
    const s = seconds(run);
    line(`Flow figures of ${days} days at 24 stations, day and night`, `${(s * 1000).toFixed(0)} ms, ${(s / unit).toFixed(2)} × base`);
  }

  const temperatures = Array.from({ length: 14 * 24 }, (_, i) => ({ atMs: i * 3.6e6, tempC: 20 + (i % 5) }));
  const rules = [
    { kind: 'equivalent', what: 'Cured', minimumDays: 14, law: core.DEFAULT_CURE_LAW },
    { kind: 'elapsed', what: 'Rested', minimumMinutes: 60 },
    { kind: 'inBand', what: 'readings', low: 7.5, high: 9.5, needed: 5, unit: '%', tooLow: '', tooHigh: '' },
  ];
  const measurements = [8, 8.2, 8.4, 8.6, 9.8].map((value, i) => ({ label: String(i), value }));
  const g = seconds(() => {
    for (let i = 0; i < GATES; i++) core.evaluateGate(rules, { nowMs: 14 * DAY, sinceMs: i, temperatures, measurements });
  });
  line(
    `${GATES} gates of three rules, two weeks of hourly climate`,
    `${((g / GATES) * 1e6).toFixed(1)} µs each, ${(g / unit).toFixed(1)} × base`,
  );

  const values = Array.from({ length: CHARTED }, (_, i) => ({
    value: Math.round((56 + Math.sin(i * 7.3) / 30) * 1000) / 1000,
    together: String(i >> 2),
  }));
  for (const kind of core.CHART_KINDS) {
    core.chartOf(values, kind);
    const ms = seconds(() => core.chartOf(values, kind)) * 1000;
    line(`A chart of ${CHARTED} values, ${kind}`, `${ms.toFixed(0)} ms`, `${TARGETS.chartMs} ms`, ms < TARGETS.chartMs);
  }

  const problem = loadsOf300(core);
  const plan = () => core.planLoads(problem, { random: core.seededRandom(1), rounds: 4 });
  plan();
  const ms = seconds(plan) * 1000;
  line('A plan of 300 pieces on 6 machines', `${ms.toFixed(0)} ms`, `${TARGETS.loadsMs} ms`, ms < TARGETS.loadsMs);
}

/** Fifty batches of six that wait for six machines, half of them for any, under eight programs. */
function loadsOf300(core) {
  const random = core.seededRandom(5);
  const codes = ['M1', 'M2', 'M3', 'M4', 'M5', 'M6'];
  const programs = [...'ABCDEFGH'].map((program, i) => ({
    program,
    fixture: i < 3 ? 'pins' : `F${i}`,
    cutters: ['6 mm'],
    minutes: 15 + 3 * i,
  }));
  const items = Array.from({ length: 50 }, (_, i) => {
    const setUp = random.pick(programs);
    const at = random.chance(0.5) ? codes : [random.pick(codes)];
    const [piecesALoad, minutesALoad] = [random.integer(1, 4), random.integer(10, 60)];
    const ways = at.map((machineId) => ({ machineId, setUp, piecesALoad, minutesALoad }));
    return { id: `B${i}`, pieces: 6, readyMinute: 0, dueMinute: random.integer(60, 1500), ways };
  });
  const machines = codes.map((id) => ({ id, freeMinute: random.integer(0, 60), left: random.pick(programs), pinned: [] }));
  return { items, machines };
}
