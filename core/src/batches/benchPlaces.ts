import type { Factory } from '../factory/index.ts';
import { answerer, asked, NOT_ANSWERED, question, refuse, rowsBy, type Answers, type Asked, type Refused } from '../ledger/index.ts';
import { Job } from './job.ts';

/** What goes on at a station. */
export const JobsAt = question<{ stationCode: string }, readonly Job[]>('jobs at');

export const jobsAt = answerer(JobsAt, {
  reads: ({ stationCode }) => [rowsBy(Job, 'openAt', [stationCode])],
  answer: ({ stationCode }, rows) => rows.where(Job, 'openAt', stationCode),
});

/** The places of a station, counted from 1. */
export const placesOf = (stationCode: string, factory: Factory): number[] =>
  Array.from({ length: factory.placesAt(stationCode) }, (_, i) => i + 1);

export const benchAsks = (stationCode: string): Asked[] => [asked(JobsAt, { stationCode })];

/** A free place at a station, counted from 1; or who is there with what, when all are taken. */
export function freeBench(
  stationCode: string,
  factory: Factory,
  answers: Answers,
  wanted: number | null = null,
): Refused | { kind: 'free'; bench: number } {
  const name = factory.stationName(stationCode);
  const jobs = answers.to(JobsAt, { stationCode });
  if (jobs === NOT_ANSWERED) return refuse(`Nobody could say who is at work at ${name}`, { rule: 'places' });
  const all = placesOf(stationCode, factory);
  const places = all.length;
  const taken = new Set(jobs.map((job) => job.bench));
  const bench = all.find((n) => (wanted === null || n === wanted) && !taken.has(n));
  if (jobs.length < places && bench !== undefined) return { kind: 'free', bench };
  const there = inOrder(jobs.length < places ? jobs.filter((job) => job.bench === wanted) : jobs).map(
    (job) => `${batchesIn(job).join(' and ')} (${job.personIds.map((id) => factory.personName(id)).join(', ')})`,
  );
  const what = places === 1 || jobs.length < places ? 'Its place is taken' : `All ${places} places are taken`;
  return refuse(`${what} at ${name}: ${there.join(', ')}`, {
    rule: 'places',
    verdict: 'wait',
    remedy: 'Finish or pause what is there first',
  });
}

/** Work from before places had numbers comes last. */
const UNNUMBERED = 1e9;

/** By their places, whoever tells of them. */
const inOrder = (jobs: readonly Job[]) =>
  [...jobs].sort((a, b) => (a.bench ?? UNNUMBERED) - (b.bench ?? UNNUMBERED) || a.fromMs - b.fromMs || a.id.localeCompare(b.id));

const batchesIn = ({ shares }: Job) => [...new Set(shares.flatMap((s) => (s.toMs === null ? [s.batchId] : [])))];
