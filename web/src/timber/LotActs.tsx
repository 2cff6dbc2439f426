import { Button } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup, useZones } from '../ground/queries.ts';
import { ChoiceIn, FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

const orNothing = (text: string) => (text.trim() === '' ? null : text.trim());

/** What can be done with a lot besides reading it: take it elsewhere, say more of it. */
export function LotActs({ card }: { card: View<'LotCardView'> }) {
  const [open, setOpen] = useState<'move' | 'describe' | null>(null);
  return (
    <>
      <Button onClick={() => setOpen('describe')}>Describe…</Button>
      <Button onClick={() => setOpen('move')}>Move…</Button>
      {open === 'move' && <MoveDialog card={card} onClose={() => setOpen(null)} />}
      {open === 'describe' && <DescribeDialog card={card} onClose={() => setOpen(null)} />}
    </>
  );
}

function MoveDialog({ card, onClose }: { card: View<'LotCardView'>; onClose: () => void }) {
  const { lot } = card;
  const zones = useZones();
  const setup = useSetup();
  const { control, handleSubmit } = useForm({
    defaultValues: { zoneId: lot.zoneId, place: lot.place ?? '', scheduleId: lot.scheduleId ?? '' },
  });
  const move = useCommand(
    (body: View<'MoveLotDto'>, headers) => ask(client.POST('/api/lots/{id}/move', { params: { path: { id: lot.id } }, body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ zoneId, place, scheduleId }) =>
    move.mutate({ version: lot.version, zoneId, place: orNothing(place), scheduleId: orNothing(scheduleId) }),
  );
  return (
    <FormDialog
      title={`Move lot ${lot.id}`}
      submit="Move"
      pending={move.isPending}
      error={move.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <ChoiceIn
        control={control}
        name="zoneId"
        label="Room"
        choices={(zones.data ?? []).map((z) => [z.id, `${z.name}, tends to ${z.emcPct.toFixed(1)} %`])}
      />
      <TextIn control={control} name="place" label="Place" helperText="A bay or rack, as the labels say" />
      <ChoiceIn
        control={control}
        name="scheduleId"
        label="Schedule"
        choices={[['', 'none'], ...(setup.data?.kilns ?? []).map((k) => [k.id, k.name] as const)]}
        helperText="For a kiln or cabinet. The kiln’s maker and the wood on the day decide."
      />
    </FormDialog>
  );
}

function DescribeDialog({ card, onClose }: { card: View<'LotCardView'>; onClose: () => void }) {
  const { lot } = card;
  const { control, handleSubmit } = useForm({
    defaultValues: { papers: lot.papersPct?.toString() ?? '', grade: lot.grade ?? '', permit: lot.permit ?? '' },
  });
  const describe = useCommand(
    (body: View<'DescribeLotDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/describe', { params: { path: { id: lot.id } }, body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ papers, grade, permit }) =>
    describe.mutate({
      version: lot.version,
      papersPct: papers.trim() === '' ? null : figureIn(papers),
      grade: orNothing(grade),
      ...(lot.restricted ? { permit: orNothing(permit) } : {}),
    }),
  );
  return (
    <FormDialog
      title={`Lot ${lot.id}`}
      submit="Keep"
      pending={describe.isPending}
      error={describe.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <FigureIn control={control} name="papers" label="Moisture by its papers, %" min={0} max={200} optional />
      <TextIn control={control} name="grade" label="Grade" />
      {lot.restricted && <TextIn control={control} name="permit" label="Permit" />}
    </FormDialog>
  );
}
