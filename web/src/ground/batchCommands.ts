import { ask, client, type View } from './api.ts';
import type { KeyHeader } from './queries.ts';

/** What each command on a batch says, beside the version it rests on and when it happened. */
export interface BatchBodies {
  start: View<'StartWorkDto'>;
  pause: View<'PauseDto'>;
  resume: View<'WorkDto'>;
  finish: View<'FinishDto'>;
  'finish-some': View<'PiecesDto'>;
  receive: View<'FinishDto'>;
  move: View<'MoveDto'>;
  place: View<'PlaceDto'>;
  accept: View<'WhenDto'>;
  'sign-off': View<'SignOffDto'>;
  refuse: View<'RefuseDto'>;
  scrap: View<'ScrapDto'>;
  split: View<'PiecesDto'>;
  merge: View<'MergeDto'>;
  join: View<'JoinDto'>;
  part: View<'WorkDto'>;
  refit: View<'RefitDto'>;
  send: View<'SendDto'>;
  hold: View<'HoldDto'>;
  release: View<'WhenDto'>;
  call: View<'CallDto'>;
  undo: View<'UndoDto'>;
  reroute: View<'RerouteDto'>;
  coats: View<'CoatDto'>;
  measures: View<'MeasuresDto'>;
}
export type BatchCommandName = keyof BatchBodies;
export type BatchGiven<K extends BatchCommandName> = Omit<BatchBodies[K], 'version' | 'atMs'>;

type Sender<K extends BatchCommandName> = (id: string, body: BatchBodies[K], headers: KeyHeader) => Promise<View<'BatchDoneView'>>;

const at = (id: string) => ({ path: { id } });

export const SEND: { [K in BatchCommandName]: Sender<K> } = {
  start: (id, body, headers) => ask(client.POST('/api/batches/{id}/start', { params: at(id), body, headers })),
  pause: (id, body, headers) => ask(client.POST('/api/batches/{id}/pause', { params: at(id), body, headers })),
  resume: (id, body, headers) => ask(client.POST('/api/batches/{id}/resume', { params: at(id), body, headers })),
  finish: (id, body, headers) => ask(client.POST('/api/batches/{id}/finish', { params: at(id), body, headers })),
  'finish-some': (id, body, headers) => ask(client.POST('/api/batches/{id}/finish-some', { params: at(id), body, headers })),
  receive: (id, body, headers) => ask(client.POST('/api/batches/{id}/receive', { params: at(id), body, headers })),
  move: (id, body, headers) => ask(client.POST('/api/batches/{id}/move', { params: at(id), body, headers })),
  place: (id, body, headers) => ask(client.POST('/api/batches/{id}/place', { params: at(id), body, headers })),
  accept: (id, body, headers) => ask(client.POST('/api/batches/{id}/accept', { params: at(id), body, headers })),
  'sign-off': (id, body, headers) => ask(client.POST('/api/batches/{id}/sign-off', { params: at(id), body, headers })),
  refuse: (id, body, headers) => ask(client.POST('/api/batches/{id}/refuse', { params: at(id), body, headers })),
  scrap: (id, body, headers) => ask(client.POST('/api/batches/{id}/scrap', { params: at(id), body, headers })),
  split: (id, body, headers) => ask(client.POST('/api/batches/{id}/split', { params: at(id), body, headers })),
  merge: (id, body, headers) => ask(client.POST('/api/batches/{id}/merge', { params: at(id), body, headers })),
  join: (id, body, headers) => ask(client.POST('/api/batches/{id}/join', { params: at(id), body, headers })),
  part: (id, body, headers) => ask(client.POST('/api/batches/{id}/part', { params: at(id), body, headers })),
  refit: (id, body, headers) => ask(client.POST('/api/batches/{id}/refit', { params: at(id), body, headers })),
  send: (id, body, headers) => ask(client.POST('/api/batches/{id}/send', { params: at(id), body, headers })),
  hold: (id, body, headers) => ask(client.POST('/api/batches/{id}/hold', { params: at(id), body, headers })),
  release: (id, body, headers) => ask(client.POST('/api/batches/{id}/release', { params: at(id), body, headers })),
  call: (id, body, headers) => ask(client.POST('/api/batches/{id}/call', { params: at(id), body, headers })),
  undo: (id, body, headers) => ask(client.POST('/api/batches/{id}/undo', { params: at(id), body, headers })),
  reroute: (id, body, headers) => ask(client.POST('/api/batches/{id}/reroute', { params: at(id), body, headers })),
  coats: (id, body, headers) => ask(client.POST('/api/batches/{id}/coats', { params: at(id), body, headers })),
  measures: (id, body, headers) => ask(client.POST('/api/batches/{id}/measures', { params: at(id), body, headers })),
};
