import { pressedFor, pressedInWords, type Pressed } from '../../carriers/index.ts';
import type { Finding } from '../../ledger/index.ts';
import { formatDuration, HOUR_MS, MINUTE_MS } from '../../units/index.ts';
import { missing, ruleKind, type Evidence, type PressedPiece } from './rule.ts';

/** How long something stays under pressure: as its glue asks, or so many minutes. */
export interface Pressing {
  what: string;
  adhesiveId?: string;
  /** what is glued, where the glue takes another time for it */
  material?: string;
  /** which face is glued, where others of the piece are glued too */
  face?: string;
  /** where no glue decides */
  minutes?: number;
}

/** Under pressure in a rig, each piece, as long as everything in with it asks. */
export const PressedRule = ruleKind('pressed')<Pressing>({
  needs: () => ['pressed', 'temperatures'],
  judge: ({ what }, evidence) => underPressure(what, evidence),
  words: ({ what, adhesiveId, material, minutes }) =>
    minutes !== undefined
      ? `${what} ${formatDuration(minutes * MINUTE_MS)} in a rig`
      : `${what} in a rig as long as ${adhesiveId ?? 'its glue'} asks${material === undefined ? '' : ` for ${material}`}`,
  check: ({ adhesiveId, minutes }, stepName) =>
    (adhesiveId === undefined) === (minutes === undefined)
      ? [`"${stepName}" says either which glue holds it or for how many minutes it is pressed`]
      : [],
  checkWorld({ adhesiveId, material }, stepName, { adhesives }) {
    if (adhesiveId === undefined) return [];
    const glue = adhesives.get(adhesiveId);
    if (glue === undefined) return [`"${stepName}" is glued with ${adhesiveId}, which is no glue on record`];
    return material === undefined || glue.materials.includes(material)
      ? []
      : [`No time is on record for ${material} with the glue of "${stepName}"`];
  },
});

/** Glued long enough ago to be machined or stressed, counted from when the clamps were closed. */
export const GlueSet = ruleKind('glueSet')<{ what: string; adhesiveId: string }>({
  needs: () => ['glued', 'temperatures'],
  judge({ what }, { nowMs, glued, temperatures = [] }) {
    if (glued === undefined) return missing('glueSet', `${what}: nobody could say when it was glued`);
    const known = glued.flatMap((stay) =>
      stay?.laws?.set && stay.closedMs !== null ? [{ law: stay.laws.set, closedMs: stay.closedMs }] : [],
    );
    if (known.length < glued.length || known.length === 0)
      return missing('glueSet', `${what}: ${glued.length - known.length} of ${glued.length} were never closed in a rig`);
    return told('glueSet', what, last(known.map(({ law, closedMs }) => pressedFor([law], closedMs, nowMs, temperatures))), nowMs);
  },
  words: ({ what, adhesiveId }) => `${what} as long as ${adhesiveId} asks before it is machined, counted from when its clamps were closed`,
  checkWorld: ({ adhesiveId }, stepName, { adhesives }) =>
    adhesives.has(adhesiveId) ? [] : [`"${stepName}" waits for ${adhesiveId}, which is no glue on record`],
});

function underPressure(what: string, { nowMs, pressed, temperatures = [] }: Evidence): Finding {
  if (pressed === undefined) return missing('pressed', `${what}: nobody could say what is in which rig`);
  const stays = pressed.flatMap((stay) => stay ?? []);
  const [first] = stays;
  const absent = pressed.length - stays.length;
  if (!first) return missing('pressed', `${what}: not in a rig yet`);
  const open = stays.filter((stay) => stay.closedMs === null);
  if (open[0])
    return missing('pressed', `${what}: ${open.length} of ${pressed.length} in ${open[0].inName ?? 'a rig'}, which is still open`);
  const times = stays.flatMap((stay) =>
    stay.closedMs === null || stay.early ? [] : [pressedFor(stay.laws?.out ?? [], stay.closedMs, nowMs, temperatures)],
  );
  const finding = times.length === 0 ? passed(what, stays) : told('pressed', what, last(times), nowMs);
  if (absent > 0) {
    const sentence = `${what}: ${absent} of ${pressed.length} not in a rig yet; of the others, ${lower(finding.sentence)}`;
    // Nobody can say when what is in none will have had its time.
    return { rule: 'pressed', verdict: 'wait', sentence };
  }
  if (finding.verdict !== 'pass') return finding;
  const still = stays.filter((stay) => stay.inName !== null);
  if (!still[0]) return finding;
  // What is free and still in cannot go on: taking it out is an act of its own.
  return {
    ...finding,
    verdict: 'wait',
    sentence: `${finding.sentence}: take ${still.length === 1 ? 'it' : 'them'} out of ${still[0].inName ?? ''}`,
  };
}

const passed = (what: string, stays: readonly PressedPiece[]): Finding => ({
  rule: 'pressed',
  verdict: 'pass',
  sentence: `${what}; taken out before its time, ${stays.length === 1 ? 'it' : 'all'} with a reason`,
  done: 1,
});

/** The one that is over last. */
const last = (times: readonly Pressed[]): Pressed =>
  times.reduce((latest, one) => ((one.freeMs ?? Infinity) > (latest.freeMs ?? Infinity) ? one : latest));

function told(rule: string, what: string, pressed: Pressed, nowMs: number): Finding {
  const { servedMinutes, neededMinutes, isOver, freeMs, stands, atC } = pressed;
  const done = neededMinutes === 0 ? 1 : Math.min(1, servedMinutes / neededMinutes);
  if (isOver)
    return {
      rule,
      verdict: 'pass',
      sentence: `${what} ${formatDuration(neededMinutes * MINUTE_MS)}`,
      done: 1,
    };
  const why =
    stands === 'cold'
      ? '; the room is too cold, its clock stands'
      : stands === 'silent'
        ? '; its clock stands until the room’s sensor is heard again'
        : '';
  const sentence = `${what} ${pressedInWords(pressed)}${why}`;
  if (freeMs === null) return { rule, verdict: 'wait', sentence, done };
  // How warm the next hour is can be told; the night cannot.
  const sure = atC !== null && freeMs - nowMs > HOUR_MS ? 'forecast' : 'certain';
  return { rule, verdict: 'wait', sentence, untilMs: freeMs, sure, done };
}

const lower = (sentence: string) => sentence.charAt(0).toLowerCase() + sentence.slice(1);
