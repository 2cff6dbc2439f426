/** What a worker tells while it searches. */
export interface Searched {
  /** of the time there is, how much is gone; 1 when it has ended */
  share: number;
}

/**
 * Sets a worker to a search, which tells what it comes upon until its time is over.
 *
 * @returns ends the search; nothing is told any more after it
 */
export function askWorker<Found extends Searched>(
  worker: Worker,
  asked: unknown,
  onFound: (found: Found) => void,
  onError: (error: Error) => void,
): () => void {
  worker.addEventListener('message', ({ data }: MessageEvent<Found>) => {
    if (data.share >= 1) worker.terminate();
    onFound(data);
  });
  worker.addEventListener('error', (event) => {
    worker.terminate();
    onError(new Error(event.message));
  });
  worker.postMessage(asked);
  return () => worker.terminate();
}
