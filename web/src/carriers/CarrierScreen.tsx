import { Box, Button, Link, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link as RouterLink, useParams } from 'react-router';
import { ask, client, problemOf, type View } from '../ground/api.ts';
import { useCarrier, useCarriers, useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DwellRing } from '../parts/DwellRing.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { ChoiceIn, useTyped } from '../parts/fields.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { counted, pieces, statusWords } from '../parts/words.ts';
import { PlaceGrid } from './PlaceGrid.tsx';

type Batch = View<'BatchView'>;

/** A carrier, scanned: what sits on it, what is due of it, and moving it elsewhere. */
export default function CarrierScreen() {
  const { id = '' } = useParams();
  const query = useCarrier(id);
  return (
    <Screen title={query.data?.carrier.name ?? id} query={query}>
      {({ carrier, batches }) => {
        const ready = batches.filter((b) => (b.status === 'dwelling' || b.status === 'finished') && b.verdict === 'pass').length;
        return (
          <>
            <Answer>
              <Figure>{carrier.taken}</Figure> of <Figure>{carrier.places}</Figure> places of this {carrier.kind} are taken
              {batches.length > 0 &&
                `, by ${counted(batches.length, 'batch', 'batches')}. ${ready > 0 ? `${counted(ready, 'batch', 'batches')} can move on now` : 'Nothing on it can move on yet'}`}
              .
            </Answer>
            <PlaceGrid carrier={carrier} />
            <Section title="What sits on it">
              {batches.length === 0 && (
                <Empty>
                  {carrier.rig === null
                    ? 'Nothing. Put a batch on it from the batch’s card.'
                    : 'Nothing. What has been glued is put in from its card, at its station, or under Clamps.'}
                </Empty>
              )}
              {batches.map((batch) => (
                <OnIt key={batch.id} batch={batch} carrier={carrier} />
              ))}
            </Section>
            {carrier.rig === null && batches.length > 0 && <MoveAll carrier={carrier} batches={batches} />}
          </>
        );
      }}
    </Screen>
  );
}

function OnIt({ batch, carrier }: { batch: Batch; carrier: View<'CarrierView'> }) {
  const { may } = useSession();
  const here = carrier.batches.find((b) => b.batchId === batch.id)?.pieces ?? 0;
  const atGate = batch.status === 'dwelling' || batch.status === 'finished';
  return (
    <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', py: 1, borderBottom: 1, borderColor: 'divider' }}>
      <StreamGlyph of={batch.component} size={30} />
      {batch.findings.length > 0 && <DwellRing of={batch} size={40} />}
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography>
          <Link component={RouterLink} to={`/batches/${batch.id}`}>
            <Id>{batch.id}</Id>
          </Link>{' '}
          {pieces(here, batch.component)}
          {here < batch.quantity && ` of ${batch.quantity}`} of {batch.modelName}
        </Typography>
        <Typography variant="body2" color="text.secondary">
          {batch.operationName}, {statusWords(batch.status)}
        </Typography>
      </Box>
      {may('operator') && atGate && batch.question === null && (
        <GateAct subject="batch" id={batch.id} version={batch.version} label={`Move to ${batch.nextOperationName ?? 'the next step'}`} />
      )}
      <Button component={RouterLink} to={`/station/${batch.stationCode}?batch=${batch.id}`}>
        At its station
      </Button>
    </Stack>
  );
}

/** Everything that sits here goes to another carrier with room, batch by batch. */
function MoveAll({ carrier, batches }: { carrier: View<'CarrierView'>; batches: readonly Batch[] }) {
  const { may } = useSession();
  const all = useCarriers();
  const { control, handleSubmit } = useForm({ defaultValues: { toId: '' } });
  const typed = useTyped(control);
  const [left, setLeft] = useState<string[]>([]);
  const move = useCommand(async (to: string, { 'Idempotency-Key': key }) => {
    const notMoved: string[] = [];
    for (const batch of batches) {
      const merged = new Map<string, number>();
      for (const p of batch.placements) {
        const id = p.carrierId === carrier.id ? to : p.carrierId;
        merged.set(id, (merged.get(id) ?? 0) + p.pieces);
      }
      const placements = [...merged].map(([carrierId, count]) => ({ carrierId, pieces: count }));
      const params = { path: { id: batch.id } };
      const headers = { 'Idempotency-Key': `${key}/${batch.id}` };
      await ask(client.POST('/api/batches/{id}/place', { params, body: { version: batch.version, placements }, headers })).catch(
        (error: unknown) => {
          const problem = problemOf(error);
          notMoved.push(`${batch.id}: ${problem.findings?.map((f) => f.sentence).join('; ') ?? problem.detail}`);
        },
      );
    }
    return notMoved;
  }, setLeft);
  if (!may('operator')) return null;
  const roomy = (all.data ?? []).filter(
    (c) => c.rig === null && c.active && c.id !== carrier.id && c.places - c.taken >= carrier.taken && c.outline === carrier.outline,
  );
  return (
    <Section title="Move all of it">
      <ActForm
        submit="Put it there"
        size="medium"
        disabled={typed.toId === ''}
        pending={move.isPending}
        error={move.error}
        onSubmit={handleSubmit(({ toId }) => move.mutate(toId))}
      >
        <ChoiceIn
          control={control}
          name="toId"
          label="To a carrier with room"
          choices={roomy.map((c) => [c.id, `${c.name}, ${c.places - c.taken} free`])}
          sx={{ minWidth: 260 }}
        />
      </ActForm>
      {left.length > 0 && (
        <Box role="alert" sx={{ mt: 1 }}>
          <Typography>Stayed where it was:</Typography>
          {left.map((line) => (
            <Typography key={line} variant="body2">
              {line}
            </Typography>
          ))}
        </Box>
      )}
    </Section>
  );
}
