import type { Finding } from '@ample-crane/core';

export interface FieldProblem {
  field: string;
  message: string;
}

/** Anything a person can be told: carried as an RFC 9457 problem document. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    readonly title: string,
    readonly detail: string,
    readonly extra: {
      fields?: FieldProblem[];
      findings?: readonly Finding[];
      current?: unknown;
      /** after how long it is worth trying again */
      retryAfterSeconds?: number;
    } = {},
  ) {
    super(detail);
  }
}

export const notFound = (what: string, id: string) => new Problem(404, 'not-found', 'Not found', `There is no ${what} ${id}`);

/** A business "no", with the findings that speak against it; where the command itself is wrong, that is said. */
export function refused(findings: readonly Finding[]): Problem {
  const fields = findings.flatMap((f) => (f.field === undefined ? [] : [{ field: f.field, message: f.sentence }]));
  if (findings.every((f) => f.rule === 'input'))
    return new Problem(400, 'bad-input', 'Check the input', findings.map((f) => f.sentence).join('. '), { findings, fields });
  return new Problem(422, 'refused', 'Not now', findings.map((f) => (f.remedy ? `${f.sentence}. ${f.remedy}` : f.sentence)).join('. '), {
    findings,
    ...(fields.length > 0 ? { fields } : {}),
  });
}

export const badInput = (field: string, message: string) =>
  new Problem(400, 'bad-input', 'Check the input', message, { fields: [{ field, message }] });

/** Someone else changed it first. */
export const stale = (what: string, current: unknown) =>
  new Problem(
    409,
    'stale',
    'Changed meanwhile',
    `${what} was changed by someone else after you opened it. Look at it again, then decide.`,
    {
      current,
    },
  );
