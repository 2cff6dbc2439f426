import { Button, MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup, useZones } from '../ground/queries.ts';
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
  const [zoneId, setZoneId] = useState(lot.zoneId);
  const [place, setPlace] = useState(lot.place ?? '');
  const [scheduleId, setScheduleId] = useState(lot.scheduleId ?? '');
  const move = useCommand(
    (body: View<'MoveLotDto'>, headers) => ask(client.POST('/api/lots/{id}/move', { params: { path: { id: lot.id } }, body, headers })),
    onClose,
  );
  return (
    <FormDialog
      title={`Move lot ${lot.id}`}
      submit="Move"
      pending={move.isPending}
      error={move.error}
      onSubmit={() => move.mutate({ version: lot.version, zoneId, place: orNothing(place), scheduleId: orNothing(scheduleId) })}
      onClose={onClose}
    >
      <TextField select label="Room" value={zoneId} onChange={(event) => setZoneId(event.target.value)}>
        {(zones.data ?? []).map((z) => (
          <MenuItem key={z.id} value={z.id}>
            {z.name}, tends to {z.emcPct.toFixed(1)} %
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Place"
        value={place}
        onChange={(event) => setPlace(event.target.value)}
        helperText="A bay or rack, as the labels say"
      />
      <TextField
        select
        label="Schedule"
        value={scheduleId}
        onChange={(event) => setScheduleId(event.target.value)}
        helperText="For a kiln or cabinet. The kiln’s maker and the wood on the day decide."
      >
        <MenuItem value="">none</MenuItem>
        {(setup.data?.kilns ?? []).map((k) => (
          <MenuItem key={k.id} value={k.id}>
            {k.name}
          </MenuItem>
        ))}
      </TextField>
    </FormDialog>
  );
}

function DescribeDialog({ card, onClose }: { card: View<'LotCardView'>; onClose: () => void }) {
  const { lot } = card;
  const [papers, setPapers] = useState(lot.papersPct?.toString() ?? '');
  const [grade, setGrade] = useState(lot.grade ?? '');
  const [permit, setPermit] = useState(lot.permit ?? '');
  const describe = useCommand(
    (body: View<'DescribeLotDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/describe', { params: { path: { id: lot.id } }, body, headers })),
    onClose,
  );
  const papersPct = Number(papers.replace(',', '.'));
  return (
    <FormDialog
      title={`Lot ${lot.id}`}
      submit="Keep"
      pending={describe.isPending}
      error={describe.error}
      onSubmit={() =>
        describe.mutate({
          version: lot.version,
          papersPct: papers.trim() === '' ? null : papersPct,
          grade: orNothing(grade),
          ...(lot.restricted ? { permit: orNothing(permit) } : {}),
        })
      }
      onClose={onClose}
    >
      <TextField
        label="Moisture by its papers, %"
        value={papers}
        onChange={(event) => setPapers(event.target.value)}
        error={Number.isNaN(papersPct)}
      />
      <TextField label="Grade" value={grade} onChange={(event) => setGrade(event.target.value)} />
      {lot.restricted && <TextField label="Permit" value={permit} onChange={(event) => setPermit(event.target.value)} />}
    </FormDialog>
  );
}
