import { useMutation, useQueryClient } from '@tanstack/react-query';
import { createContext, use } from 'react';
import { problemOf, takeChanged, type View } from '../ground/api.ts';
import { send, type BatchBodies, type BatchCommandName, type BatchGiven } from '../ground/batchCommands.ts';
import { Changes } from '../ground/changes.ts';
import { useLostConnection } from '../ground/connection.ts';
import { newKey } from '../ground/newKey.ts';
import { isForLater, sendEntry } from '../ground/outbox.ts';
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
  // A tablet that many use cannot ask the server who this is: it asks them.
  const keep = async (entry: NewEntry) => {
    const { personId } = entry;
    if (session.station !== null && !(await askPin(personId))) return;
    stationOutbox.add(entry, batch.version);
    void stationOutbox.flush(personId);
    done?.();
  };
  const atOnce = useAtOnce(batch.version, keep, done);
  // Who signs off is asked at that moment, and the server has to know them.
  if (!queued || command === 'sign-off') return direct;
  return {
    isPending: atOnce.isPending,
    error: atOnce.error,
    reset: atOnce.reset,
    mutate: (given) => {
      const { personId } = session;
      const entry: NewEntry = { key: newKey(), personId, batchId: batch.id, command, given, atMs: exactNow(), sentence };
      // What was done before goes before.
      const offline = lost !== null || !navigator.onLine || stationOutbox.entries().some((e) => e.state === 'waiting');
      if (!offline) {
        atOnce.mutate(entry);
        return;
      }
      atOnce.reset();
      void keep(entry);
    },
  };
}

type NewEntry = Parameters<typeof stationOutbox.add>[0];

/** Longer than this nobody at a bench waits for an answer: the entry is kept on the device, under the same key. */
const PATIENCE_MS = 4_000;

/** Sends an entry and waits for the answer, so that a refusal is told where it was pressed; without answer it is kept. */
function useAtOnce(version: number, keep: (entry: NewEntry) => Promise<void>, done?: () => void) {
  const queries = useQueryClient();
  return useMutation<unknown, Error, NewEntry>({
    mutationFn: async (entry) => {
      const late = new Promise<'late'>((resolve) => setTimeout(() => resolve('late'), PATIENCE_MS));
      try {
        const answer = await Promise.race([sendEntry({ ...entry, state: 'waiting', version }, version), late]);
        if (answer === 'late') {
          await keep(entry);
          return;
        }
      } catch (error) {
        const problem = problemOf(error);
        // Somebody was quicker: the form stays, on the batch as it is now.
        if (problem.status === 409) void queries.invalidateQueries();
        if (!isForLater(problem)) throw error;
        await keep(entry);
        return;
      }
      done?.();
      await Changes.of(queries).mine(takeChanged(entry.key));
    },
  });
}
