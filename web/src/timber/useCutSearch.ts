import type { BoardPlan } from '@ample-crane/core';
import { useEffect, useRef, useState } from 'react';
import { planInWorker, type CutsAsked } from './planInWorker.ts';

/** How long the planner goes on looking, unless it is stopped. */
const SEARCH_MS = 8_000;

/** A search for cuts as the page follows it. */
export interface CutSearch {
  /** of its time, how much is gone; null while nothing is searched for */
  share: number | null;
  error: Error | null;
  begin: (question: Omit<CutsAsked, 'forMs'>) => void;
  /** the best so far stays */
  stop: () => void;
}

/** Looks for the best cuts while the page goes on; it ends with the page. */
export function useCutSearch(onBetter: (plans: BoardPlan[]) => void): CutSearch {
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const running = useRef<() => void>(undefined);
  useEffect(() => () => running.current?.(), []);
  const end = () => {
    running.current?.();
    running.current = undefined;
    setShare(null);
  };
  return {
    share,
    error,
    begin(question) {
      running.current?.();
      setError(null);
      setShare(0);
      running.current = planInWorker(
        { ...question, forMs: SEARCH_MS },
        ({ share: gone, plans }) => {
          if (plans) onBetter(plans);
          setShare(gone < 1 ? gone : null);
        },
        (cause) => {
          setError(cause);
          end();
        },
      );
    },
    stop: end,
  };
}
