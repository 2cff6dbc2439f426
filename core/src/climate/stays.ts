import { emcAt, type EmcTrace } from './emcTrace.ts';

/** From when something lay in a zone. */
export interface Stay {
  fromMs: number;
  trace: EmcTrace;
}

/**
 * The climate something has lived through in one zone after another. Of a single stay it is that zone's own trace.
 *
 * @param stays in time order, at least one
 * @throws RangeError without a stay
 */
export function livedThrough(stays: readonly Stay[]): EmcTrace {
  const [first, another] = stays;
  const last = stays.at(-1);
  if (!first || !last) throw new RangeError('Nothing lies nowhere');
  if (!another) return first.trace;
  const { stepMs } = last.trace;
  const fromMs = Math.floor(first.fromMs / stepMs) * stepMs;
  const toMs = last.trace.fromMs + last.trace.emcPct.length * stepMs;
  const emcPct = new Float64Array(Math.max(1, Math.round((toMs - fromMs) / stepMs)));
  let stay = 0;
  for (let i = 0; i < emcPct.length; i++) {
    const middleMs = fromMs + (i + 0.5) * stepMs;
    while ((stays[stay + 1]?.fromMs ?? Infinity) <= middleMs) stay++;
    emcPct[i] = emcAt(stays[stay]?.trace ?? last.trace, middleMs);
  }
  const gaps = stays.flatMap(({ trace, fromMs: begin }, i) => {
    const end = stays[i + 1]?.fromMs ?? Infinity;
    return trace.gaps.filter((g) => g.toMs > begin && g.fromMs < end);
  });
  return { fromMs, stepMs, emcPct, gaps };
}
