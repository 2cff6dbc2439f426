import { capture } from '../lib/run.mjs';
import { CLOCK_AT, fillLogbook, longHistory } from './longFactory.mjs';
import { line, quantile, seconds, TARGETS } from './report.mjs';

const ENTRIES = 1_000_000;
const STEPS = 120;
const PIECES = 40;
const DECISIONS = 5_000;

/** A plain route of many steps and a large batch somewhere along it, judged again and again. */
export function benchDecide(core) {
  const step = (i) => ({
    id: `s${i}`,
    name: `Step ${i}`,
    stage: 'bodies',
    component: i < STEPS - 2 ? 'body' : 'instrument',
    kind: i === STEPS - 1 ? 'dispatch' : i === STEPS - 2 ? 'fit' : i % 4 === 3 ? 'dwell' : 'work',
    stationCode: `S${i % 20}`,
    skill: 'bench',
    setupMinutes: 5,
    minutesPerPiece: 10,
    gate: i % 4 === 3 ? [{ kind: 'elapsed', what: 'Waited', minimumMinutes: 60 }] : [],
    next: i === STEPS - 1 ? [] : [`s${i + 1}`],
    ...(i % 10 === 5 ? { place: { kind: 'rack' } } : {}),
    ...(i % 7 === 2 ? { when: { kind: 'option', option: 'extra', in: ['yes'] } } : {}),
  });
  const option = { id: 'extra', name: 'Extra', values: ['yes', 'no'].map((id) => ({ id, name: id })) };
  const route = {
    id: 'long-1',
    modelId: 'long',
    version: 1,
    options: [option],
    operations: Array.from({ length: STEPS }, (_, i) => step(i)),
  };
  const carriers = Array.from({ length: 60 }, (_, i) => ({
    id: `R${i}`,
    name: `Rack ${i}`,
    kind: 'rack',
    places: 50,
    zoneId: 'z',
    outline: null,
  }));
  const facts = { choices: { extra: 'yes' }, species: {}, construction: '' };
  // Every fourth step waits, and so does every fourth station: 4 divides 20.
  const station = (code) => {
    const waits = Number(code.slice(1)) % 4 === 3;
    return { code, name: code, stage: 'bodies', zoneId: 'z', kind: waits ? 'dwell' : 'work', places: waits ? 400 : 1 };
  };
  const factory = new core.Factory({
    models: new Map(),
    routes: new Map([[route.id, route]]),
    versions: [],
    stations: new Map(route.operations.map((o) => [o.stationCode, station(o.stationCode)])),
    carriers: new Map(carriers.map((c) => [c.id, { ...c, active: true }])),
    prerequisites: [],
    people: new Map([['ann', { id: 'ann', name: 'Ann', skills: [core.heldSkill('bench', 2)], away: [], week: null, active: true }]]),
    zones: new Set(['z']),
    settings: {
      factory: { woodRoomZoneId: 'z' },
      workWeek: { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] },
    },
  });
  const rows = new core.Rows();
  const history = new core.WholeHistory(rows, [], factory, { air: () => null, shopEmcPct: () => null });
  const record = (kind, atMs, subject, payload) =>
    core.LEDGER.apply(
      rows,
      {
        kind,
        atMs,
        personId: 'ann',
        lotId: null,
        batchId: null,
        serial: null,
        schemaVersion: core.LEDGER.versionOf(kind),
        ...subject,
        payload,
      },
      factory,
    );
  const lot = {
    id: 'L1',
    number: 1,
    species: 'ash',
    form: 'boards',
    use: 'body',
    thicknessMm: 45,
    volumeM3: 9,
    supplier: '',
    origin: '',
    permit: null,
    restricted: false,
    zoneId: 'z',
  };
  record('lot.received', 0, { lotId: 'L1' }, { lot });
  const started = {
    number: 1,
    modelId: 'long',
    component: 'body',
    routeId: route.id,
    orderId: null,
    lotId: 'L1',
    quantity: PIECES,
    dueMs: null,
    volumeM3: 1,
    facts,
  };
  record('batch.started', 0, { batchId: 'B1' }, started);
  const times = [];
  let nowMs = 0;
  let entries = 0;
  for (let i = 0; i < DECISIONS; i++) {
    const batch = rows.get(core.Batch, 'B1');
    const command =
      batch.status === 'queued'
        ? { command: 'start work', personId: 'ann' }
        : batch.status === 'running'
          ? { command: 'finish work', good: PIECES, rework: 0, scrap: 0, outcomes: [] }
          : { command: 'move batch' };
    nowMs += 3_600_000;
    const at = process.hrtime.bigint();
    const { command: name, ...said } = command;
    const sight = { rows, factory, nowMs, by: { personId: 'ann', role: 'lead' } };
    const decision = core.judge(core.batchCommand(name), { batchId: 'B1', ...said }, sight, (asked) => history.answer(asked, nowMs));
    times.push(Number(process.hrtime.bigint() - at) / 1e6);
    if (decision.kind === 'refuse') {
      // The end of the line: begin again.
      if (batch.operationId !== `s${STEPS - 2}`) throw new Error(decision.because.map((f) => f.sentence).join('; '));
      rows.change(core.Batch, 'B1', { operationId: 's0', status: 'queued', visitId: 'B1/s0/1', pass: 1 });
    } else for (const e of decision.entries) record(e.kind, nowMs, { batchId: 'B1' }, e.payload);
    entries += decision.kind === 'accept' ? decision.entries.length : 0;
  }
  if (entries < DECISIONS) throw new Error('Hardly anything was decided');
  times.sort((a, b) => a - b);
  const p50 = quantile(times, 0.5);
  line(
    `decide, ${STEPS} steps, batch of ${PIECES}, ${carriers.length} carriers`,
    `p50 ${p50.toFixed(3)} p95 ${quantile(times, 0.95).toFixed(3)} ms`,
    `${TARGETS.decideMs} ms`,
    p50 < TARGETS.decideMs,
  );
}

