import { STAGE_NAMES, type Stage } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useFloor } from '../ground/queries.ts';
import { Answer, Figure, Id } from './Answer.tsx';
import { BatchTable } from './BatchTable.tsx';
import { Caution } from './Caution.tsx';
import { DwellShelf } from './DwellShelf.tsx';
import { Screen, Section } from './Screen.tsx';
import { StreamGlyph } from './StreamGlyph.tsx';
import { counted } from './words.ts';

interface Props {
  stage: Stage;
  cautions: readonly string[];
  /** what is special to this stage, above the table */
  children?: (batches: readonly View<'BatchView'>[]) => ReactNode;
  actions?: ReactNode;
  /** the stage's other screens */
  tabs?: ReactNode;
}

/** One stage: what runs, what waits its turn, what its waits are waiting for. */
export function StageScreen({ stage, cautions, children, actions, tabs }: Props) {
  const query = useFloor();
  return (
    <Screen title={STAGE_NAMES[stage]} query={query} actions={actions}>
      {(floor) => {
        const batches = floor.batches.filter((b) => b.stage === stage);
        const stations = floor.stations.filter((s) => s.stage === stage);
        return (
          <>
            {tabs}
            <StageAnswer batches={batches} limit={floor.limit} stations={stations} />
            <Stations stations={stations} batches={batches} />
            <Waits batches={batches} />
            {children?.(batches)}
            <AllHere stage={stage} batches={batches} />
            <Caution kinds={cautions} />
          </>
        );
      }}
    </Screen>
  );
}

/** What of a stage its own screen does not draw: its places, its waits, and every batch that is there. */
export function StageWork({ stage }: { stage: Stage }) {
  const { data: floor } = useFloor();
  if (!floor) return null;
  const batches = floor.batches.filter((b) => b.stage === stage);
  return (
    <>
      <Stations stations={floor.stations.filter((s) => s.stage === stage)} batches={batches} />
      <Waits batches={batches} />
      <AllHere stage={stage} batches={batches} />
    </>
  );
}

function Waits({ batches }: { batches: readonly View<'BatchView'>[] }) {
  const dwelling = batches.filter((b) => b.status === 'dwelling' || b.status === 'finished');
  if (dwelling.length === 0) return null;
  return (
    <Section title="Waits, in order of coming out">
      <DwellShelf batches={dwelling} ring={40} width={330} />
    </Section>
  );
}

const AllHere = ({ stage, batches }: { stage: Stage; batches: readonly View<'BatchView'>[] }) => (
  <BatchTable
    heading="All batches here"
    label={`Batches in ${STAGE_NAMES[stage]}`}
    batches={batches}
    height={Math.min(420, 190 + batches.length * 36)}
  />
);

function StageAnswer({
  batches,
  stations,
  limit,
}: {
  batches: readonly View<'BatchView'>[];
  stations: readonly View<'StationFlowView'>[];
  limit: View<'LimitView'>;
}) {
  const canMove = batches.filter((b) => (b.status === 'dwelling' || b.status === 'finished') && b.verdict === 'pass').length;
  const queued = batches.filter((b) => b.status === 'queued').length;
  const running = batches.filter((b) => b.status === 'running').length;
  const paused = batches.filter((b) => b.status === 'paused').length;
  const held = batches.filter((b) => b.status === 'held').length;
  const isHere = stations.some((s) => s.code === limit.stationCode);
  return (
    <Answer>
      <Figure>{canMove}</Figure> {canMove === 1 ? 'batch' : 'batches'} can move on, <Figure>{running}</Figure> being worked on,{' '}
      <Figure>{queued}</Figure> waiting {queued === 1 ? 'its' : 'their'} turn
      {paused > 0 && (
        <>
          , <Figure>{paused}</Figure> paused
        </>
      )}
      {held > 0 && (
        <>
          , <Figure>{held}</Figure> held
        </>
      )}
      . {isHere ? limit.sentence : ''}
    </Answer>
  );
}

/** Each station with its places: what is on them, what waits, how loaded it has been. */
function Stations({ stations, batches }: { stations: readonly View<'StationFlowView'>[]; batches: readonly View<'BatchView'>[] }) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(270px, 100%), 1fr))', gap: 2, mb: 2.5 }}>
      {stations.map((station) => {
        const here = batches.filter((b) => b.stationCode === station.code);
        const running = here.filter((b) => b.status === 'running' || b.status === 'paused');
        return (
          <Box key={station.code} component="section" aria-label={station.name} sx={{ borderTop: 3, borderColor: 'text.primary', pt: 1 }}>
            <Typography variant="h3">
              {station.name} <Id>{station.code}</Id>
            </Typography>
            <Typography variant="body2" color="text.secondary">
              {counted(station.queuedBatches, 'batch waits', 'batches wait')} · <Figure>{station.queuedHours.toFixed(1)}</Figure> h of{' '}
              <Figure>{station.weeklyHours.toFixed(0)}</Figure> h a week
            </Typography>
            <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
              {Array.from({ length: station.benches }, (_, i) => {
                const batch = running[i];
                return (
                  <Box
                    key={i}
                    sx={{
                      flex: '1 1 110px',
                      minHeight: 48,
                      border: 1,
                      borderStyle: batch ? 'solid' : 'dashed',
                      borderColor: batch ? 'text.primary' : 'divider',
                      borderRadius: 1,
                      p: 1,
                      display: 'flex',
                      alignItems: 'center',
                      gap: 1,
                    }}
                  >
                    {batch ? (
                      <Box
                        component={RouterLink}
                        to={`/batches/${batch.id}`}
                        sx={{ display: 'flex', gap: 1, alignItems: 'center', color: 'inherit' }}
                      >
                        <StreamGlyph of={batch.component} />
                        <span>
                          <Id>{batch.id}</Id> {batch.quantity} × {batch.modelName}
                          {batch.status === 'paused' && ', paused'}
                        </span>
                      </Box>
                    ) : (
                      <Typography variant="body2" color="text.secondary">
                        free
                      </Typography>
                    )}
                  </Box>
                );
              })}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
