import pg from 'pg';
import { freePort } from '../lib/port.mjs';
import { startServer } from '../lib/server.mjs';
import { crowd, leanClient, signIn } from './clients.mjs';
import { line, quantile, seconds, TARGETS } from './report.mjs';

const LOTS = 1000;
const HOURS = 730 * 24;
const HOUR = 3_600_000;
const BOARDS = 60;
const STORED_LOTS = 2000;
const SESSIONS_EACH = 15;
const READINGS_EACH = 7;

/** Drying fits and cutting plans in core, and the wood room of a factory with many lots. */
export async function benchWood(core, unit) {
  const random = core.seededRandom(7);
  const traces = Array.from({ length: 5 }, (_, z) => ({
    fromMs: 0,
    stepMs: HOUR,
    emcPct: Float64Array.from({ length: HOURS }, (_, h) => 8.5 + 0.6 * Math.sin(z + h / 1400) + 0.2 * Math.sin(h / 30)),
    gaps: [],
  }));
  const prior = { ratePerDay: 0.03, logSd: core.PRIOR_LOG_SD };
  const lots = Array.from({ length: LOTS }, (_, i) => {
    const trace = traces[i % traces.length];
    const rate = prior.ratePerDay * Math.exp(random.normal(0, 0.3));
    let moisture = 15;
    const sessions = [];
    for (let h = 0; h < HOURS; h++) {
      moisture = core.approach(moisture, trace.emcPct[h], rate, 1 / 24);
      if (h % (28 * 24) === 27 * 24) sessions.push({ atMs: (h + 1) * HOUR, meanPct: moisture + random.normal(0, 0.2), errorPct: 0.2 });
    }
    return { trace, sessions };
  });
  const fit = () => lots.forEach(({ sessions, trace }) => core.fitDrying(sessions, trace, prior));
  fit();
  const fits = seconds(fit);
  line(
    `${LOTS} lots fitted over two years of hourly climate`,
    `${fits.toFixed(2)} s, ${(fits / unit).toFixed(1)} × base`,
    `${TARGETS.thousandFitsS} s`,
    fits < TARGETS.thousandFitsS,
  );

  const pack = Array.from({ length: BOARDS }, (_, i) => ({
    id: `B${i}`,
    lengthMm: random.integer(1800, 3600),
    widthMm: random.integer(150, 320),
    widthEndMm: random.integer(150, 320),
    thicknessMm: 52,
    faults: Array.from({ length: random.integer(0, 3) }, () => ({
      xMm: random.integer(0, 3000),
      yMm: random.integer(0, 250),
      lengthMm: random.integer(20, 150),
      widthMm: random.integer(20, 60),
    })),
  }));
  const want = (id, lengthMm, widthMm, thicknessMm, count, value) => ({
    ...{ id, lengthMm, widthMm, thicknessMm, count, value, anyGrain: false, leavesEach: 0 },
  });
  for (const share of [1, 0.3]) {
    const wanted = [
      want('body', 520, 175, 45, Math.round(150 * share), 10),
      want('wide', 540, 340, 45, 5, 25),
      want('neck', 720, 95, 27, Math.round(90 * share), 9),
      want('block', 130, 90, 40, Math.round(60 * share), 1.2),
    ];
    const plan = () => core.planCutting(pack, wanted, core.DEFAULT_CUTTING);
    plan();
    const s = seconds(plan);
    line(
      `A pack of ${BOARDS} boards planned, ${share === 1 ? 'more' : 'less'} wanted than it holds`,
      `${s.toFixed(2)} s, ${(s / unit).toFixed(1)} × base`,
      `${TARGETS.packPlannedS} s`,
      s < TARGETS.packPlannedS,
    );
  }
  await benchWoodRoom(unit);
}

/** What the wood room asks the server for, with two thousand lots and two hundred thousand readings. */
async function benchWoodRoom(unit) {
  const { throwAwayCluster } = await import('../lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  let server;
  try {
    const port = await freePort();
    server = await startServer({ ...cluster.env(), PORT: String(port) }, { quiet: true });
    const readings = await storeLots(cluster.url);
    const base = `http://127.0.0.1:${port}/api`;
    const call = leanClient(base, await signIn(base));
    const drying = JSON.parse(await call('/lots?states=drying')).filter((l) => l.id.startsWith('W'));
    const ask = () => call('/lots');
    const report = (name, times) => {
      const p95 = quantile(times, 0.95);
      const said = `p50 ${quantile(times, 0.5).toFixed(0)} p95 ${p95.toFixed(0)} ms, ${(p95 / 1000 / unit).toFixed(2)} ×`;
      line(name, said, `${TARGETS.woodRoomP95Ms} ms`, p95 < TARGETS.woodRoomP95Ms);
    };
    const of = `${STORED_LOTS} lots, ${readings} readings`;
    for (let round = 0; round < 3; round++) await crowd(ask, { clients: 4, each: 10 });
    report(`Wood room, ${of}`, await crowd(ask, { clients: 1, each: 60 }));
    let at = 0;
    const read = () => {
      const lot = drying[at++ % drying.length];
      return call(`/lots/${lot.id}/readings`, { version: lot.version++, text: '9.4 9.6 c10.1', woodTempC: 20, meter: 'pin' });
    };
    const times = [];
    for (let i = 0; i < 40; i++) {
      await read();
      const began = performance.now();
      await ask();
      times.push(performance.now() - began);
    }
    report(
      'Wood room, each time after a lot was read',
      times.sort((a, b) => a - b),
    );
  } finally {
    await server?.stop();
    await cluster.stop();
  }
}

/** Writes lots with their sessions straight into the tables, as a few years would have. @returns how many readings */
async function storeLots(url) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(
    `insert into lot (id, number, species, form, use, thickness_mm, volume_m3, left_m3, supplier, origin, permit, restricted, zone_id,
       received_at, state, released_at, mean_pct, last_read_at, sessions, version, stays)
     select 'W' || i, 100000 + i, 'sugar maple', 'neck blanks', 'neck', 27, 0.2, 0.2, 'Calder', 'Vermont', null, false, 'wood',
       now() - interval '200 days', case when i % 4 = 0 then 'drying' when i % 4 = 3 then 'used up' else 'released' end,
       case when i % 4 = 0 then null else now() - interval '5 days' end, 9.4, now() - interval '1 day', $2, 1,
       jsonb_build_array(jsonb_build_object('zoneId', 'wood', 'fromMs', (extract(epoch from now() - interval '200 days') * 1000)::bigint))
     from generate_series(1, $1::int) i`,
    [STORED_LOTS, SESSIONS_EACH],
  );
  await client.query(
    `insert into reading_session (id, lot_id, at, person_id, meter, wood_temp_c, mean_pct, spread_pct)
     select 'W' || i || '/' || s, 'W' || i, now() - interval '196 days' + s * interval '13 days', null, 'pin', 20, 9 + 6 * exp(-s * 0.3), 0.8
     from generate_series(1, $1::int) i, generate_series(1, $2::int) s`,
    [STORED_LOTS, SESSIONS_EACH],
  );
  const { rowCount } = await client.query(
    `insert into reading (id, session_id, seq, depth, raw_pct, corrected_pct)
     select s.id || '/' || r, s.id, r, case when r = $1::int then 'core' else 'shell' end, 9.4, s.mean_pct + 0.1 * (r - 4)
     from reading_session s, generate_series(1, $1::int) r where s.lot_id like 'W%'`,
    [READINGS_EACH],
  );
  await client.query('analyze');
  await client.end();
  return rowCount;
}
