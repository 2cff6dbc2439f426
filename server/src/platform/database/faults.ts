import { QueryRunnerAlreadyReleasedError, QueryRunnerProviderAlreadyReleasedError } from 'typeorm';
import { Problem } from '../problems/problems.ts';

/** What to do about a fault of the database, told by its SQLSTATE or by the code of the broken connection. */
export type DatabaseFault = 'unique' | 'foreign' | 'check' | 'value' | 'deadlock' | 'serialization' | 'lock' | 'timeout' | 'gone';

const BY_STATE: Readonly<Record<string, DatabaseFault>> = {
  '23505': 'unique',
  '23503': 'foreign',
  '23514': 'check',
  '23502': 'check',
  '40P01': 'deadlock',
  '40001': 'serialization',
  '55P03': 'lock',
  '57014': 'timeout',
  '25P03': 'timeout',
};
// Of data exceptions (22…), of connections (08…), of a server that goes or comes, or has no place (57P…, 53300), and the network's own.
const BY_BEGINNING: readonly (readonly [RegExp, DatabaseFault])[] = [
  [/^22/, 'value'],
  [/^(08|57P|53)/, 'gone'],
  [/^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|EAI_AGAIN|EHOST)/, 'gone'],
];
/** The driver gives these no code. */
const WORDLESS_GONE = [
  'Connection terminated',
  'Connection terminated unexpectedly',
  'Connection terminated due to connection timeout',
  'Client has encountered a connection error and is not queryable',
  'timeout exceeded when trying to connect',
];

function textOf(error: unknown, name: 'code' | 'constraint' | 'message'): string | undefined {
  if (typeof error !== 'object' || error === null || !(name in error)) return undefined;
  const value = (error as Record<string, unknown>)[name];
  return typeof value === 'string' ? value : undefined;
}

/** @returns undefined for what is no fault of the database's */
export function faultOf(error: unknown): DatabaseFault | undefined {
  const code = textOf(error, 'code');
  if (code !== undefined) {
    const known = BY_STATE[code] ?? BY_BEGINNING.find(([beginning]) => beginning.test(code))?.[1];
    if (known) return known;
  }
  // TypeORM lets go of a connection that broke between two queries, and refuses the second.
  const isLetGo = error instanceof QueryRunnerAlreadyReleasedError || error instanceof QueryRunnerProviderAlreadyReleasedError;
  return isLetGo || WORDLESS_GONE.includes(textOf(error, 'message') ?? '') ? 'gone' : undefined;
}

/** Where two who begin at once took the same place at a station. */
const SAME_BENCH = 'job_bench';

/** Faults after which the same work, done again, may well succeed. */
export const isPassing = (error: unknown): boolean =>
  ['deadlock', 'serialization'].includes(faultOf(error) ?? '') || textOf(error, 'constraint') === SAME_BENCH;

/** The commit was sent and its answer never came: whether it was carried out is not known. */
export class UnknownOutcome extends Error {
  constructor(override readonly cause: unknown) {
    super('The connection was lost while the work was being committed');
  }
}

const OVER_FILLED = 'carrier_not_over_filled';
const RETRY_SECONDS = 1;

const busy = (detail: string) => new Problem(503, 'busy', 'Too much at once', detail, { retryAfterSeconds: RETRY_SECONDS });

const TOLD: Readonly<Record<DatabaseFault, (constraint: string | undefined) => Problem>> = {
  unique: () => new Problem(409, 'taken', 'Already taken', 'Something with this name or number is recorded already. Nothing was saved.'),
  foreign: () =>
    new Problem(
      409,
      'unknown-reference',
      'No longer there',
      'This names something that is not recorded, or not any more. Nothing was saved.',
    ),
  check: (constraint) =>
    constraint === OVER_FILLED
      ? new Problem(409, 'places', 'No place left', 'Someone else has just taken these places. Nothing was saved; choose others.')
      : new Problem(400, 'bad-input', 'Check the input', 'A value lies outside of what can be recorded. Nothing was saved.'),
  value: () => new Problem(400, 'bad-input', 'Check the input', 'A value cannot be stored as it is. Nothing was saved.'),
  deadlock: () => busy('Several people changed the same things at the same moment. Nothing was saved; do it again.'),
  serialization: () => busy('Several people changed the same things at the same moment. Nothing was saved; do it again.'),
  lock: () => busy('Others are at work on the same things. Nothing was saved; do it again in a moment.'),
  timeout: () => busy('This took too long and was broken off. Nothing was saved.'),
  gone: () =>
    new Problem(
      503,
      'database',
      'The database does not answer',
      'Nothing was saved. Try again in a moment; what you typed is still here.',
      {
        retryAfterSeconds: RETRY_SECONDS,
      },
    ),
};

/** What a person is told of it; undefined for what is no fault of the database's. */
export function problemOfDatabase(error: unknown): Problem | undefined {
  if (error instanceof UnknownOutcome)
    return new Problem(
      503,
      'unknown-outcome',
      'Not known whether this was saved',
      'The connection to the database was lost at the last moment. Send it again: what was saved is not done twice.',
      { retryAfterSeconds: RETRY_SECONDS },
    );
  const fault = faultOf(error);
  return fault === undefined ? undefined : TOLD[fault](textOf(error, 'constraint'));
}
