import { asked, refuse, rowsOf } from '../../ledger/index.ts';
import { OWN_WAY, ProgramFor, programAsked, programsIn, waysOf } from '../../routing/index.ts';
import { Batch, Visit } from '../batch.ts';
import { skillObjection } from '../bench.ts';
import { benchAsks, freeBench } from '../benchPlaces.ts';
import { accept } from '../decided.ts';
import { benchFrom, Machine } from '../run.ts';
import { machineAsks, machineTakenSince, runFor, type StartCheck } from '../startCheck.ts';
import { onBatch } from './onBatch.ts';

export interface Resuming {
  personId: string;
  /** what was looked at on the machine, where others have been on it since */
  check?: StartCheck;
}

/**
 * Somebody goes on with work that was paused: the same person or another, at a place that is free; on the machine it was
 * on, unless that has been set up for others since, and is looked over again.
 */
export const ResumeWork = onBatch('resume work')<Resuming>({
  role: 'operator',
  making: ({ check }) => (check ? [rowsOf(Machine, [check.machineId])] : []),
  reads:
    ({ batchId }) =>
    (known) => {
      const batch = known.find(Batch, batchId);
      const machineId = batch && known.find(Visit, batch.visitId)?.run?.machineId;
      return machineId ? [rowsOf(Machine, [machineId])] : [];
    },
  asks: ({ check }, { batch, operation, options }) => [
    ...benchAsks(batch.stationCode),
    ...(check ? machineAsks(operation.stationCode) : []),
    ...(check ? programsIn(operation.needs).map((need) => asked(ProgramFor, programAsked(need.what, batch, options))) : []),
  ],
  decide({ personId, check }, at) {
    const { batch, operation, factory, answers, rows } = at;
    if (batch.status !== 'paused') return refuse(`${operation.name} is not paused`);
    const way = waysOf(operation).find((w) => w.id === batch.wayId) ?? operation;
    const objection = skillObjection(way, personId, at);
    if (objection) return objection;
    const run = rows.find(Visit, batch.visitId)?.run;
    const taken = machineTakenSince(rows, batch);
    if (taken && !check)
      return refuse(
        `${factory.stationName(taken.stationCode)} has been set up for ${taken.batchId} since: tick its start checklist first`,
        { rule: 'start check', field: 'check' },
      );
    const again = check ? runFor(batch.wayId ?? OWN_WAY, run?.pieces ?? batch.quantity, check, at) : null;
    if (again?.kind === 'refuse') return again;
    const machineId = check?.machineId ?? run?.machineId ?? null;
    const own = freeBench(batch.stationCode, factory, answers, machineId === null ? null : benchFrom(batch.stationCode, machineId));
    if (own.kind === 'refuse') return own;
    // Set up twice, it tells nothing of how long a load takes.
    const set = check && again?.run ? { run: { ...again.run, timed: false }, ticks: check.ticks } : {};
    return accept({ kind: 'work.resumed', payload: { workerId: personId, bench: own.bench, ...set } });
  },
});
