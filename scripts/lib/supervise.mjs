const MINUTE_MS = 60_000;
const MOST_A_MINUTE = 5;
const PAUSE_MS = 500;

/**
 * Keeps something running: when it ends without having been asked to, it is started again, five times a minute at most.
 *
 * @param name what is told of it
 * @param start starts it; gives its handle, of which `exited` resolves when it has ended
 * @param isStopping whether everything is being stopped
 * @returns the first handle's successor on demand, and a promise that resolves, with why, when it cannot be kept running
 */
export async function supervise(name, start, isStopping, say = console.error) {
  let handle = await start();
  const givenUp = (async () => {
    const starts = [];
    for (;;) {
      const code = await handle.exited;
      if (isStopping()) return undefined;
      for (;;) {
        const now = Date.now();
        while (starts.length > 0 && now - starts[0] > MINUTE_MS) starts.shift();
        if (starts.length >= MOST_A_MINUTE) return `The ${name} ended ${MOST_A_MINUTE + 1} times within a minute; see what it said above.`;
        starts.push(now);
        say(`The ${name} has ended (${code ?? 'killed'}); starting it again, ${starts.length} of ${MOST_A_MINUTE} this minute…`);
        await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
        if (isStopping()) return undefined;
        try {
          handle = await start(handle);
          say(`The ${name} runs again.`);
          break;
        } catch (error) {
          say(`The ${name} did not start: ${error.message}`);
        }
      }
    }
  })();
  return { current: () => handle, givenUp };
}
