import type { Finding } from '@ample-crane/core';
import createClient from 'openapi-fetch';
import type { components, paths } from './api.gen.ts';
import { benchPerson } from './benchPerson.ts';
import { noteTime } from './deviceClock.ts';
import type { Change } from './topics.ts';

/** A view or request of the API, by its name in the OpenAPI document. */
export type View<K extends keyof components['schemas']> = components['schemas'][K];

/** What a list may be asked with. */
export type AskedOf<Path extends keyof paths> = paths[Path] extends { get: { parameters: { query?: infer Asked } } }
  ? NonNullable<Asked>
  : never;

export const client = createClient<paths>({ baseUrl: '/' });

/** What commands were told to have changed, by their keys, until whoever gave them takes it; the latest few. */
const changedBy = new Map<string, Change[]>();
const COMMANDS_REMEMBERED = 20;

/** Takes what the answer to a command said had changed; nothing where it did not say. */
export function takeChanged(key: string): readonly Change[] {
  const told = changedBy.get(key) ?? [];
  changedBy.delete(key);
  return told;
}

function noteChanged(key: string | null, header: string | null): void {
  if (key === null || header === null) return;
  // One for each thing that was done for the request.
  changedBy.set(
    key,
    header.split(', ').map((told) => JSON.parse(decodeURIComponent(told)) as Change),
  );
  for (const first of changedBy.keys()) if (changedBy.size > COMMANDS_REMEMBERED) changedBy.delete(first);
}

const sentAt = new WeakMap<Request, number>();
client.use({
  onRequest: ({ request }) => {
    sentAt.set(request, Date.now());
    const person = benchPerson();
    // An entry that waited was made by whoever it names.
    if (person !== null && !request.headers.has('Bench-Person')) request.headers.set('Bench-Person', person);
  },
  onResponse: ({ request, response }) => {
    const sentMs = sentAt.get(request);
    if (sentMs !== undefined) noteTime(response.headers.get('X-Time'), sentMs, Date.now());
    noteChanged(request.headers.get('Idempotency-Key'), response.headers.get('X-Changed'));
  },
});

export interface ProblemDocument {
  status: number;
  title: string;
  detail: string;
  fields?: { field: string; message: string }[];
  findings?: Finding[];
  current?: unknown;
}

/** What the server said was wrong, or that it could not be reached. */
export class ApiProblem extends Error {
  constructor(readonly problem: ProblemDocument) {
    super(problem.detail);
  }
}

/**
 * A file and what is to be known about it, as the body of a call: a form, which the server reads as it comes.
 *
 * @param about what the route's own body says beside the file
 */
export function fileForm(file: File, about: object) {
  const form = new FormData();
  form.set('about', JSON.stringify(about));
  form.set('file', file, file.name);
  return { body: { file: file.name, about: JSON.stringify(about) }, bodySerializer: () => form };
}

const UNREACHABLE: ProblemDocument = {
  status: 0,
  title: 'No connection',
  detail: 'The server cannot be reached. Nothing was sent; what you typed is still here. Try again.',
};

function isProblem(value: unknown): value is ProblemDocument {
  return typeof value === 'object' && value !== null && 'detail' in value;
}

/** The answer of a call; throws an ApiProblem otherwise. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const result = await call.catch(() => {
    throw new ApiProblem(UNREACHABLE);
  });
  if (result.data !== undefined) return result.data;
  throw new ApiProblem(
    isProblem(result.error)
      ? result.error
      : {
          status: result.response.status,
          title: 'Something went wrong',
          detail: `The server answered ${result.response.status}.`,
        },
  );
}

export const problemOf = (error: unknown): ProblemDocument =>
  error instanceof ApiProblem
    ? error.problem
    : {
        status: -1,
        title: 'Something went wrong',
        detail: error instanceof Error ? error.message : 'An unknown fault',
      };
