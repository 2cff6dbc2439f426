import type { Batch, JobSetting, SettingSaid, SheetSaid, StepSheet } from '@ample-crane/core';

/** What people note of how they do it: figures somewhere in their bounds, and one of the few tools or jigs there are. */
export const notesOn = (settings: readonly JobSetting[], { number }: Pick<Batch, 'number'>): SettingSaid[] =>
  settings.map(({ id, name, figure }) => {
    if (!figure) return { id, words: `${name} ${1 + (number % 3)}` };
    const share = 0.3 + (0.4 * (number % 5)) / 4;
    return { id, figure: Math.round((figure.low + share * (figure.high - figure.low)) * 10) / 10 };
  });

/** A step's sheet, wholly filled in. */
export const sheetOf = ({ ticks = [], notes = [] }: StepSheet, batch: Pick<Batch, 'number'>): SheetSaid => ({
  ticks: ticks.map((t) => t.key),
  notes: notesOn(notes, batch),
});
