import { asked, NOT_ANSWERED, question, type Finding } from '../../ledger/index.ts';
import { listed, type AspectKind } from './aspect.ts';
import { said } from '../../units/index.ts';

/** A dimension or set-up measure and its band. */
export interface Characteristic {
  id: string;
  name: string;
  unit: string;
  low: number;
  target: number;
  high: number;
}

/** The pieces of a batch's present pass that lack a measure its step asks for. */
export const UnmeasuredOf = question<{ batchId: string }, readonly string[]>('unmeasured of');

/** A piece's latest measure of a characteristic, where it lies outside its band. */
export interface OffMeasure {
  pieceId: string;
  name: string;
  unit: string;
  value: number;
  low: number;
  high: number;
}

/** The measures of a batch's present pass that lie out of band. */
export const OutOfBandOf = question<{ batchId: string }, readonly OffMeasure[]>('out of band of');

/** The rule of a finding that somebody may accept with a reason. */
export const MEASURE_RULE = 'measure';

/** What a measure out of band says of its piece. */
export const offInWords = ({ pieceId, name, unit, value, low, high }: OffMeasure): string =>
  `${pieceId}: ${name} ${said(value, unit)}, band ${said(`${low}–${high}`, unit)}`;

export const measure: AspectKind<'characteristics', readonly Characteristic[]> = {
  key: 'characteristics',
  name: 'measures',
  words: (all) => listed(all?.map((c) => `${c.name} ${said(`${c.low}–${c.high}`, c.unit)}`)),
  asks: (_, moment, { batch: { id: batchId } }) =>
    moment === 'finish' ? [asked(UnmeasuredOf, { batchId }), asked(OutOfBandOf, { batchId })] : [],
  mayFinish(_, { batch: { id: batchId }, pieceIds, answers }): Finding[] {
    const unmeasured = answers.to(UnmeasuredOf, { batchId });
    const off = answers.to(OutOfBandOf, { batchId });
    const left = unmeasured === NOT_ANSWERED || off === NOT_ANSWERED ? pieceIds : unmeasured.filter((id) => pieceIds.includes(id));
    const findings: Finding[] = [];
    if (left.length > 0)
      findings.push({
        rule: 'state',
        verdict: 'stop',
        sentence: `Not measured yet: ${left.join(', ')}`,
        remedy: 'Log the measures of this step first',
      });
    const told = off === NOT_ANSWERED ? [] : off.filter((m) => pieceIds.includes(m.pieceId));
    if (told.length > 0)
      findings.push({
        rule: MEASURE_RULE,
        verdict: 'stop',
        sentence: `Out of band: ${told.map(offInWords).join('; ')}`,
        remedy: 'Do it again, hold the batch, or accept it as it is with a reason',
      });
    return findings;
  },
};
