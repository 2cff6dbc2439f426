import { refuse, wrongInput, type Finding, type Refused } from '../ledger/index.ts';
import type { JobSetting, StepSheet } from '../routing/index.ts';
import { said } from '../units/index.ts';
import { settingSentence, strangeSetting, valueOf, type SettingNoted, type SettingSaid } from './settings.ts';

/** What whoever finishes a step says of it, as its sheet asks. */
export interface SheetSaid {
  /** what was ticked, by its keys */
  ticks: readonly string[];
  notes: readonly SettingSaid[];
}

/** A sheet as it was given back: it can be read without the route that asked for it. */
export interface SheetGiven {
  /** in the words that were ticked */
  ticks: readonly string[];
  notes: readonly SettingNoted[];
}

/** The rule of a note out of its bounds, which somebody may accept with a reason: what happened is not made better by hiding it. */
export const SHEET_RULE = 'step sheet';
const NOTHING: SheetSaid = { ticks: [], notes: [] };

interface Given {
  kind: 'given';
  /** null where the step asks for nothing */
  given: SheetGiven | null;
  /** what was noted out of its bounds */
  findings: readonly Finding[];
}

/** What was ticked and noted when a step is finished; or what is missing, or not asked for. */
export function sheetGiven(
  { ticks: asked = [], notes = [] }: StepSheet = {},
  { ticks, notes: told }: SheetSaid = NOTHING,
): Refused | Given {
  const strange = ticks.find((key, i) => !asked.some((t) => t.key === key) || ticks.indexOf(key) !== i);
  if (strange !== undefined) return wrongInput('sheet', `${strange} is not asked for, or ticked twice`);
  const wrong = strangeSetting(notes, told, 'sheet');
  if (wrong) return wrong;
  const values = notes.map((note) => ({
    note,
    value: valueOf(
      note,
      told.find((s) => s.id === note.id),
    ),
  }));
  const unticked = asked.filter((t) => !ticks.includes(t.key)).map((t) => t.text);
  const missing = values.flatMap(({ note, value }) => (value === undefined ? [note.name] : []));
  if (unticked.length > 0 || missing.length > 0)
    return refuse(
      [
        ...(unticked.length === 0 ? [] : [`Not ticked yet: ${unticked.join('; ')}`]),
        ...(missing.length === 0 ? [] : [`Not noted yet: ${missing.join(', ')}`]),
      ].join('. '),
      { rule: SHEET_RULE, field: 'sheet', remedy: "The step's sheet asks for it before it is finished" },
    );
  if (asked.length === 0 && notes.length === 0) return { kind: 'given', given: null, findings: [] };
  return {
    kind: 'given',
    given: {
      ticks: asked.map((t) => t.text),
      notes: values.flatMap(({ note: { id, name, figure }, value }) =>
        value === undefined ? [] : [{ id, name, value, unit: figure?.unit ?? '' }],
      ),
    },
    findings: values.flatMap(({ note, value }) => {
      const off = noteOffInWords(note, value);
      return off === null
        ? []
        : [{ rule: SHEET_RULE, verdict: 'stop', sentence: off, remedy: 'Do it again, or accept it as it is with a reason' } as const];
    }),
  };
}

/** What a note out of its bounds says; null where it lies within, or has none. */
function noteOffInWords({ name, figure }: JobSetting, value: number | string | undefined): string | null {
  if (!figure || typeof value !== 'number' || (value >= figure.low && value <= figure.high)) return null;
  return `${name}: ${said(value, figure.unit)} was noted, ${said(`${figure.low}–${figure.high}`, figure.unit)} is asked for`;
}

/** As it stands after what was counted: "; feed 4 m/min; ticked: dust port open". */
export function sheetSentence(given: SheetGiven | undefined): string {
  if (!given) return '';
  const notes = given.notes.map((note) => `; ${settingSentence(note)}`).join('');
  return `${notes}${given.ticks.length === 0 ? '' : `; ticked: ${given.ticks.join(', ')}`}`;
}
