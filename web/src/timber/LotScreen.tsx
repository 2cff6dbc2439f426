import { formatLength, formatLumber } from '@ample-crane/core';
import { Box, Button, Link, Typography } from '@mui/material';
import { Fragment } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useLot } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { LogTable } from '../parts/LogTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { EvidenceDrawer } from '../parts/EvidenceDrawer.tsx';
import { Finding, FindingList } from '../parts/Finding.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { Screen, Section } from '../parts/Screen.tsx';
import { LotActs } from './LotActs.tsx';
import { LotDrying } from './LotDrying.tsx';
import { LotTree } from './LotTree.tsx';
import { MeasureBoards } from './MeasureBoards.tsx';
import { Pictures } from './Pictures.tsx';
import { ReadingForm } from './ReadingForm.tsx';
import { Readings } from './Readings.tsx';
import { BASIS_WORDS, readyWords } from './ready.ts';

/** One lot: its moisture against the band, what its gate says, what became of it. */
export default function LotScreen() {
  const { id = '' } = useParams();
  const query = useLot(id);
  const { units, may } = useSession();
  return (
    <Screen
      title={`Lot ${id}`}
      query={query}
      actions={
        query.data && (
          <>
            <Button component="a" href={`/api/lots/${id}/label.pdf`} target="_blank">
              Label
            </Button>
            <Button component="a" href={`/api/lots/${id}/report.pdf`} target="_blank">
              Moisture report
            </Button>
            <Button component="a" href={`/api/lots/${id}/history.csv`} download>
              History as CSV
            </Button>
            {may('operator') && query.data.lot.state !== 'used up' && <LotActs card={query.data} />}
            <EvidenceDrawer findings={query.data.lot.findings} />
          </>
        )
      }
    >
      {(card) => (
        <>
          <Headline card={card} />
          <Typography variant="body2" color="text.secondary" sx={{ mb: 2 }}>
            {card.lot.species}, {card.lot.form} for {card.lot.use}, {formatLength(card.lot.thicknessMm, units)} thick
            {card.lot.grade !== null && `, grade ${card.lot.grade}`} · {formatLumber(card.lot.leftM3, units)} left of{' '}
            {formatLumber(card.lot.volumeM3, units)} · {card.lot.supplier}, {card.lot.origin}
            {card.lot.papersPct !== null && `, by its papers ${card.lot.papersPct.toFixed(1)} %`} · {card.zoneName}
            {card.lot.place !== null && `, ${card.lot.place}`}
            {card.lot.restricted && ` · permit ${card.lot.permit ?? 'missing'}`}
          </Typography>
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 5fr) minmax(0, 6fr)' },
              gap: 3,
            }}
          >
            <Box>
              {card.lot.state === 'drying' && (
                <Section title="Release gate">
                  <FindingList findings={card.lot.findings} />
                  {may(card.lot.verdict === 'pass' ? 'lead' : 'manager') && (
                    <Box sx={{ mt: 1 }}>
                      <GateAct
                        subject="lot"
                        id={id}
                        version={card.lot.version}
                        {...(card.lot.verdict === 'pass'
                          ? { label: 'Release to the mill', variant: 'contained' }
                          : { label: 'Release with a reason' })}
                      />
                    </Box>
                  )}
                </Section>
              )}
              {card.lot.outOfBand === 'since its release' && may('lead') && (
                <GateAct subject="lot" id={id} version={card.lot.version} label="Release it again" />
              )}
              {card.lot.state !== 'used up' && may('operator') && (
                <Section title="Log a reading">
                  <ReadingForm lot={card.lot} samples={card.samples} />
                </Section>
              )}
              {card.overrides.length > 0 && (
                <Section title="Overrides on record">
                  {card.overrides.map((o) => (
                    <Finding key={o.atMs} severity="attention" sentence={o.reason} remedy={o.by} />
                  ))}
                </Section>
              )}
              <Section
                title="Boards, and what became of them"
                aside={may('operator') && card.lot.leftM3 > 0 && <MeasureBoards card={card} />}
              >
                <LotTree card={card} />
              </Section>
              <Section title="Pictures">
                <Pictures card={card} />
              </Section>
            </Box>
            <Box sx={{ minWidth: 0 }}>
              <Section title="Drying">
                <LotDrying card={card} />
              </Section>
              <Section title="Readings">
                <Readings card={card} />
              </Section>
            </Box>
          </Box>
          <LogTable heading="Log" of={card.lot.id} log={card.log} height={300} />
        </>
      )}
    </Screen>
  );
}

