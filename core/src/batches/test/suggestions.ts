import { PAUSE_CAUSES, START_CHECKS } from '../../factory/index.ts';
import type { Random } from '../../maths/index.ts';
import { programsIn, type Operation, type StepSheet } from '../../routing/index.ts';
import type { TestHouse } from '../../test/house.ts';
import { filledIn } from '../../test/parts.ts';
import type { Suggestion, Suggestions } from '../../test/suggestion.ts';
import {
  Batch,
  DISPOSITIONS,
  lastOf,
  machineIdOf,
  piecesIn,
  piecesInPass,
  TRIAL_VERDICTS,
  Visit,
  WORK_CLASSES,
  type PieceDefect,
} from '../index.ts';

const HOUR_MS = 3_600_000;

/** How often something is asked of a batch that is not ready for it. */
const STRAY = 0.04;

type Ask = (batch: Batch, house: TestHouse, random: Random, operation: Operation) => object | undefined;

/** Asks something of a batch that seems to be ready for it, and now and then of any other. */
const of =
  (isReady: (batch: Batch, operation: Operation) => boolean, ask: Ask): Suggestion =>
  (house, random) => {
    const all = house.rows.all(Batch).filter((b) => b.status !== 'done');
    const ready = random.chance(STRAY) ? all : all.filter((b) => isReady(b, house.operation(b.id)));
    if (ready.length === 0) return undefined;
    const batch = random.pick(ready);
    const said = ask(batch, house, random, house.operation(batch.id));
    return said && { batchId: batch.id, ...said };
  };

const queuedAt =
  (...kinds: Operation['kind'][]) =>
  (b: Batch, o: Operation) =>
    b.status === 'queued' && kinds.includes(o.kind);
const atGate = (b: Batch) => b.status === 'finished' || b.status === 'dwelling';
const still = (b: Batch) => b.status === 'queued' || b.status === 'finished' || b.status === 'dwelling' || b.status === 'stocked';
const person = (random: Random) => (random.chance(0.05) ? 'bob' : 'ann');
const defect = (pieceId: string, batch: Batch): PieceDefect => ({
  pieceId,
  defect: 'crack',
  originOperationId: batch.operationId,
  note: '',
});
const some = (ids: readonly string[], random: Random) => ids.slice(0, random.integer(1, Math.max(1, ids.length - 1)));
const others = (batch: Batch, house: TestHouse) =>
  house.rows.all(Batch).filter((b) => b.operationId === batch.operationId && b.id !== batch.id && b.status !== 'done');

/** A sheet as it comes back; now and then nothing is ticked, or a figure lies out of its bounds. */
function sheetBack(sheet: StepSheet, random: Random): object {
  const { ticks, notes } = filledIn(sheet);
  return {
    ...(random.chance(0.05) ? { acceptReason: 'Looked at, and sound' } : {}),
    sheet: {
      ticks: random.chance(0.05) ? [] : ticks,
      notes: random.chance(0.1) ? notes.map((n) => ('figure' in n ? { ...n, figure: 1000 } : n)) : notes,
    },
  };
}

/** Counts of a pass that add up, and now and then do not. */
function counts(batch: Batch, house: TestHouse, random: Random, { sheet }: Operation): object {
  const inPass = piecesInPass(batch, piecesIn(house.rows, batch.id));
  const [first] = inPass;
  const fate = random.chance(0.15) ? 'rework' : random.chance(batch.component === 'instrument' ? 0.3 : 0.12) ? 'scrap' : null;
  const bad = fate && first ? 1 : 0;
  return {
    good: inPass.length - bad + (random.chance(0.03) ? 1 : 0),
    rework: fate === 'rework' ? bad : 0,
    scrap: fate === 'scrap' ? bad : 0,
    outcomes: fate && first ? [{ ...defect(first.id, batch), outcome: fate }] : [],
    ...(sheet ? sheetBack(sheet, random) : {}),
  };
}

