import { takeSets, type KitTaken } from '../../assembly/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { operationOf, OWN_WAY, type Routes } from '../../routing/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import { settingSentence, type SettingNoted } from '../settings.ts';
import type { Run } from '../run.ts';
import { leaveOn } from './machineRows.ts';
import { beginJob } from './jobRows.ts';
import { loadSOf } from './rows.ts';

export interface Begun {
  operationId: string;
  workerId: string;
  wayId?: string;
  /** a batch whose job it comes into */
  withBatchId?: string;
  /** the place it takes at its station */
  bench?: number;
  /** what was noted of how it is done */
  settings?: readonly SettingNoted[];
  /** sets of counted kits that it took */
  kits?: readonly KitTaken[];
  /** what a machine runs */
  run?: Run;
  /** what was ticked of the start checklist of that machine */
  ticks?: readonly string[];
}

export const WorkStarted = entryKind('work.started')<Begun, Routes>({
  apply(rows, entry, routes) {
    const batch = rows.get(Batch, entry.batchId);
    const { operationId, wayId = OWN_WAY, kits = [], run, ticks } = entry.payload;
    const operation = operationOf(routes.routeOf(batch), operationId);
    const stationCode = operation.ways?.find((w) => w.id === wayId)?.stationCode ?? batch.stationCode;
    const visit = visitOf(rows, batch);
    // Another way is at another station, and takes as long as it takes.
    const loadS = visit.loadS === null ? null : loadSOf(operation, visit.quantity, stationCode);
    rows.amend(Visit, visit, {
      startedMs: entry.atMs,
      personId: entry.payload.workerId,
      stationCode,
      loadS,
      ...(run ? { run } : {}),
    });
    if (run && ticks) leaveOn(rows, run, ticks, { batch, stationCode, personId: entry.payload.workerId, atMs: entry.atMs });
    takeSets(rows, kits);
    beginJob(rows, rows.amend(Batch, batch, { stationCode, wayId, accepted: true }), entry.atMs, entry.payload);
  },
  sentence: ({ payload: { operationId, workerId, withBatchId, settings = [], kits = [], run } }, nameOf) =>
    [
      `${nameOf('step', operationId)} started by ${nameOf('person', workerId)}`,
      ...(withBatchId === undefined ? [] : [`together with ${withBatchId}`]),
      ...(run ? [`"${run.what}" revision ${run.revision}`] : []),
      ...settings.map(settingSentence),
      ...kits.map(({ what, sets }) => `${sets} × ${what} taken`),
    ].join(', '),
});
