import { Button, Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { KeyHeader } from '../ground/queries.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FigureIn, figureIn } from '../parts/fields.tsx';

interface Figure<Name extends string> {
  name: Name;
  label: string;
  min: number;
  max: number;
  whole?: boolean;
}

interface Props<Name extends string> {
  figures: readonly Figure<Name>[];
  /** as they are now */
  values: Readonly<Record<Name, number>>;
  submit: string;
  editable: boolean;
  /** what saving them changes for work in progress, and what it leaves */
  changes: string;
  save: (figures: Record<Name, number>, headers: KeyHeader) => Promise<unknown>;
}

/** A few figures that the factory decides on, saved together. */
export function FigureSheet<Name extends string>({ figures, values, submit, editable, changes, save }: Props<Name>) {
  const texts = Object.fromEntries(figures.map(({ name }) => [name, String(values[name])]));
  const { control, handleSubmit, formState } = useForm<Record<string, string>>({ values: texts, resetOptions: { keepDirtyValues: true } });
  const command = useCommand(save);
  const keep = (typed: Record<string, string>) =>
    command.mutate(Object.fromEntries(figures.map(({ name }) => [name, figureIn(typed[name] ?? '')])) as Record<Name, number>);
  return (
    <form onSubmit={(event) => void handleSubmit(keep)(event)} noValidate>
      <Stack spacing={1.5}>
        <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
          {figures.map(({ name, label, min, max, whole = false }) => (
            <FigureIn
              key={name}
              control={control}
              name={name}
              label={label}
              min={min}
              max={max}
              whole={whole}
              disabled={!editable}
              sx={{ width: 190 }}
            />
          ))}
        </Stack>
        <Typography variant="body2" color="text.secondary" sx={{ maxWidth: '80ch' }}>
          {changes}
        </Typography>
        {command.error && <ErrorNote error={command.error} />}
        {editable && (
          <Button type="submit" variant="contained" sx={{ alignSelf: 'start' }} disabled={!formState.isDirty} loading={command.isPending}>
            {submit}
          </Button>
        )}
      </Stack>
    </form>
  );
}
