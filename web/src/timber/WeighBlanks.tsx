import { Button } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface Weighed {
  blank: View<'BlankView'>;
  massG: number;
}

/** Reads `L146-14.1=5120 L146-14.2=4980`: a blank and its grams. */
export function parseWeights(text: string, blanks: readonly View<'BlankView'>[]): { weighed: Weighed[]; problems: string[] } {
  const weighed: Weighed[] = [];
  const problems: string[] = [];
  for (const word of text.split(/[\s;]+/).filter((w) => w !== '')) {
    const [id = '', grams = ''] = word.split('=');
    const blank = blanks.find((b) => b.id.toUpperCase() === id.toUpperCase());
    const massG = Number(grams.replace(',', '.'));
    if (!blank) problems.push(`There is no blank ${id} here`);
    else if (!(massG > 0)) problems.push(`"${word}" has no grams`);
    else weighed.push({ blank, massG });
  }
  return { weighed, problems };
}

/** Blanks on the scale, one after another. */
export function WeighBlanks({ blanks }: { blanks: readonly View<'BlankView'>[] }) {
  const [open, setOpen] = useState(false);
  const { control, handleSubmit, reset } = useForm({ defaultValues: { text: '' } });
  const typed = useTyped(control);
  const weigh = useCommand(
    (body: View<'WeighDto'>, headers) => ask(client.POST('/api/blanks/weigh', { body, headers })),
    () => {
      setOpen(false);
      reset();
    },
  );
  const { weighed, problems } = parseWeights(typed.text, blanks);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Weigh…</Button>
      {open && (
        <FormDialog
          title="Weigh blanks"
          submit={`Keep ${weighed.length === 0 ? '' : weighed.length} weights`}
          disabled={weighed.length === 0 || problems.length > 0}
          pending={weigh.isPending}
          error={weigh.error}
          onSubmit={() =>
            void handleSubmit(() =>
              weigh.mutate({ blanks: weighed.map(({ blank, massG }) => ({ id: blank.id, version: blank.version, massG })) }),
            )()
          }
          onClose={() => setOpen(false)}
        >
          <TextIn
            control={control}
            name="text"
            label="Blank=grams"
            multiline
            minRows={3}
            autoFocus
            error={problems.length > 0}
            helperText={
              problems.join('. ') || 'For instance L146-14.1=5120 L146-14.2=4980. Moisture is taken from the lot’s latest session.'
            }
          />
        </FormDialog>
      )}
    </>
  );
}
