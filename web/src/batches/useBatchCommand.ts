import { createContext, use } from 'react';
import type { View } from '../ground/api.ts';
import { send, type BatchBodies, type BatchCommandName, type BatchGiven } from '../ground/batchCommands.ts';
import { useLostConnection } from '../ground/connection.ts';
import { newKey } from '../ground/newKey.ts';
import { askPin } from '../ground/pinAsked.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { stationOutbox } from '../ground/stationOutbox.ts';

/** Whether commands go through the device's outbox, as at a station whose network may be gone. */
export const ByOutbox = createContext(false);

interface BatchCommand<K extends BatchCommandName> {
  mutate: (given: BatchGiven<K>) => void;
  isPending: boolean;
  error: Error | null;
  reset: () => void;
}

/**
 * A command on a batch, on the version that is on screen: sent at once and answered, or, at a station, put in the outbox.
 *
 * @param sentence what the entry says while it waits to be sent
 */
export function useBatchCommand<K extends BatchCommandName>(
  command: K,
  batch: Pick<View<'BatchView'>, 'id' | 'version'>,
  sentence: string,
  done?: () => void,
): BatchCommand<K> {
  const queued = use(ByOutbox);
  const { session, exactNow } = useSession();
  const lost = useLostConnection();
  const direct = useCommand(
    (given: BatchGiven<K>, headers) => send(command, batch.id, { ...given, version: batch.version } as unknown as BatchBodies[K], headers),
    done,
  );
  // Who signs off is asked at that moment, and the server has to know them.
  if (!queued || command === 'sign-off') return direct;
  return {
    isPending: false,
    error: null,
    reset: () => undefined,
    mutate: (given) => {
      const { personId } = session;
      const add = () => {
        stationOutbox.add({ key: newKey(), personId, batchId: batch.id, command, given, atMs: exactNow(), sentence }, batch.version);
        void stationOutbox.flush(personId);
        done?.();
      };
      // A tablet that many use cannot ask the server who this is: it asks them.
      const offline = lost !== null || !navigator.onLine || stationOutbox.entries().some((e) => e.state === 'waiting');
      if (session.station !== null && offline) void askPin(personId).then((confirmed) => confirmed && add());
      else add();
    },
  };
}
