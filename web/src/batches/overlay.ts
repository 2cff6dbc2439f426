import type { View } from '../ground/api.ts';
import type { OutboxEntry } from '../ground/outbox.ts';

type Batch = View<'BatchView'>;

/** A batch as it will be once what waits in the outbox is sent. */
export interface Seen {
  status: Batch['status'];
  accepted: boolean;
  /** entries that wait to be sent for it */
  waiting: number;
  /** it has gone on from here, as far as this device knows */
  gone: boolean;
}

/** What a person at the station sees: the last the server told, and what they have done since. */
export function asSeen(batch: Pick<Batch, 'id' | 'status' | 'accepted'>, entries: readonly OutboxEntry[]): Seen {
  const own = entries.filter((e) => e.batchId === batch.id && e.state !== 'aside');
  const seen: Seen = { status: batch.status, accepted: batch.accepted, waiting: own.length, gone: false };
  for (const { command } of own) {
    if (command === 'start' || command === 'resume') {
      seen.status = 'running';
      seen.accepted = true;
    } else if (command === 'pause') seen.status = 'paused';
    else if (command === 'accept') seen.accepted = true;
    else if (command === 'finish' || command === 'move' || command === 'refuse') seen.gone = true;
  }
  return seen;
}
