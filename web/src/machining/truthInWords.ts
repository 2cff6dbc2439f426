import { BATCHES_FOR_A_PLAN } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import { counted } from '../parts/words.ts';

/** A change by less says nothing. */
const WORTH_TELLING = 0.05;

const minutes = (m: number): string => m.toFixed(m < 10 ? 1 : 0);
/** "41 min (half of them between 38 and 45, 12 batches)". */
function spread({ medianMinutes, lowMinutes, highMinutes, count }: View<'ObservedView'>): string {
  const [low, high] = [minutes(lowMinutes), minutes(highMinutes)];
  const between = low === high ? '' : `half of them between ${low} and ${high}, `;
  return `${minutes(medianMinutes)} min (${between}${counted(count, 'batch', 'batches')})`;
}

/** What loads of a revision took at a station, against what was planned. */
export function truthInWords({ load, setUp, quoted }: View<'TimeTruthView'>, plannedMinutes: number): string {
  const said: string[] = [];
  if (load) said.push(`a full load takes ${spread(load)}${against(load, plannedMinutes)}`);
  if (setUp) said.push(`setting up ${spread(setUp)}`);
  if (quoted) said.push(`whoever began it expected ${minutes(quoted.medianMinutes)} min, ${counted(quoted.count, 'time')}`);
  return `${said.join('; ')}.`;
}

/** How far observed minutes are from planned ones; nothing where too few were observed, or they agree. */
function against({ medianMinutes, count }: View<'ObservedView'>, plannedMinutes: number): string {
  if (count < BATCHES_FOR_A_PLAN || plannedMinutes <= 0) return '';
  const off = medianMinutes / plannedMinutes - 1;
  if (Math.abs(off) < WORTH_TELLING) return ', as planned';
  return `, ${Math.abs(off * 100).toFixed(0)} % ${off > 0 ? 'longer' : 'shorter'} than planned`;
}
