import { Batch, JobsAt, Piece } from '../batches/index.ts';
import { judge, NOT_ANSWERED, Rows, type AnyCommandKind, type Decision, type Role, type RowKind, type Written } from '../ledger/index.ts';
import type { HouseFactory } from '../ledger.ts';
import { HOUR_MS } from '../units/index.ts';
import { batchOf, piecesOf } from './parts.ts';

export interface Around {
  factory: HouseFactory;
  /** the batch it is about, three bodies waiting at the first step unless told otherwise */
  batch?: Partial<Batch>;
  pieces?: readonly Piece[];
  /** other batches, each with three pieces */
  others?: readonly Partial<Batch>[];
  rows?: readonly (readonly [RowKind<never>, object])[];
  /** what is answered, by the name of the question: benches are free unless told otherwise; nobody can say the rest */
  answers?: Readonly<Record<string, unknown>>;
  nowMs?: number;
  personId?: string;
  role?: Role;
}

/** Judges one command on rows as they are laid out. */
export function judged(kind: object, said: object, around: Around): Decision<Written> {
  const { factory, batch, others = [], answers = {}, nowMs = 100 * HOUR_MS, personId = 'ann', role = 'lead' } = around;
  const rows = new Rows();
  const here = batchOf(batch);
  rows.load(Batch, here);
  for (const piece of around.pieces ?? piecesOf(3, { component: here.component, modelId: here.modelId })) rows.load(Piece, piece);
  for (const other of others) {
    const row = batchOf({ ...here, id: 'B2', number: 2, ...other });
    rows.load(Batch, row);
    if (row.id !== here.id)
      for (const piece of piecesOf(3, { component: row.component, batchId: row.id }))
        rows.load(Piece, { ...piece, id: piece.id.replace('B1', row.id) });
  }
  for (const [rowKind, row] of around.rows ?? []) rows.load(rowKind, row as never);
  const sight = { rows, factory, nowMs, by: { personId, role } };
  const command = kind as AnyCommandKind<HouseFactory>;
  const told: Readonly<Record<string, unknown>> = { [JobsAt.name]: [], ...answers };
  return judge(command, { batchId: here.id, ...said }, sight, ({ question }) => told[question.name] ?? NOT_ANSWERED);
}

/** What speaks against it, as it is told: the field that is wrong, the sentence, what to do. */
export const against = (decision: Decision<Written>): string[] =>
  decision.kind === 'accept'
    ? decision.entries.map((e) => e.kind)
    : decision.because.map((f) =>
        [...(f.field === undefined ? [] : [f.field]), f.sentence, ...(f.remedy === undefined ? [] : [f.remedy])].join(' | '),
      );
