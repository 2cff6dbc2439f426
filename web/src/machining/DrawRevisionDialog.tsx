import { Button, IconButton, Stack, Typography } from '@mui/material';
import { useFieldArray, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useCutters } from '../ground/queries.ts';
import { FieldRow, FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { PlannedFields, plannedIn, plannedTyped } from './PlannedFields.tsx';

const NOTHING = { setUp: 0, load: 0, run: 0, unload: 0 };

/** Puts a revision on record as it was drawn; what the one before said stands there first. */
export function DrawRevisionDialog({ program: { line, revisions }, onClose }: { program: View<'ProgramView'>; onClose: () => void }) {
  const [before] = revisions;
  const cutters = useCutters().data ?? [];
  const { control, handleSubmit } = useForm({
    defaultValues: {
      why: '',
      file: '',
      fixture: before?.fixture ?? '',
      piecesALoad: String(before?.piecesALoad ?? 1),
      cutters: (before?.cutters ?? []).map((c) => ({ cutter: c.cutter, minutes: String(c.minutes) })),
      ...plannedTyped(before?.planned ?? NOTHING),
    },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'cutters' });
  const draw = useCommand((body: View<'DrawRevisionDto'>, headers) => ask(client.POST('/api/programs/draw', { body, headers })), onClose);
  const submit = handleSubmit((typed) =>
    draw.mutate({
      programId: line.id,
      version: line.version,
      why: typed.why.trim(),
      file: typed.file.trim(),
      fixture: typed.fixture.trim(),
      piecesALoad: figureIn(typed.piecesALoad),
      cutters: typed.cutters.map((c) => ({ cutter: c.cutter.trim(), minutes: figureIn(c.minutes) })),
      planned: plannedIn(typed),
    }),
  );
  return (
    <FormDialog
      title={`A revision of ${line.what}`}
      submit="Put on record"
      width="sm"
      pending={draw.isPending}
      error={draw.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes="Work goes on with the released revision until this one is checked, its first piece measured, and it is released."
    >
      <TextIn control={control} name="why" label="What it is for, or what it changes" rules={{ required: 'Needed' }} autoFocus />
      <FieldRow>
        <TextIn control={control} name="file" label="File, as the machine calls it" />
        <TextIn control={control} name="fixture" label="Fixture" />
      </FieldRow>
      <FigureIn control={control} name="piecesALoad" label="Pieces a load" whole min={1} />
      <PlannedFields control={control} names={{ setUp: 'setUp', load: 'load', run: 'run', unload: 'unload' }} />
      <Typography variant="h3" sx={{ fontSize: '1rem' }}>
        Cutters, and how long each cuts in a load
      </Typography>
      {fields.map((field, i) => (
        <Stack key={field.id} direction="row" spacing={1} role="group" aria-label={`Cutter ${i + 1}`} sx={{ alignItems: 'start' }}>
          <TextIn
            control={control}
            name={`cutters.${i}.cutter`}
            label="Cutter"
            known={[...new Set(cutters.map((c) => c.kind))]}
            rules={{ required: 'Needed' }}
            sx={{ flex: 2 }}
          />
          <FigureIn control={control} name={`cutters.${i}.minutes`} label="Minutes" positive sx={{ flex: 1 }} />
          <IconButton aria-label={`Drop cutter ${i + 1}`} onClick={() => remove(i)} sx={{ mt: 0.5 }}>
            ×
          </IconButton>
        </Stack>
      ))}
      <Button sx={{ alignSelf: 'start' }} onClick={() => append({ cutter: '', minutes: '' })}>
        Add a cutter
      </Button>
    </FormDialog>
  );
}
