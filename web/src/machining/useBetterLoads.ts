import type { LoadProblem } from '@ample-crane/core';
import { useEffect, useRef, useState } from 'react';
import type { Orders } from './loadProblem.ts';
import { loadsInWorker } from './loadsInWorker.ts';

const LOOK_FOR_MS = 5_000;

interface BetterLoads {
  /** of the time there is, how much is gone; null while nobody looks */
  share: number | null;
  /** how many plans were tried, when it has ended */
  found: number | null;
  error: Error | null;
  look: () => void;
  stop: () => void;
}

/** Looks for a better plan while the page goes on; what it finds is shown, and kept by nobody but a person. */
export function useBetterLoads(problem: LoadProblem, onFound: (orders: Orders) => void): BetterLoads {
  const [share, setShare] = useState<number | null>(null);
  const [found, setFound] = useState<number | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const end = useRef<() => void>(() => undefined);
  const tried = useRef(0);
  useEffect(() => () => end.current(), []);
  const stop = () => {
    end.current();
    setShare(null);
  };
  const look = () => {
    setError(null);
    setFound(null);
    setShare(0);
    end.current = loadsInWorker(
      { problem, forMs: LOOK_FOR_MS, seed: Math.floor(performance.now()) },
      (told) => {
        if (told.rounds > 0) tried.current = told.rounds;
        if (told.orders === null) {
          setShare(told.share);
          return;
        }
        setShare(null);
        setFound(tried.current);
        onFound(told.orders);
      },
      (failed) => {
        setShare(null);
        setError(failed);
      },
    );
  };
  return { share, found, error, look, stop };
}
