import {
  AskForProgram,
  asksOfFirstPiece,
  DrawRevision,
  KeepCutter,
  LogCutter,
  MoveRevision,
  programIdOf,
  ProveRevision,
  revisionName,
} from '@ample-crane/core';
import type { Mover } from './mover.ts';
import type { ScenarioCutter, ScenarioProgram, ScenarioRevision } from './scenario.ts';

interface At {
  atMs: number;
  leadId: string;
}

/** Asks for a program, as its orders first needed it. */
export function askForProgram(mover: Mover, program: ScenarioProgram, { atMs, leadId }: At): void {
  const { modelId, what, side, serves, ownerId, note } = program;
  mover.give(AskForProgram, { modelId, what, side, serves, ownerId, note }, atMs, leadId);
}

/** Draws a revision and takes it as far as it has come. */
export function drawRevision(
  mover: Mover,
  program: ScenarioProgram,
  revision: ScenarioRevision,
  { atMs, leadId }: At,
  to = revision.to,
): void {
  const programId = programIdOf(program);
  const by = program.ownerId ?? leadId;
  const { why, file, fixture, piecesALoad, cutters, planned } = revision;
  mover.give(DrawRevision, { programId, why, file, fixture, piecesALoad, cutters, planned }, atMs, by);
  const which = { programId, revision: revisionName(program.revisions.indexOf(revision)) };
  if (to === 'drawn') return;
  mover.give(MoveRevision, { ...which, to: 'checked', note: 'Run through on the screen' }, atMs, by);
  if (to === 'checked') return;
  const measures = asksOfFirstPiece(program, mover.factory, atMs).map(({ id, target }) => ({ characteristicId: id, value: target }));
  mover.give(ProveRevision, { ...which, piece: 'Trial blank', measures, note: 'Edges clean, no chatter' }, atMs, by);
  mover.give(MoveRevision, { ...which, to: 'released', note: '' }, atMs, leadId);
}

/** Puts the cutters on record, and those on that belong to a machine. */
export function mountCutters(mover: Mover, cutters: readonly ScenarioCutter[], { atMs, leadId }: At): void {
  for (const { id, kind, lifeMinutes, stationCode } of cutters) {
    mover.give(KeepCutter, { id, kind, lifeMinutes, note: '' }, atMs, leadId);
    const none = { lifeMinutes: null, note: '' };
    if (stationCode !== null) mover.give(LogCutter, { cutterId: id, act: 'mount', stationCode, bench: 1, ...none }, atMs, leadId);
  }
}
