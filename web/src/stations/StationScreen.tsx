import { Box, Button, ButtonBase, Stack, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link as RouterLink, useParams, useSearchParams } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useStationWork } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DwellRing } from '../parts/DwellRing.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { counted, pieces, statusWords } from '../parts/words.ts';
import { heldQuery, useSeen, type Seen } from '../batches/seen.ts';
import { pictureOf } from '../batches/SheetPanel.tsx';
import { OutboxPanel } from './OutboxPanel.tsx';
import { SignTabletIn } from './SignTabletIn.tsx';
import { StationDue } from './StationDue.tsx';

type Work = View<'StationWorkView'>;
/** Cards kept ready for when the network is gone. */
const READY_CARDS = 20;
export const LAST_STATION = 'station of this device';

/** One bench, booth or shelf: what is on it, what to take next and why, and the one act that is due. */
export default function StationScreen() {
  const { code = '' } = useParams();
  const query = useStationWork(code);
  const { may, session } = useSession();
  useEffect(() => {
    if (query.data) localStorage.setItem(LAST_STATION, query.data.code);
  }, [query.data]);
  return (
    <Screen
      title={query.data?.name ?? code}
      query={query}
      actions={
        <>
          <Button component={RouterLink} to="/stations" size="large">
            All stations
          </Button>
          {query.data && may('lead') && session.station === null && <SignTabletIn station={query.data} />}
        </>
      }
    >
      {(work) => <Station work={work} />}
    </Screen>
  );
}

/** What is shown first: what is being worked on, or what is to be taken next. */
function firstOf(work: Work, seen: (id: string) => Seen): string | undefined {
  const here = [...work.running, ...work.queue.map((t) => t.batch)].filter((b) => !seen(b.id).gone);
  return (here.find((b) => seen(b.id).status === 'running') ?? here[0])?.id;
}

