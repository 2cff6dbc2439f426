import { formatDuration, pieceWord } from '@ample-crane/core';
import { Box, Button, Link, Paper, Tab, Tabs, Typography } from '@mui/material';
import { Fragment, Suspense, lazy, useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useCard } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { Caution } from '../parts/Caution.tsx';
import { DwellRing } from '../parts/DwellRing.tsx';
import { EvidenceDrawer } from '../parts/EvidenceDrawer.tsx';
import { Finding, FindingList } from '../parts/Finding.tsx';
import { RouteLine } from '../parts/RouteLine.tsx';
import { Screen, Section } from '../parts/Screen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { carriersOf, statusWords } from '../parts/words.ts';
import { SheetPanel } from './SheetPanel.tsx';
import { BatchAct } from './BatchAct.tsx';
import { TABS, type CardTab } from './tabs.ts';
import { VerdictAct } from './VerdictAct.tsx';

const CLASS_TOLD = {
  order: '',
  special: 'a special, its hours told apart',
  trial: 'a trial, kept out of the statistics',
  tooling: 'tooling, kept out of the statistics',
} as const;

const CardTables = lazy(() => import('./CardTables.tsx'));

/** The card that travels with a batch. */
export default function CardScreen() {
  const { id = '' } = useParams();
  const query = useCard(id);
  const [tab, setTab] = useState<CardTab>('Pieces');
  return (
    <Screen
      title={`Batch ${id}`}
      query={query}
      actions={
        <>
          {query.data && <EvidenceDrawer findings={[...query.data.batch.findings, ...query.data.coatFindings]} />}
          <Button component="a" href={`/api/batches/${id}/card.pdf`} target="_blank" rel="noopener" variant="outlined">
            Print card
          </Button>
        </>
      }
    >
      {(card) => (
        <>
          <Headline card={card} />
          <RouteLine visits={card.visits} forecast={card.forecast} />
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 5fr) minmax(0, 6fr)' },
              gap: 3,
              mt: 2,
            }}
          >
            <Box>
              <Section title={card.batch.status === 'done' ? 'Done' : card.batch.operationName}>
                {card.batch.findings.length > 0 && <FindingList findings={card.batch.findings} />}
                <VerdictAct card={card} />
                <BatchAct card={card} />
                {card.sheet && card.batch.status !== 'done' && <SheetPanel sheet={card.sheet} step={card.batch.operationName} />}
                <Caution kinds={card.cautions} />
              </Section>
              <Overrides card={card} />
            </Box>
            <Paper sx={{ p: 1.5, minWidth: 0 }}>
              <Tabs
                value={tab}
                onChange={(_, value: CardTab) => setTab(value)}
                variant="scrollable"
                aria-label="What is on the card"
                sx={{ '& .MuiTab-root': { minWidth: 0, px: 1.5 } }}
              >
                {TABS.map((name) => (
                  <Tab key={name} label={name} value={name} />
                ))}
              </Tabs>
              <Suspense fallback={null}>
                <CardTables card={card} tab={tab} />
              </Suspense>
            </Paper>
          </Box>
        </>
      )}
    </Screen>
  );
}

function Headline({ card }: { card: View<'CardView'> }) {
  const { date, clock, nowMs } = useSession();
  const { batch } = card;
  // What is done has gone on from here: it was so many.
  const count = batch.status === 'done' ? card.pieces.filter((p) => p.state !== 'scrapped').length : batch.quantity;
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mb: 1 }}>
      <StreamGlyph of={batch.component} size={44} />
      <Box sx={{ flex: 1 }}>
        <Answer>
          <Figure>{count}</Figure> {batch.modelName} {pieceWord(count, batch.component)} at {batch.stationName}, {statusWords(batch.status)}{' '}
          since <Figure>{clock(batch.sinceMs)}</Figure>
          {batch.untilMs !== null && batch.verdict === 'wait' && (
            <>
              ; free <Figure>{clock(batch.untilMs)}</Figure> · <Figure>{formatDuration(batch.untilMs - nowMs)}</Figure>
            </>
          )}
          .
        </Answer>
        <Typography variant="body2" color="text.secondary">
          For {card.customer}
          {batch.orderId !== null && <> · order {batch.orderId}</>}
          {batch.dueMs !== null && <> · due {date(batch.dueMs)}</>}
          {batch.lotId !== null && (
            <>
              {' '}
              · lot{' '}
              <Link component={RouterLink} to={`/lots/${batch.lotId}`}>
                {batch.lotId}
              </Link>
            </>
          )}
          {batch.placements.length > 0 && <> · {carriersOf(batch)}</>}
          {card.options.length > 0 && <> · {card.options.join(', ')}</>}
          {batch.workClass !== 'order' && <> · {CLASS_TOLD[batch.workClass]}</>}
          {batch.parentId !== null && (
            <>
              {' '}
              · from{' '}
              <Link component={RouterLink} to={`/batches/${batch.parentId}`}>
                {batch.parentId}
              </Link>
            </>
          )}
          {batch.awayTo !== null && (
            <>
              {' '}
              · at {batch.awayTo}
              {batch.dueBackMs !== null && <>, due back {date(batch.dueBackMs)}</>}
            </>
          )}
          {card.stationPasses > 1 && (
            <>
              {' '}
              · visit {card.stationPass} of {card.stationPasses} to this station
            </>
          )}
          {card.fittedInto.length > 0 && (
            <>
              {' '}
              · fitted into{' '}
              {card.fittedInto.map((serial) => (
                <Fragment key={serial}>
                  <Link component={RouterLink} to={`/records/${serial}`}>
                    <Id>{serial}</Id>
                  </Link>{' '}
                </Fragment>
              ))}
            </>
          )}
        </Typography>
      </Box>
      {batch.status !== 'done' && batch.findings.length > 0 && <DwellRing of={batch} size={64} />}
    </Box>
  );
}

function Overrides({ card }: { card: View<'CardView'> }) {
  const { dateTime } = useSession();
  if (card.overrides.length === 0) return null;
  return (
    <Section title="Overrides on record">
      {card.overrides.map((o) => (
        <Finding
          key={o.atMs}
          severity="attention"
          sentence={`${o.operationName ?? ''}: ${o.reason}`}
          remedy={`${o.by}, ${dateTime(o.atMs)}. Against: ${o.findings
            .filter((f) => f.verdict !== 'pass')
            .map((f) => f.sentence)
            .join('; ')}`}
        />
      ))}
    </Section>
  );
}