export async function benchReplay(core, unit) {
  const { demoScenario } = await import('../../server/dist/demo/scenario.js');
  const all = [];
  for (const entries of await longHistory(ENTRIES)) for (const e of entries) all.push(e);
  globalThis.gc?.();
  const routes = new core.RouteBook(demoScenario(CLOCK_AT).routes);
  const s = seconds(() => core.LEDGER.replay(all, routes));
  line(
    `Replay of ${all.length} logbook entries in core`,
    `${s.toFixed(2)} s, ${((s / all.length) * 1e6).toFixed(1)} µs each, ${(s / unit).toFixed(1)} × base`,
    `${TARGETS.replayS} s`,
    s < TARGETS.replayS,
  );
}

/** `npm run rebuild` over a database with a long logbook: told again, and compared row for row with the tables. */
export async function benchRebuild() {
  const { throwAwayCluster } = await import('../lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  try {
    const env = { ...process.env, DATABASE_URL: await cluster.createDatabase('long_history') };
    process.env.DATABASE_URL = env.DATABASE_URL;
    await fillLogbook(ENTRIES);
    const rebuild = async (...args) => {
      const began = Date.now();
      const ran = await capture(process.execPath, ['server/dist/rebuild.js', ...args], { env });
      if (ran.code !== 0) throw new Error(ran.out + ran.err);
      return { said: ran.out.split('\n').find((l) => l.includes('replayed')), s: (Date.now() - began) / 1000 };
    };
    await rebuild('--write');
    const { said, s } = await rebuild();
    line(`npm run rebuild: ${said}`, `${s.toFixed(0)} s`, `${TARGETS.rebuildS} s`, s < TARGETS.rebuildS);
    const mb = Number(/and (\d+) MB/.exec(said)?.[1]);
    line('  its memory at its highest', `${mb} MB`, `${TARGETS.rebuildMb} MB`, mb < TARGETS.rebuildMb);
  } finally {
    await cluster.stop();
  }
}