function Station({ work }: { work: Work }) {
  const all = [...work.running, ...work.queue.map((t) => t.batch), ...work.elsewhere.map((t) => t.batch)];
  const seen = useSeen(all);
  const [search, setSearch] = useSearchParams();
  useReadyCards(work);
  const chosenId = search.get('batch');
  const batchId = chosenId ?? firstOf(work, seen);
  const choose = (id: string) => setSearch({ batch: id }, { replace: true });
  const isHere = all.some((b) => b.id === batchId);
  return (
    <>
      <Headline work={work} />
      <OutboxPanel />
      {globalThis.isSecureContext === false && (
        <Typography color="text.secondary" sx={{ mb: 1.5 }}>
          At this address (no https) browsers keep no copy of the application: without network, leave this page open. Entries are kept all
          the same.
        </Typography>
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 6fr)' },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <Box sx={{ order: { xs: 2, md: 1 } }}>
          {work.running.length > 0 && (
            <Section title="On the bench">
              {work.running.map((b) => (
                <Row
                  key={b.id}
                  batch={b}
                  reason={`${statusWords(seen(b.id).status)}${b.worker === null ? '' : `, ${b.worker}`}`}
                  seen={seen(b.id)}
                  chosen={b.id === batchId}
                  onChoose={choose}
                />
              ))}
            </Section>
          )}
          <Section title={work.kind === 'work' ? 'To take, in this order' : 'In order of coming out'}>
            {work.queue.length === 0 && <Empty>Nothing waits here.</Empty>}
            {work.queue.map(({ batch, reason }) => (
              <Row key={batch.id} batch={batch} reason={reason} seen={seen(batch.id)} chosen={batch.id === batchId} onChoose={choose} />
            ))}
          </Section>
          {work.elsewhere.length > 0 && (
            <Section title="Could be done here in another way">
              {work.elsewhere.map(({ batch, reason }) => (
                <Row
                  key={batch.id}
                  batch={batch}
                  reason={`Waits at ${batch.stationName}. ${reason}`}
                  seen={seen(batch.id)}
                  chosen={batch.id === batchId}
                  onChoose={choose}
                />
              ))}
            </Section>
          )}
        </Box>
        <Box sx={{ order: { xs: 1, md: 2 } }}>
          {batchId !== undefined && <StationDue key={batchId} batchId={batchId} isHere={isHere} />}
          {chosenId !== null && !isHere && (
            <Button size="large" onClick={() => setSearch({}, { replace: true })} sx={{ mt: 1, minHeight: 56 }}>
              What is next here
            </Button>
          )}
        </Box>
      </Box>
    </>
  );
}

function Headline({ work }: { work: Work }) {
  const [next] = work.queue;
  // What is paused has left its place.
  const taken = work.running.filter((b) => b.status === 'running').length;
  return (
    <Answer>
      {work.kind === 'work' && (
        <>
          <Figure>{taken}</Figure> of <Figure>{work.places}</Figure> {work.places === 1 ? 'bench' : 'benches'} taken;{' '}
        </>
      )}
      {counted(work.queue.length, 'batch waits', 'batches wait')}.{' '}
      {next && (
        <>
          Next <Id>{next.batch.id}</Id>: {next.reason.charAt(0).toLowerCase() + next.reason.slice(1)}.
        </>
      )}
    </Answer>
  );
}

interface RowProps {
  batch: View<'BatchView'>;
  reason: string;
  seen: Seen;
  chosen: boolean;
  onChoose: (id: string) => void;
}

function Row({ batch, reason, seen, chosen, onChoose }: RowProps) {
  const { waiting, gone } = seen;
  return (
    <ButtonBase
      onClick={() => onChoose(batch.id)}
      aria-pressed={chosen}
      sx={{
        display: 'flex',
        width: '100%',
        gap: 1.5,
        minHeight: 60,
        px: 1,
        textAlign: 'left',
        borderBottom: 1,
        borderColor: 'divider',
        borderLeft: 5,
        borderLeftColor: chosen ? 'text.primary' : 'transparent',
        bgcolor: chosen ? 'background.paper' : 'transparent',
        opacity: gone ? 0.6 : 1,
      }}
    >
      <StreamGlyph of={batch.component} size={30} />
      {batch.findings.length > 0 && <DwellRing of={batch} size={38} />}
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Stack direction="row" spacing={1} sx={{ alignItems: 'baseline' }}>
          <Id>{batch.id}</Id>
          <Typography component="span" noWrap>
            {pieces(batch.quantity, batch.component)} of {batch.modelName}
          </Typography>
        </Stack>
        <Typography variant="body2" color="text.secondary">
          {batch.operationName} · {gone ? 'finished, to be sent' : reason}
          {waiting > 0 && !gone && ` · ${waiting} to be sent`}
        </Typography>
      </Box>
    </ButtonBase>
  );
}

/** Reads the cards of what is next, so that they are there when the network is not. */
/** What was fetched once is kept by the browser. */
const kept = new Set<string>();

/** Has the pictures of a card's sheet on the device before the network is gone. */
function keepPictures(card: View<'CardView'> | undefined): void {
  for (const { id } of card?.sheet?.pictures ?? []) {
    if (kept.has(id)) continue;
    kept.add(id);
    // Not had now, it is asked for when it is shown.
    fetch(pictureOf(id)).catch(() => kept.delete(id));
  }
}

function useReadyCards(work: Work): void {
  const queries = useQueryClient();
  const ids = [...work.running, ...work.queue.map((t) => t.batch)]
    .slice(0, READY_CARDS)
    .map((b) => b.id)
    .join(' ');
  useEffect(() => {
    for (const id of ids === '' ? [] : ids.split(' ')) {
      void queries.prefetchQuery(heldQuery(id));
      void queries
        .prefetchQuery({
          queryKey: ['batches', 'card', id],
          queryFn: () => ask(client.GET('/api/batches/{id}', { params: { path: { id } } })),
        })
        .then(() => keepPictures(queries.getQueryData<View<'CardView'>>(['batches', 'card', id])));
    }
  }, [ids, queries]);
}
