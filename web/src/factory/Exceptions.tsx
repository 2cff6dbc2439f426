import { LOT_USES, woodMeantInWords } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, FigureIn, figureIn, idChoices, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { LOTS_AT_ONCE, MoistureFields } from './MoistureFields.tsx';

type Exception = View<'MoistureExceptionDto'>;

const bandOf = (e: Exception) =>
  e.bandSchool === 'fixed' ? `${e.fixedLowPct}–${e.fixedHighPct} %` : `shop EMC ± ${e.halfWidthPct} points`;

/** Uses, forms and thicknesses of wood that are judged by rules of their own. */
export function Exceptions({ setup, editable }: { setup: View<'SetupView'>; editable: boolean }) {
  const [open, setOpen] = useState<Exception | 'new' | null>(null);
  // What was there when the dialog opened: what others change meanwhile is not overwritten.
  const [seen, setSeen] = useState('');
  const begin = (exception: Exception | 'new') => {
    setSeen(setup.tags.exceptions);
    setOpen(exception);
  };
  const save = useCommand(
    (exceptions: Exception[], headers) =>
      ask(
        client.PUT('/api/settings/moisture-exceptions', {
          body: { exceptions, seen: open === null ? setup.tags.exceptions : seen },
          headers,
        }),
      ),
    () => setOpen(null),
  );
  const others = setup.exceptions.filter((e) => e !== open);
  return (
    <Stack spacing={1}>
      {setup.exceptions.length === 0 && <Typography color="text.secondary">None: every lot is judged alike.</Typography>}
      {setup.exceptions.map((e) => (
        <Box key={woodMeantInWords(e)} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Typography sx={{ flex: 1 }}>
            {woodMeantInWords(e)}: {bandOf(e)}, by {e.gateSchool}
          </Typography>
          {editable && <Button onClick={() => begin(e)}>Change</Button>}
          {editable && (
            <Button color="error" loading={save.isPending} onClick={() => save.mutate(setup.exceptions.filter((o) => o !== e))}>
              Drop
            </Button>
          )}
        </Box>
      ))}
      {save.error && open === null && <ErrorNote error={save.error} />}
      {editable && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => begin('new')}>
          Add rules for a use, form or thickness
        </Button>
      )}
      {open !== null && (
        <ExceptionDialog
          exception={open === 'new' ? { ...setup.moisture, use: 'top', form: null } : open}
          pending={save.isPending}
          error={save.error}
          onSave={(exception) => save.mutate([...others, exception])}
          onClose={() => {
            save.reset();
            setOpen(null);
          }}
        />
      )}
    </Stack>
  );
}

interface DialogProps {
  exception: Exception;
  pending: boolean;
  error: unknown;
  onSave: (exception: Exception) => void;
  onClose: () => void;
}

function ExceptionDialog({ exception, pending, error, onSave, onClose }: DialogProps) {
  const { use, form, fromMm, ...moisture } = exception;
  const where = useForm({ defaultValues: { use: use ?? '', form: form ?? '', from: fromMm == null ? '' : String(fromMm) } });
  const { control, handleSubmit } = useForm<View<'MoistureDto'>>({ values: moisture });
  const save = handleSubmit((rules) => {
    const said = where.getValues();
    onSave({
      ...rules,
      use: LOT_USES.find((u) => u === said.use) ?? null,
      form: said.form.trim() === '' ? null : said.form.trim(),
      fromMm: said.from.trim() === '' ? null : figureIn(said.from),
    });
  });
  return (
    <FormDialog
      title="Rules of their own"
      changes={LOTS_AT_ONCE}
      submit="Keep"
      pending={pending}
      error={error}
      onSubmit={() => void save()}
      onClose={onClose}
    >
      <ChoiceIn control={where.control} name="use" label="Wood for" choices={[['', 'any use'], ...idChoices(LOT_USES)]} />
      <TextIn control={where.control} name="form" label="Form" helperText="As lots are received; empty for any" />
      <FigureIn control={where.control} name="from" label="Of this thickness or more, mm" min={1} max={150} optional />
      <MoistureFields control={control} />
    </FormDialog>
  );
}
