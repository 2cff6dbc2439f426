import { Batch, batchIdOf, piecesIn } from '../batches/index.ts';
import type { Factory, SetUp, House } from '../factory/index.ts';
import {
  asked,
  commandKind,
  NOT_ANSWERED,
  question,
  refuse,
  rowsBy,
  rowsOf,
  wrongInput,
  type Decided,
  type Decision,
  type Rows,
} from '../ledger/index.ts';
import { Measure } from '../quality/index.ts';
import { NextNumber } from '../routing/index.ts';
import type { InstrumentsFitted } from './instrumentsFitted.ts';
import { clearanceMm, decideFitting, type PairChoice } from './pairing.ts';
import { formatSerial, sequencePeriod, type SerialPattern } from './serial.ts';

/** Characteristics by which a body's pocket and a neck's tenon are measured. */
export const POCKET = 'pocketWidth';
export const TENON = 'tenonWidth';

/** The factory as the fitting bench sees it: it also gives instruments their serials. */
export type FittingFactory = Factory<SetUp & { settings: House & { serialPattern: SerialPattern } }>;

/** How many serials have been given out in the period that a time falls in. */
export const SerialsGiven = question<{ period: string }, number>('serials given');

export interface FitRequest {
  bodyBatchId: string;
  neckBatchId: string | null;
  pairs: readonly PairChoice[];
}

/** Pairs bodies and necks; each pair becomes an instrument with a serial of its own. */
export const FitInstruments = commandKind('fit instruments')<FitRequest, FittingFactory>({
  role: 'operator',
  concerns: ({ bodyBatchId, neckBatchId, pairs }) => ({
    about: [rowsOf(Batch, [bodyBatchId, ...(neckBatchId === null ? [] : [neckBatchId])])],
    reads: () => [
      rowsBy(
        Measure,
        'pieceId',
        pairs.flatMap((p) => [p.bodyId, ...(p.neckId === null ? [] : [p.neckId])]),
      ),
    ],
  }),
  asks: (_, { factory, nowMs }) => [asked(NextNumber, { of: 'batch' }), asked(SerialsGiven, { period: periodOf(factory, nowMs) })],
  decide({ bodyBatchId, neckBatchId, pairs }, { rows, factory, nowMs, answers }): Decision<Decided<typeof InstrumentsFitted>> {
    const body = rows.get(Batch, bodyBatchId);
    const side = (id: string) => ({ batch: rows.get(Batch, id), pieces: piecesIn(rows, id) });
    const neck = neckBatchId === null ? undefined : rows.get(Batch, neckBatchId);
    if (neck && neck.modelId === body.modelId && !factory.servesAs(body.routeId, 'neck', neck.facts, body.facts))
      return refuse(`The necks of batch ${neck.id} were made for other choices, or of other wood, than the bodies of batch ${body.id}`, {
        remedy: 'Fit necks that were made for the same',
      });
    const decision = decideFitting(factory.routeOf(body), side(bodyBatchId), neckBatchId === null ? null : side(neckBatchId), pairs);
    if (decision.kind === 'refuse') return decision;
    const number = answers.to(NextNumber, { of: 'batch' });
    const period = periodOf(factory, nowMs);
    const given = answers.to(SerialsGiven, { period });
    if (number === NOT_ANSWERED || given === NOT_ANSWERED) return refuse('No serial is free');
    const { serialPattern, workWeek } = factory.setUp.settings;
    const modelCode = factory.model(body.modelId)?.code ?? body.modelId;
    const serials: string[] = [];
    for (let i = 1; i <= pairs.length; i++)
      try {
        serials.push(formatSerial(serialPattern, { atMs: nowMs, timeZone: workWeek.timeZone, modelCode, sequence: given + i }));
      } catch (error) {
        if (error instanceof RangeError) return wrongInput('serialPattern', `${error.message}; widen {SEQ} in Setup`);
        throw error;
      }
    const made = decision.entries.map((pair, i) => ({ ...pair, serial: serials[i] ?? '', clearanceMm: clearanceOf(rows, pair) }));
    return {
      kind: 'accept',
      entries: [
        {
          kind: 'instruments.fitted',
          batchId: batchIdOf(number),
          payload: { number, bodyBatchId, neckBatchId, pairs: made, serials: { period, given } },
        },
      ],
    };
  },
});

const periodOf = ({ setUp: { settings } }: FittingFactory, atMs: number): string =>
  sequencePeriod(atMs, settings.workWeek.timeZone, settings.serialPattern.reset);

/** From the latest pocket and tenon width; null where one was never measured. */
function clearanceOf(rows: Rows, { bodyId, neckId }: PairChoice): number | null {
  const latest = (pieceId: string, characteristicId: string) =>
    rows
      .where(Measure, 'pieceId', pieceId)
      .filter((m) => m.characteristicId === characteristicId)
      .sort((a, b) => a.atMs - b.atMs)
      .at(-1)?.value;
  const pocket = latest(bodyId, POCKET);
  const tenon = neckId === null ? undefined : latest(neckId, TENON);
  return pocket === undefined || tenon === undefined ? null : clearanceMm(pocket, tenon);
}
