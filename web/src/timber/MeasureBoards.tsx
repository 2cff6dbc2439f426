import { Button, Typography } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { parseBoards } from './parseBoards.ts';

/** Boards typed one a line, as they are called out over the tape. */
export function MeasureBoards({ card }: { card: View<'LotCardView'> }) {
  const [open, setOpen] = useState(false);
  const { control, handleSubmit, reset } = useForm({ defaultValues: { text: '' } });
  const typed = useTyped(control);
  const { lot } = card;
  const measure = useCommand(
    (body: View<'BoardsDto'>, headers) => ask(client.POST('/api/lots/{id}/boards', { params: { path: { id: lot.id } }, body, headers })),
    () => {
      setOpen(false);
      reset();
    },
  );
  const { boards, problems } = parseBoards(typed.text, lot.thicknessMm);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Measure boards…
      </Button>
      {open && (
        <FormDialog
          title={`Boards of lot ${lot.id}`}
          submit={`Keep ${boards.length > 0 ? boards.length : ''} boards`}
          width="sm"
          disabled={boards.length === 0 || problems.length > 0}
          pending={measure.isPending}
          error={measure.error}
          onSubmit={() => void handleSubmit(() => measure.mutate({ version: lot.version, boards }))()}
          onClose={() => setOpen(false)}
        >
          <Typography>
            One board a line: length, width left, width right, thickness, in mm. Then its faults, each as length × width @ from the left
            end, from the lower edge. <code>2400 210 195 52 knot 60x40@820,90</code>
          </Typography>
          <TextIn
            control={control}
            name="text"
            label="Boards"
            multiline
            minRows={5}
            autoFocus
            error={problems.length > 0}
            helperText={problems.join('. ') || `${boards.length} understood. Width right and thickness may be left out.`}
          />
        </FormDialog>
      )}
    </>
  );
}
