import {
  COMMANDS,
  factoryOf,
  HeldCard,
  Piece,
  piecesInPass,
  worst,
  type AnyCommandKind,
  type FactoryTold,
  type Held,
  type HouseFactory,
} from '@ample-crane/core';
import { useQueries, useQuery } from '@tanstack/react-query';
import { ask, client, type View } from '../ground/api.ts';
import type { BatchCommandName } from '../ground/batchCommands.ts';
import { useOutbox, type OutboxEntry } from '../ground/outbox.ts';
import { stationOutbox } from '../ground/stationOutbox.ts';

type Batch = View<'BatchView'>;
type Card = View<'CardView'>;

/** The command of core that an entry stands for, by its name. */
const COMMAND: Readonly<Record<BatchCommandName, (typeof COMMANDS)[number]['name']>> = {
  start: 'start work',
  pause: 'pause work',
  resume: 'resume work',
  finish: 'finish work',
  'finish-some': 'finish some',
  receive: 'receive batch',
  move: 'move batch',
  place: 'place batch',
  accept: 'accept batch',
  'sign-off': 'sign off',
  refuse: 'refuse work',
  scrap: 'scrap pieces',
  split: 'split batch',
  merge: 'merge batches',
  join: 'join parts',
  part: 'part instruments',
  refit: 'refit instruments',
  send: 'send batch',
  hold: 'hold batch',
  release: 'release batch',
  call: 'call batch',
  undo: 'undo entry',
  reroute: 'reroute batch',
  coats: 'log coat',
  verdict: 'judge trial',
  wipe: 'wipe faces',
  'put-in': 'put in rig',
  'close-rig': 'close rig',
  'take-out': 'take out of rig',
  scuff: 'log scuff',
  measures: 'take measures',
};
const BY_NAME = new Map<string, AnyCommandKind<HouseFactory>>(COMMANDS.map((kind) => [kind.name, kind as AnyCommandKind<HouseFactory>]));

function commandOf(name: BatchCommandName): AnyCommandKind<HouseFactory> {
  const kind = BY_NAME.get(COMMAND[name]);
  if (!kind) throw new RangeError(`Core has no command ${COMMAND[name]}`);
  return kind;
}

/** A batch as it will be once what waits in the outbox is sent. */
export interface Seen {
  status: Batch['status'];
  /** entries that wait to be sent for it */
  waiting: number;
  /** it has gone on from here, as far as this device knows */
  gone: boolean;
  /** what core says against one of them; the server will say the same */
  objection: string | null;
  /** the batch with those entries done; null where nothing waits, or the device was not told enough to judge */
  card: HeldCard | null;
}

const ownOf = (batchId: string, entries: readonly OutboxEntry[]) => entries.filter((e) => e.batchId === batchId && e.state !== 'aside');

/** What a person at the station sees: what the server told last, and what they have done since, judged as the server will. */
export function asSeen(
  batch: Pick<Batch, 'id' | 'status'>,
  entries: readonly OutboxEntry[],
  held: Held | undefined,
  factory: HouseFactory | undefined,
): Seen {
  const own = ownOf(batch.id, entries);
  const told: Seen = { status: batch.status, waiting: own.length, gone: false, objection: null, card: null };
  if (own.length === 0 || !held || !factory) return told;
  const card = new HeldCard(held, factory);
  const before = card.batch;
  let objection: string | null = null;
  for (const { command, given, atMs, personId, batchId } of own) {
    // What may be done by whom is the server's to say.
    const decision = card.give(commandOf(command), { batchId, personId, ...given }, { atMs, by: { personId, role: 'admin' } });
    if (decision.kind === 'refuse') objection ??= decision.because.map((f) => f.sentence).join('; ');
  }
  const { status, operationId } = card.batch;
  return { status, waiting: own.length, gone: operationId !== before.operationId || status === 'done', objection, card };
}

/** A card with what waits to be sent done on it. */
export function cardAsSeen(told: Card, { card }: Seen, nowMs: number): Card {
  if (!card) return told;
  const { status, accepted, redo, pass } = card.batch;
  const findings = card.gate(nowMs);
  return {
    ...told,
    batch: { ...told.batch, status, accepted, redo, pass, findings, verdict: worst(findings) },
    inPass: piecesInPass(
      card.batch,
      card.all(Piece).filter((p) => p.batchId === card.batch.id),
    ).map((p) => p.id),
    rigs: rigsIn(card, nowMs),
    coatsThisVisit: card.coats,
    coatFindings: told.coatPlan === null ? [] : card.coatFindings(nowMs),
    unmeasured: card.unmeasured.map((u) => ({ ...u, pieceIds: [...u.pieceIds] })),
    off: [...card.off],
  };
}

function rigsIn(card: HeldCard, nowMs: number): Card['rigs'] {
  const found = card.rigs(nowMs);
  return found && { ...found, rigs: found.rigs.map((rig) => ({ ...rig, others: [...rig.others] })) };
}

type Told = FactoryTold<HouseFactory['setUp']['settings']>;
/** What the API describes as any object is core's. */
const factoryIn = (told: object): HouseFactory => factoryOf(told as Told);

/** The factory as this device was told it last. */
const useFactory = () =>
  useQuery({ queryKey: ['factory'], queryFn: () => ask(client.GET('/api/factory')), select: factoryIn, structuralSharing: false });

export const heldQuery = (id: string) => ({
  queryKey: ['batches', 'held', id],
  queryFn: () => ask(client.GET('/api/batches/{id}/held', { params: { path: { id } } })),
});

/** Batches with what this device has done on them and not yet sent. */
export function useSeen(batches: readonly Pick<Batch, 'id' | 'status'>[]): (id: string) => Seen {
  const entries = useOutbox(stationOutbox);
  const factory = useFactory().data;
  const touched = batches.filter((b) => ownOf(b.id, entries).length > 0);
  const held = useQueries({ queries: touched.map((b) => heldQuery(b.id)) });
  const heldOf = new Map(touched.map((b, i) => [b.id, held[i]?.data as Held | undefined]));
  const seen = new Map(batches.map((b) => [b.id, asSeen(b, entries, heldOf.get(b.id), factory)]));
  return (id) => seen.get(id) ?? { status: 'queued', waiting: 0, gone: false, objection: null, card: null };
}
