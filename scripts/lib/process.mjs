import { readFileSync } from 'node:fs';

function read(path) {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return undefined;
  }
}

/** When a process began, in the kernel's ticks: with its id, a name that no later process has. Undefined when it is gone. */
export function startOf(pid) {
  const stat = read(`/proc/${pid}/stat`);
  const [state, ...rest] = stat?.slice(stat.lastIndexOf(')') + 2).split(' ') ?? ['Z'];
  // The 22nd field, of which the first two stand before the state.
  return state === 'Z' ? undefined : rest[18];
}

/** Whether a process lives whose command line mentions a text. */
export const isRunning = (pid, text) => startOf(pid) !== undefined && (read(`/proc/${pid}/cmdline`) ?? '').includes(text);
