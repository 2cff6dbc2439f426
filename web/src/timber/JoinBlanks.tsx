import { formatLength } from '@ample-crane/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { FigureIn, figureIn, SeveralIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

/** What jointing takes of both edges together. */
const JOINT_MM = '2';

/** Halves are glued edge to edge before anybody says what they become. */
export function JoinBlanks({ blanks }: { blanks: readonly View<'BlankView'>[] }) {
  const { units } = useSession();
  const [open, setOpen] = useState(false);
  const { control, handleSubmit, reset } = useForm<{ chosen: string[]; joint: string }>({ defaultValues: { chosen: [], joint: JOINT_MM } });
  const { chosen, joint } = useTyped(control);
  const join = useCommand(
    (body: View<'JoinBlanksDto'>, headers) => ask(client.POST('/api/blanks/join', { body, headers })),
    () => {
      setOpen(false);
      reset();
    },
  );
  const free = blanks.filter((b) => b.orderId === null);
  const picked = chosen.flatMap((id) => free.find((b) => b.id === id) ?? []);
  const widthMm = picked.reduce((sum, b) => sum + b.widthMm, 0) - figureIn(joint) * (picked.length - 1);
  return (
    <>
      <Button onClick={() => setOpen(true)} disabled={free.length < 2}>
        Join…
      </Button>
      {open && (
        <FormDialog
          title="Join blanks edge to edge"
          submit={picked.length < 2 ? 'Join' : `Join as one ${formatLength(widthMm, units)} wide`}
          changes="What comes of it is a blank of its own, bound to nothing: weigh it, then it becomes whatever it is large enough for."
          disabled={picked.length < 2 || !Number.isFinite(widthMm)}
          pending={join.isPending}
          error={join.error}
          onSubmit={() =>
            void handleSubmit(() => join.mutate({ blanks: picked.map(({ id, version }) => ({ id, version })), jointMm: figureIn(joint) }))()
          }
          onClose={() => setOpen(false)}
        >
          <SeveralIn
            control={control}
            name="chosen"
            label="Blanks, side by side"
            choices={free.map((b) => [b.id, `${b.id}, ${formatLength(b.widthMm, units)} wide`])}
          />
          <FigureIn control={control} name="joint" label="Taken at each joint, mm" min={0} max={50} />
        </FormDialog>
      )}
    </>
  );
}
