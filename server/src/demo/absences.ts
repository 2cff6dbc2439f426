import { DAY_MS, type Interval } from '@ample-crane/core';
import { DEMO_PEOPLE } from './people.ts';

const WEEK_MS = 7 * DAY_MS;
const WEEKS_EACH = 2;

/**
 * When everyone at the works is away over a stretch: two weeks each, agreed so that people who can do the same are not
 * away together, and whoever alone can do something goes in the slack first weeks.
 *
 * @returns for each person, in the order of the demo's list
 */
export function demoAbsences(fromMs: number, toMs: number): Interval[][] {
  const weeks = Math.floor((toMs - fromMs) / WEEK_MS);
  const taken: number[][] = [];
  for (const { skills } of DEMO_PEOPLE) {
    const mates = DEMO_PEOPLE.slice(0, taken.length).map((p) => p.skills.filter((s) => skills.includes(s)).length);
    const alone = skills.some((s) => DEMO_PEOPLE.filter((p) => p.skills.includes(s)).length === 1);
    const clashes = (week: number) =>
      taken.reduce((sum, theirs, i) => sum + (theirs.includes(week) ? (mates[i] ?? 0) * weeks + 1 : 0), 0) + (alone ? week * 0.5 : 0);
    const own: number[] = [];
    for (let n = 0; n < (skills.length > 0 ? WEEKS_EACH : 0); n++) {
      const free = Array.from({ length: weeks }, (_, week) => week).filter((week) => !own.includes(week));
      own.push(free.reduce((best, week) => (clashes(week) < clashes(best) ? week : best), free[0] ?? 0));
    }
    taken.push(own);
  }
  return taken.map((own) =>
    own.sort((a, b) => a - b).map((week) => ({ fromMs: fromMs + week * WEEK_MS, toMs: fromMs + week * WEEK_MS + 5 * DAY_MS })),
  );
}
