import { ALL_BODIES, BodyHour, Job, LeadTimes, Piece, StationHour, Visit } from '../../batches/index.ts';
import { Rows } from '../../ledger/index.ts';
import { piecesOf } from '../../test/parts.ts';
import type { FlowRecord } from '../figures.ts';

/** What happened on a floor, told in short. */
export interface Past {
  /** work that came to a station */
  came?: readonly { station: string; atMs: number; loadMs?: number; finishedMs?: number; good?: number; rework?: number; scrap?: number }[];
  worked?: readonly { station: string; fromMs: number; toMs: number | null }[];
  bodies?: readonly { fromMs: number; outMs?: number; shipped?: boolean }[];
}

/** The rows that such a past leaves, with what they add up to. */
export function rowsOfPast({ came = [], worked = [], bodies = [] }: Past, rows = new Rows()): Rows {
  came.forEach(({ station, atMs, loadMs = 0, finishedMs, good = 0, rework = 0, scrap = 0 }, i) =>
    rows.put(Visit, {
      ...VISIT,
      id: `v${i}`,
      stationCode: station,
      arrivedMs: atMs,
      loadS: loadMs / 1000,
      finishedMs: finishedMs ?? null,
      good,
      rework,
      scrap,
    }),
  );
  worked.forEach(({ station, fromMs, toMs }, i) =>
    rows.put(Job, { ...JOB, id: `j${i}`, stationCode: station, openAt: toMs === null ? station : null, fromMs, toMs }),
  );
  const [piece] = piecesOf(1);
  bodies.forEach(({ fromMs, outMs = null, shipped = true }, i) => {
    if (!piece) throw new Error('no piece to be like');
    rows.put(Piece, { ...piece, id: `p${i}`, bodyFromMs: fromMs });
    if (outMs === null) return;
    if (shipped) rows.put(Piece, { ...piece, id: `i${i}`, component: 'instrument', state: 'shipped', bodyFromMs: fromMs, outMs });
    else rows.change(Piece, `p${i}`, { state: 'scrapped', outMs });
  });
  return rows;
}

/** What is kept of such a past. */
export function recordOf(past: Past, stations: FlowRecord['stations'], places: FlowRecord['places'] = []): FlowRecord {
  const rows = rowsOfPast(past);
  return {
    stations,
    places,
    hours: rows.all(StationHour),
    goingOn: (past.worked ?? []).flatMap(({ station, fromMs, toMs }) => (toMs === null ? [{ stationCode: station, fromMs }] : [])),
    bodies: rows.find(BodyHour, ALL_BODIES),
    bodyHours: rows.all(BodyHour).filter((hour) => hour.id !== ALL_BODIES),
    leads: rows.all(LeadTimes),
  };
}

const VISIT: Visit = {
  id: '',
  batchId: 'B1',
  modelId: 'm',
  component: 'body',
  operationId: 'o',
  stationCode: '',
  stage: 'bodies',
  pass: 1,
  redo: false,
  quantity: 1,
  arrivedMs: 0,
  startedMs: null,
  finishedMs: null,
  leftMs: null,
  good: 0,
  rework: 0,
  scrap: 0,
  loadS: 0,
  touchMs: 0,
  personId: null,
  continues: [],
  run: null,
  workClass: 'order',
};

const JOB: Job = {
  id: '',
  stationCode: '',
  openAt: null,
  bench: 1,
  wayId: 'own',
  personIds: [],
  settings: [],
  fromMs: 0,
  toMs: null,
  shares: [],
};
