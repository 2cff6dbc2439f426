import { sheetGiven } from '@ample-crane/core';
import { Stack, Typography } from '@mui/material';
import type { Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { TicksIn } from '../parts/fields.tsx';
import { SettingFields, settingsSaid, type SettingsTyped } from './SettingFields.tsx';

type Sheet = View<'SheetView'>;

export interface SheetTyped extends SettingsTyped {
  ticks: string[];
}

/** An empty sheet, with a field for each note. */
export const emptySheet = (sheet: Sheet | null): SheetTyped => ({ ticks: [], settings: (sheet?.notes ?? []).map(() => ({ text: '' })) });

/** Whether a sheet asks for anything when its step is finished. */
export const asks = (sheet: Sheet | null): sheet is Sheet => sheet !== null && (sheet.ticks.length > 0 || sheet.notes.length > 0);

/** What a sheet asks of whoever finishes its step. */
export function SheetFields({ control, sheet }: { control: Control<SheetTyped>; sheet: Sheet }) {
  return (
    <Stack spacing={1} role="group" aria-label="What the sheet asks for">
      {sheet.ticks.length > 0 && (
        <TicksIn control={control} name="ticks" label="Vouched for" choices={sheet.ticks.map((t) => [t.key, t.text])} />
      )}
      {sheet.notes.length > 0 && (
        <>
          <Typography color="text.secondary">Noted of how it went:</Typography>
          <SettingFields control={control as unknown as Control<SettingsTyped>} settings={sheet.notes} past />
        </>
      )}
    </Stack>
  );
}

/** A sheet as it will be judged: what is sent, whether it is whole, and what lies out of its bounds. */
export function sheetBack(sheet: Sheet | null, typed: SheetTyped) {
  if (!asks(sheet)) return { said: undefined, isIncomplete: false, off: [] };
  const given = settingsSaid(sheet.notes, typed).filter((n) => ('figure' in n ? Number.isFinite(n.figure) : n.words !== ''));
  const said = { ticks: typed.ticks, notes: given };
  const notes = sheet.notes.map(({ id, name, figure }) => ({ id, name, ...(figure ? { figure } : {}) }));
  const back = sheetGiven({ ticks: sheet.ticks, notes }, said);
  return back.kind === 'refuse'
    ? { said, isIncomplete: true, off: [] }
    : { said, isIncomplete: false, off: back.findings.map((f) => f.sentence) };
}