/** Where a lot goes, in a sentence. */
function outlookSentence(ready: View<'ReadyView'>, nowMs: number): string {
  if (ready.kind === 'in band') return 'The mean is in band; see what else its gate asks.';
  if (ready.kind === 'not in this room') return `Not in this room: its air tends to ${ready.emcPct.toFixed(1)} %. Move it.`;
  if (ready.kind === 'too early to tell') return 'Too early to tell when it is in band: it needs three sessions.';
  return `In band in ${readyWords(ready, nowMs)}, ${BASIS_WORDS[ready.basis]}.`;
}

/** What orders have of it; let go here too, since an order that was given up is open nowhere. */
function Kept({ card: { lot, kept } }: { card: View<'LotCardView'> }) {
  const { units, may } = useSession();
  const letGo = useCommand((orderId: string, headers) =>
    ask(
      client.POST('/api/lots/{id}/keep', {
        params: { path: { id: lot.id } },
        body: { version: lot.version, orderId, volumeM3: 0 },
        headers,
      }),
    ),
  );
  if (kept.length === 0) return null;
  return (
    <>
      {' '}
      {kept.map((k, i) => (
        <Fragment key={k.orderId}>
          {i > 0 && ', '}
          <Figure>{formatLumber(k.volumeM3, units)}</Figure> of it {i === 0 && 'is '}kept for{' '}
          <Link component={RouterLink} to={`/orders?order=${k.orderId}`}>
            {k.orderId}
          </Link>{' '}
          ({k.customer})
          {may('lead') && (
            <Button loading={letGo.isPending} aria-label={`Let go what is kept for ${k.orderId}`} onClick={() => letGo.mutate(k.orderId)}>
              Let go
            </Button>
          )}
        </Fragment>
      ))}
      .{letGo.error && <ErrorNote error={letGo.error} />}
    </>
  );
}

function Headline({ card }: { card: View<'LotCardView'> }) {
  const { date, nowMs } = useSession();
  const { lot } = card;
  return (
    <Answer>
      {lot.state !== 'drying' ? (
        <>
          {lot.state === 'used up' ? 'Used up' : lot.outOfBand === null ? 'Free for the mill' : 'Released'}
          {lot.releasedMs !== null && `${lot.outOfBand === null ? ', released' : ''} ${date(lot.releasedMs)}`}
          {lot.outOfBand !== null && lot.meanPct !== null && (
            <>
              {' '}
              and {lot.outOfBand === 'at its release' ? 'last read' : 'read since'} at <Figure>{lot.meanPct.toFixed(1)} %</Figure>, out of
              its band of{' '}
              <Figure>
                {lot.band.low.toFixed(1)}–{lot.band.high.toFixed(1)} %
              </Figure>
            </>
          )}
          .<Kept card={card} />
          {lot.outOfBand === 'since its release' && ' It is not free for the mill.'}
          {lot.outOfBand === 'at its release' && ' Read it again before it is cut.'}
        </>
      ) : lot.meanPct === null ? (
        'Not read yet: log a session to see where it stands.'
      ) : (
        <>
          Mean <Figure>{lot.meanPct.toFixed(1)} %</Figure>, band{' '}
          <Figure>
            {lot.band.low.toFixed(1)}–{lot.band.high.toFixed(1)} %
          </Figure>
          . {lot.verdict === 'pass' ? 'It can be released.' : lot.ready ? outlookSentence(lot.ready, nowMs) : ''}
          <Kept card={card} />
        </>
      )}
    </Answer>
  );
}
