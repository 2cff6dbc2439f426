import { asked, NOT_ANSWERED, question, type Finding } from '../../ledger/index.ts';
import { listed, type AspectKind } from './aspect.ts';
import { said } from '../../units/index.ts';

/** A dimension or set-up measure, its band, and how it is looked at. */
export interface Characteristic {
  id: string;
  name: string;
  unit: string;
  low: number;
  target: number;
  high: number;
  /** what it is measured with */
  instrument?: string;
  /** so many of every so many pieces are measured; all of them where nothing is said */
  sample?: Sample;
  /** the batch is held when a rule of its chart fires */
  holds?: boolean;
  /** who decides then; any lead where nothing is said */
  decidingSkill?: string;
}

/** So many of every so many pieces. */
export interface Sample {
  measured: number;
  of: number;
}

/** How many of some pieces are measured; one at least. */
export const sampleOf = ({ sample }: Pick<Characteristic, 'sample'>, pieces: number): number =>
  sample ? Math.min(pieces, Math.ceil((pieces * sample.measured) / sample.of)) : pieces;

/** What a batch's present pass still lacks of a characteristic. */
export interface Unmeasured {
  characteristicId: string;
  name: string;
  taken: number;
  wanted: number;
  /** the pieces that have not been measured */
  pieceIds: readonly string[];
}

/** What a batch's present pass still lacks of the measures its step asks for. */
export const UnmeasuredOf = question<{ batchId: string }, readonly Unmeasured[]>('unmeasured of');

/** What is still to be measured: the pieces by their ids, or how many where a sample of them will do. */
export function unmeasuredInWords(left: readonly Unmeasured[], pieceIds: readonly string[]): string[] {
  const all = new Set(
    left.flatMap((u) => (u.taken + u.pieceIds.length === u.wanted ? u.pieceIds.filter((id) => pieceIds.includes(id)) : [])),
  );
  const samples = left.filter((u) => u.taken + u.pieceIds.length > u.wanted).map((u) => `${u.name}: ${u.taken} of ${u.wanted}`);
  return [...(all.size > 0 ? [[...all].sort().join(', ')] : []), ...samples];
}

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

/** A characteristic as one would say it of its step. */
function inWords({ name, low, high, unit, sample, instrument, holds }: Characteristic): string {
  const how = [
    ...(sample ? [`${sample.measured} of ${sample.of}`] : []),
    ...(instrument === undefined ? [] : [instrument]),
    ...(holds === true ? ['its chart holds'] : []),
  ];
  return `${name} ${said(`${low}–${high}`, unit)}${how.length > 0 ? ` (${how.join(', ')})` : ''}`;
}

export const measure: AspectKind<'characteristics', readonly Characteristic[]> = {
  key: 'characteristics',
  name: 'measures',
  words: (all) => listed(all?.map(inWords)),
  check: (all, { name }) => [
    ...all.flatMap(({ low, target, high, name: what }) =>
      low > high || target < low || target > high ? [`At "${name}" the target of ${what} lies outside its band`] : [],
    ),
    ...all.flatMap(({ sample, name: what }) =>
      sample && !(sample.measured >= 1 && sample.measured <= sample.of) ? [`At "${name}" more of ${what} are measured than there are`] : [],
    ),
  ],
  checkWorld: (all, { name }, _, { skillLevels }) =>
    all.flatMap(({ decidingSkill, name: what }) =>
      decidingSkill === undefined || skillLevels.has(decidingSkill)
        ? []
        : [`At "${name}" nobody is signed off for ${decidingSkill}, who decides on ${what}`],
    ),
  asks: (_, moment, { batch: { id: batchId } }) =>
    moment === 'finish' ? [asked(UnmeasuredOf, { batchId }), asked(OutOfBandOf, { batchId })] : [],
  mayFinish(_, { batch: { id: batchId }, pieceIds, answers }): Finding[] {
    const unmeasured = answers.to(UnmeasuredOf, { batchId });
    const off = answers.to(OutOfBandOf, { batchId });
    const left = unmeasured === NOT_ANSWERED || off === NOT_ANSWERED ? [pieceIds.join(', ')] : unmeasuredInWords(unmeasured, pieceIds);
    const findings: Finding[] = [];
    if (left.length > 0)
      findings.push({
        rule: 'state',
        verdict: 'stop',
        sentence: `Not measured yet: ${left.join('; ')}`,
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
