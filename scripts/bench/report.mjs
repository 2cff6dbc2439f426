/** What the figures are held against. */
export const TARGETS = {
  thousandFitsS: 2,
  packPlannedS: 1,
  woodRoomP95Ms: 150,
  decideMs: 1,
  replayS: 5,
  rebuildS: 180,
  rebuildMb: 700,
  apiP95Ms: 100,
  apiWhileLoggingP95Ms: 200,
  shellKb: 250,
  chunkKb: 150,
  chartMs: 100,
  loadsMs: 1000,
};

export const seconds = (work) => {
  const began = process.hrtime.bigint();
  work();
  return Number(process.hrtime.bigint() - began) / 1e9;
};

/** One line of the report; with a target, whether it is met. */
export const line = (what, value, target, ok) =>
  console.log(`${what.padEnd(62)} ${value.padStart(24)}   ${target === undefined ? '' : `${ok ? 'within' : 'OVER'} ${target}`}`);

export const quantile = (sorted, p) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * p))];

/** A fixed piece of arithmetic, to say how fast this machine is at this moment. */
export function baseline() {
  return seconds(() => {
    let x = 0;
    for (let i = 0; i < 30_000_000; i++) x = (x * 1103515245 + 12345) % 2147483648;
    if (x < 0) throw new Error('unreachable');
  });
}
