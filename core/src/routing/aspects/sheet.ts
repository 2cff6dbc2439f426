import { isFinished, type Step } from '../step.ts';
import type { AspectKind } from './aspect.ts';
import { settingInWords, wrongSettings, type JobSetting } from './settings.ts';

/** A picture kept with the factory's pictures, and what is to be seen on it. */
export interface SheetPicture {
  id: string;
  caption: string;
}

/** What whoever finishes the step vouches for. */
export interface SheetTick {
  key: string;
  text: string;
}

/** How a step is done, for whoever stands at its bench. A batch keeps the sheet of the route version it is made by. */
export interface StepSheet {
  /** what is done, in order */
  instructions?: readonly string[];
  pictures?: readonly SheetPicture[];
  /** what must be ticked before the step is finished */
  ticks?: readonly SheetTick[];
  /** what is noted when it is finished, of how it went: a speed, water, a feed */
  notes?: readonly JobSetting[];
  /** what to look for */
  lookFor?: readonly string[];
  /** what looks bad now, and is as it should be at this point */
  looksBadNow?: readonly string[];
  /** what ends the piece */
  endsPiece?: readonly string[];
}

const LISTS = { instructions: 'instructions', lookFor: 'to look for', looksBadNow: 'looks bad now', endsPiece: 'ends the piece' } as const;
const SHEET_LISTS = Object.keys(LISTS) as (keyof typeof LISTS)[];

const twice = (names: readonly string[]): string | undefined => names.find((name, i) => names.indexOf(name) !== i);
const isBlank = (text: string): boolean => text.trim() === '';

export const sheet: AspectKind<'sheet', StepSheet> = {
  key: 'sheet',
  name: 'step sheet',
  words(told) {
    if (!told) return '—';
    const { pictures = [], ticks = [], notes = [] } = told;
    const parts = [
      ...SHEET_LISTS.flatMap((key) => {
        const lines = told[key] ?? [];
        return lines.length === 0 ? [] : [`${LISTS[key]}: ${lines.join(' / ')}`];
      }),
      ...(pictures.length === 0 ? [] : [`pictures: ${pictures.map((p) => p.caption).join(' / ')}`]),
      ...(ticks.length === 0 ? [] : [`ticked: ${ticks.map((t) => t.text).join(' / ')}`]),
      ...(notes.length === 0 ? [] : [`noted at the end: ${notes.map(settingInWords).join(' / ')}`]),
    ];
    return parts.length === 0 ? '—' : parts.join('; ');
  },
  check({ ticks = [], notes = [], pictures = [], ...told }, step: Step) {
    const { name } = step;
    const again = twice(ticks.map((t) => t.key)) ?? twice(ticks.map((t) => t.text.trim()));
    const lines = SHEET_LISTS.flatMap((key) => told[key] ?? []);
    const empty = [...lines, ...ticks.map((t) => t.text)].some(isBlank);
    return [
      ...(isFinished(step) || (ticks.length === 0 && notes.length === 0)
        ? []
        : [`Nobody finishes "${name}": nothing can be ticked or noted there`]),
      ...(again === undefined ? [] : [`The sheet of "${name}" asks twice for the same tick`]),
      ...(empty ? [`The sheet of "${name}" has an empty line`] : []),
      ...(pictures.some((p) => isBlank(p.caption)) ? [`A picture of "${name}" does not say what is to be seen on it`] : []),
      ...wrongSettings(notes, name),
    ];
  },
};
