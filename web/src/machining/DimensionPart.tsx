import { capabilityInWords, driftInWords, LEAST_FOR_CAPABILITY, said } from '@ample-crane/core';
import { Button, Link, Skeleton, Stack, Typography } from '@mui/material';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import type { AskedOf, View } from '../ground/api.ts';
import { useDimensionChart } from '../ground/queries.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Section } from '../parts/Screen.tsx';
import { SettleDialog } from './SettleDialog.tsx';

const DimensionChart = lazy(() => import('./DimensionChart.tsx'));
const CHART_PX = 400;

interface Props {
  dimension: View<'DimensionView'>;
  asked: AskedOf<'/api/dimensions/chart'>;
  tools: ReactNode;
}

/** One characteristic: its chart, what its rules say, how well it keeps its tolerance, and what can be done. */
export function DimensionPart({ dimension, asked, tools }: Props) {
  const query = useDimensionChart(asked);
  const chart = query.data?.dimension.id === dimension.id ? query.data.chart : undefined;
  return (
    <Section title={`${dimension.name}, ${dimension.modelName}`} aside={tools}>
      <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
        {whatItIs(dimension)}
      </Typography>
      <Standing dimension={dimension} />
      {query.error && <ErrorNote error={query.error} onRetry={() => void query.refetch()} />}
      {chart === undefined && !query.error && <Skeleton variant="rounded" height={CHART_PX} />}
      {chart === null && (
        <Empty>{asked.kind === 'individuals' ? 'Too few values for a chart.' : 'Too few batches with several values each.'}</Empty>
      )}
      {chart && (
        <Suspense fallback={<Skeleton variant="rounded" height={CHART_PX} />}>
          <DimensionChart dimension={dimension} chart={chart} />
          {chart.leftOut > 0 && (
            <Typography variant="body2" color="text.secondary">
              {chart.leftOut} batches with fewer than {chart.size} values are not shown.
            </Typography>
          )}
        </Suspense>
      )}
    </Section>
  );
}

const whatItIs = ({ stepName, stationName, instrument, count, holds, decidingSkill }: View<'DimensionView'>): string =>
  [
    `${stepName} at ${stationName}`,
    ...(instrument === null ? [] : [`by ${instrument}`]),
    `${count} values so far`,
    ...(holds ? ['its batch is held when a rule fires'] : []),
    ...(decidingSkill === null ? [] : [`${decidingSkill} decides`]),
  ].join(' · ');

/** What fired, what was found, how well the tolerance is kept and how it moves. */
function Standing({ dimension }: { dimension: View<'DimensionView'> }) {
  const { signal, found, capability, drift, unit, lacking, state } = dimension;
  const { may, dateTime } = useSession();
  const tell = useTell();
  const [settling, setSettling] = useState(false);
  return (
    <>
      {signal && (
        <Finding
          severity="stop"
          sentence={
            <>
              {signal.sentence}, the last {tell(said(signal.value, unit))} on{' '}
              <Link component={RouterLink} to={`/batches/${signal.batchId}`}>
                <Id>{signal.pieceId}</Id>
              </Link>
              , {dateTime(signal.atMs)}
            </>
          }
          action={
            may('lead') && (
              <Button variant="contained" onClick={() => setSettling(true)}>
                Say what was found
              </Button>
            )
          }
        />
      )}
      {state === 'too few' && (
        <Finding severity="waiting" sentence={`${lacking} more values make its limits; until then no rule can fire.`} />
      )}
      {state === 'in control' && <Finding severity="ready" sentence="In control: no rule fires." />}
      {drift && <Finding severity={drift.left ? 'attention' : 'waiting'} sentence={driftInWords(drift, unit)} />}
      <Stack spacing={0.5} sx={{ mt: 0.5 }}>
        <Typography>
          {capability ? `${capabilityInWords(capability)}.` : `No index is told of fewer than ${LEAST_FOR_CAPABILITY} values.`}
        </Typography>
        {found && (
          <Typography variant="body2" color="text.secondary">
            Last found, by {found.by}, {dateTime(found.atMs)}: {found.note}
          </Typography>
        )}
        {signal === null && state === 'in control' && may('lead') && (
          <Button sx={{ alignSelf: 'start' }} onClick={() => setSettling(true)}>
            Begin the chart anew
          </Button>
        )}
      </Stack>
      {settling && <SettleDialog dimension={dimension} onClose={() => setSettling(false)} />}
    </>
  );
}