/** On one carrier, on two, or on none. */
function placements(batch: Batch, house: TestHouse, random: Random): object[] {
  const pieces = house.live(batch.id).length;
  const [one, two] = [random.pick(house.carriers), random.pick(house.carriers)];
  if (random.chance(0.1)) return [];
  if (pieces < 2 || one.id === two.id || random.chance(0.5)) return [{ carrierId: one.id, pieces }];
  const here = random.integer(1, pieces - 1);
  return [
    { carrierId: one.id, pieces: here },
    { carrierId: two.id, pieces: pieces - here },
  ];
}

/** What somebody ticks at a machine, and now and then forgets. */
const startCheck = (stationCode: string, random: Random): object => ({
  machineId: machineIdOf(stationCode, random.integer(1, 2)),
  revision: random.chance(0.05) ? 'Z' : 'A',
  ticks: random.chance(0.05) ? [] : START_CHECKS.map((c) => c.key),
  ...(random.chance(0.5) ? { setUpMinutes: random.integer(1, 30) } : {}),
});

export const suggestions: Suggestions = {
  onward: {
    'start work': of(queuedAt('work'), (batch, house, random, { ways = [], needs, stationCode }) => {
      const beside = others(batch, house).filter((b) => b.status === 'queued');
      return {
        personId: person(random),
        ...(ways[0] && random.chance(0.3) ? { wayId: ways[0].id } : {}),
        ...(beside.length > 0 && random.chance(0.3) ? { withBatchIds: beside.map((b) => b.id) } : {}),
        ...(batch.quantity > 1 && random.chance(0.1) ? { quantity: batch.quantity - 1 } : {}),
        ...(programsIn(needs).length > 0 && random.chance(0.9) ? { check: startCheck(stationCode, random) } : {}),
      };
    }),
    'resume work': of(
      (b) => b.status === 'paused',
      (_, __, random, { needs, stationCode }) => ({
        personId: person(random),
        ...(programsIn(needs).length > 0 && random.chance(0.5) ? { check: startCheck(stationCode, random) } : {}),
      }),
    ),
    'finish work': of((b) => b.status === 'running', counts),
    'move batch': of(atGate, (_, house, random) => {
      if (random.chance(0.7)) house.pass(random.integer(1, 30) * HOUR_MS);
      return { accepted: !random.chance(0.3), ...(random.chance(0.3) ? { overrideReason: 'Looked sound to two of us' } : {}) };
    }),
    'accept batch': of(
      (b, o) => b.status === 'queued' && o.handOver === true && !b.accepted,
      () => ({}),
    ),
    'sign off': of(
      (b, o) => atGate(b) && o.gate.some((r) => r.kind === 'signOff'),
      (_, __, random) => ({ personId: person(random), skill: 'eye' }),
    ),
    'send batch': of(queuedAt('outside', 'transfer'), (_, house) => ({ to: 'The plater', dueBackMs: house.nowMs + 24 * HOUR_MS })),
    'receive batch': of((b) => b.status === 'away', counts),
    'call batch': of(
      (b, o) => b.status === 'stocked' && o.next.length > 0,
      (b, __, random) => ({
        quantity: random.chance(0.5) ? 1 : b.quantity,
        orderId: random.chance(0.1) ? 'O7' : random.pick([null, 'O1']),
      }),
    ),
    'join parts': of(queuedAt('join'), (batch, house, random) => ({
      personId: person(random),
      guestBatchIds: others(batch, house)
        .filter((b) => b.component !== batch.component)
        .map((b) => b.id),
    })),
    'part instruments': of(queuedAt('part'), (_, __, random) => ({ personId: person(random) })),
    'refit instruments': of(
      (b, o) => b.status === 'queued' && o.kind === 'refit' && b.component === 'body',
      (batch, house, random) => {
        const serials = new Set(house.live(batch.id).map((p) => p.serial));
        const all = others(batch, house).filter((b) => b.component === 'neck');
        const own = all.filter((b) => house.live(b.id).some((p) => serials.has(p.serial)));
        const necks = random.chance(0.1) ? all : own;
        return necks.length === 0 ? undefined : { personId: person(random), neckBatchId: random.pick(necks).id };
      },
    ),
    'release batch': of(
      (b) => b.status === 'held',
      () => ({}),
    ),
  },
  often: ['undo entry', 'sign off', 'refit instruments', 'judge trial'],
  aside: {
    'start batch': (house, random) => ({
      modelId: random.pick([...house.factory.setUp.models.keys()]),
      component: random.pick(['body', 'neck']),
      quantity: random.integer(1, 3),
      lotId: 'L1',
      orderId: null,
      ...(random.chance(0.3) ? { workClass: random.pick(WORK_CLASSES) } : {}),
      restIsOffcut: random.chance(0.02),
    }),
    'judge trial'(house, random) {
      const trials = house.rows.all(Batch).filter((b) => b.workClass === 'trial' || random.chance(0.02));
      if (trials.length === 0) return undefined;
      const words = random.pick(['Holds as it should', 'Holds as it should', 'no']);
      return { batchId: random.pick(trials).id, verdict: random.pick(TRIAL_VERDICTS), words };
    },
    'pause work': of(
      (b) => b.status === 'running',
      (_, __, random) => ({ cause: random.pick(PAUSE_CAUSES).key }),
    ),
    'finish some': of(
      (b) => b.status === 'running' && b.quantity > 1,
      (batch, house, random, { sheet }) => ({
        pieceIds: some(
          house.live(batch.id).map((p) => p.id),
          random,
        ),
        ...(sheet ? sheetBack(sheet, random) : {}),
      }),
    ),
    'place batch': of(still, (batch, house, random) => ({ placements: placements(batch, house, random) })),
    'hold batch': of(still, () => ({ reason: 'In doubt' })),
    'split batch': of(
      (b) => still(b) && b.quantity > 1,
      (batch, house, random) => ({
        pieceIds: some(
          house.live(batch.id).map((p) => p.id),
          random,
        ),
      }),
    ),
    'merge batches': of(still, (batch, house, random) => {
      const alike = others(batch, house).filter((b) => b.status === batch.status && b.component === batch.component);
      return alike.length === 0 ? undefined : { fromBatchId: random.pick(alike).id };
    }),
    'refuse work': of(
      (b) => still(b) || b.status === 'running',
      (batch, house, random) => {
        const earlier = house.rows.all(Visit).filter((v) => v.batchId === batch.id && v.operationId !== batch.operationId && v.touchMs > 0);
        const pieces = some(
          house.live(batch.id).map((p) => p.id),
          random,
        );
        return {
          pieces: pieces.map((id) => ({
            ...defect(id, batch),
            disposition: random.pick(earlier.length > 0 ? DISPOSITIONS : DISPOSITIONS.filter((d) => d !== 'rework')),
            toOperationId: earlier.at(-1)?.operationId ?? null,
          })),
        };
      },
    ),
    'scrap pieces': of(still, (batch, house) => ({
      pieces: house
        .live(batch.id)
        .slice(-1)
        .map((p) => defect(p.id, batch)),
    })),
    'reroute batch': of(still, (batch, house) => {
      const other = [...house.versions.values()].find((r) => r.modelId === batch.modelId && r.id !== batch.routeId);
      return other && { routeId: other.id, operationId: batch.operationId, reason: 'Drawn anew' };
    }),
    'undo entry'(house, random) {
      const latest = house.rows.all(Batch).flatMap((batch) => {
        const last = lastOf(house.recorder.entries.filter((e) => e.batchId === batch.id));
        return last && (last.undoable !== null || random.chance(STRAY)) ? [{ batch, last }] : [];
      });
      if (latest.length === 0) return undefined;
      // What was finished badly is taken back more often than the rest.
      const { batch, last } = random.weighted(latest, ({ last: { undoable } }) =>
        undoable?.kind !== 'work.finished' ? 1 : undoable.payload.scrap > 0 ? 30 : 8,
      );
      return { batchId: batch.id, entryId: last.id, reason: 'Pressed too early' };
    },
  },
};
