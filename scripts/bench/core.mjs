import { line, seconds, TARGETS } from './report.mjs';

const EVENTS = 1_000_000;
const GATES = 10_000;

/** Flow figures and gates. */
export function benchCore(core, unit) {
  const DAY = 86_400_000;
  const stations = Array.from({ length: 24 }, (_, i) => ({ code: `S${i}`, benches: 1 }));
  const span = 365 * DAY;
  const time = new core.WorkingTime(
    core.shiftWindows(0, span, { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] }),
  );
  const kinds = ['arrive', 'begin', 'stop', 'finish', 'enter', 'leave'];
  const run = (count) => {
    const meter = new core.FlowMeter(stations, { fromMs: 0, toMs: span }, time);
    for (let i = 0; i < count; i++) {
      const atMs = (i / count) * span;
      const kind = kinds[i % 6];
      const station = stations[Math.floor(i / 6) % 24].code;
      meter.record({
        kind,
        atMs,
        station,
        loadMs: 3.6e6,
        good: 6,
        rework: 0,
        scrap: 0,
        count: 1,
        enteredMs: Math.max(0, atMs - 30 * DAY),
        shipped: true,
      });
    }
    return meter.figures();
  };
  run(50_000);
  const s = seconds(() => run(EVENTS));
  line(
    'Flow figures over 1 000 000 events',
    `${s.toFixed(2)} s, ${(s / unit).toFixed(1)} × base`,
    `${TARGETS.millionEventsS} s`,
    s < TARGETS.millionEventsS,
  );
  const keeps = (count) => JSON.stringify(run(count)).length;
  line('  what it keeps after 1 000 000 against 100 000 events', `${(keeps(EVENTS) / keeps(100_000)).toFixed(2)} ×`);

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
}
