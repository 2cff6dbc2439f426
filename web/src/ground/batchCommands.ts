import type { paths } from './api.gen.ts';
import { ask, client, type View } from './api.ts';
import type { KeyHeader } from './queries.ts';

/** What is done at an address of a batch and answered with its next version. */
type DoneAt<Address> = Address extends `/api/batches/{id}/${infer Command}`
  ? paths[Address & keyof paths] extends {
      post: {
        requestBody: { content: { 'application/json': infer Body } };
        responses: { [status in 200 | 201]?: { content: { 'application/json': View<'BatchDoneView'> } } };
      };
    }
    ? { command: Command; body: Body }
    : never
  : never;
type Done = DoneAt<keyof paths>;

/** Every command on a batch, by the last part of its address. */
export type BatchCommandName = Done['command'];
/** What each says, beside the version it rests on and when it happened. */
export type BatchBodies = { [Command in BatchCommandName]: Extract<Done, { command: Command }>['body'] };
export type BatchGiven<K extends BatchCommandName> = Omit<BatchBodies[K], 'version' | 'atMs'>;

/** Gives a command on a batch. */
export const send = <K extends BatchCommandName>(
  command: K,
  id: string,
  body: BatchBodies[K],
  headers: KeyHeader,
): Promise<View<'BatchDoneView'>> =>
  // One address stands for all of them, whose bodies differ: each was checked against its own above.
  ask(
    client.POST(`/api/batches/{id}/${command}` as '/api/batches/{id}/start', {
      params: { path: { id } },
      body: body as BatchBodies['start'],
      headers,
    }),
  );
