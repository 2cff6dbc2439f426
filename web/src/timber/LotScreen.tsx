import { correctedMoisturePct, formatLength, formatLumber, parseReadings } from '@ample-crane/core';
import { Box, Button, Link, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { lazy, Suspense, useCallback, useRef, useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import { ask, client, type View } from '../app/api.ts';
import { useKey } from '../app/keys.ts';
import { useCommand, useLot, useZones } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { EvidenceDrawer } from '../parts/EvidenceDrawer.tsx';
import { Finding, FindingList } from '../parts/Finding.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { QuickEntry, type Parsed } from '../parts/QuickEntry.tsx';
import { Screen, Section } from '../parts/Screen.tsx';
import { Readings } from './Readings.tsx';

const DryingChart = lazy(() => import('./DryingChart.tsx'));

/** One lot: its moisture against the band, what its gate says, what became of it. */
export default function LotScreen() {
  const { id = '' } = useParams();
  const query = useLot(id);
  const { units, may } = useSession();
  return (
    <Screen title={`Lot ${id}`} query={query} actions={query.data && <EvidenceDrawer findings={query.data.lot.findings} />}>
      {(card) => (
        <>
          <Headline card={card} />
          <Typography variant="body2" color="text.secondary" sx={{ mb: 2 }}>
            {card.lot.species}, {card.lot.form} for {card.lot.use}, {formatLength(card.lot.thicknessMm, units)} thick ·{' '}
            {formatLumber(card.lot.leftM3, units)} left of {formatLumber(card.lot.volumeM3, units)} · {card.lot.supplier}, {card.lot.origin}{' '}
            · {card.zoneName}
            {card.lot.restricted && ` · permit ${card.lot.permit ?? 'missing'}`}
          </Typography>
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 5fr) minmax(0, 6fr)' },
              gap: 3,
            }}
          >
            <Box>
              {card.lot.state === 'drying' && (
                <Section title="Release gate">
                  <FindingList findings={card.lot.findings} />
                  {may('lead') && (
                    <Box sx={{ mt: 1 }}>
                      <GateAct subject="lot" id={id} version={card.lot.version} label="Release to the mill" variant="contained" />
                    </Box>
                  )}
                </Section>
              )}
              {card.lot.state === 'drying' && may('operator') && (
                <Section title="Log a reading">
                  <ReadingForm card={card} />
                </Section>
              )}
              {card.overrides.length > 0 && (
                <Section title="Overrides on record">
                  {card.overrides.map((o) => (
                    <Finding key={o.atMs} severity="attention" sentence={o.reason} remedy={o.by} />
                  ))}
                </Section>
              )}
              <Section title="What became of it">
                <Became card={card} />
              </Section>
            </Box>
            <Box sx={{ minWidth: 0 }}>
              <Section title="Drying">
                <Suspense fallback={<Box sx={{ height: 280 }} />}>
                  <DryingChart card={card} />
                </Suspense>
              </Section>
              <Section title="Readings">
                <Readings card={card} />
              </Section>
            </Box>
          </Box>
          <Section title="Log">
            <Log card={card} />
          </Section>
        </>
      )}
    </Screen>
  );
}

function Headline({ card }: { card: View<'LotCardView'> }) {
  const { date } = useSession();
  const { lot } = card;
  return (
    <Answer>
      {lot.state !== 'drying' ? (
        <>
          {lot.state === 'released' ? 'Free for the mill' : 'Used up'}
          {lot.releasedMs !== null && `, released ${date(lot.releasedMs)}`}.
        </>
      ) : lot.meanPct === null ? (
        'Not read yet: log a session to see where it stands.'
      ) : (
        <>
          Mean <Figure>{lot.meanPct.toFixed(1)} %</Figure>, band{' '}
          <Figure>
            {lot.band.low.toFixed(1)}–{lot.band.high.toFixed(1)} %
          </Figure>
          .{' '}
          {lot.verdict === 'pass'
            ? 'It can be released.'
            : (lot.never ??
              (lot.daysToBand !== null && lot.daysToBand > 0
                ? `About ${Math.ceil(lot.daysToBand)} days to the band, by the prior for its species and thickness.`
                : 'The mean is in band; see what else its gate asks.'))}
        </>
      )}
    </Answer>
  );
}

function ReadingForm({ card }: { card: View<'LotCardView'> }) {
  const { lot } = card;
  const zones = useZones();
  const roomTempC = zones.data?.find((z) => z.id === lot.zoneId)?.tempC;
  const [text, setText] = useState('');
  const [temp, setTemp] = useState<string | null>(null);
  const [meter, setMeter] = useState<'pin' | 'pinless'>('pin');
  const field = useRef<HTMLInputElement>(null);
  useKey(
    'l',
    useCallback(() => field.current?.focus(), []),
  );
  const log = useCommand(
    (body: View<'ReadingsDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/readings', { params: { path: { id: lot.id } }, body, headers })),
    () => setText(''),
  );
  const woodTempC = Number((temp ?? roomTempC?.toFixed(1) ?? '20').replace(',', '.'));
  const tempFits = woodTempC >= -20 && woodTempC <= 60;
  const { readings, problems } = parseReadings(text);
  const parsed: Parsed = {
    values: readings.map((r) => {
      const value = meter === 'pin' && tempFits ? correctedMoisturePct(r.rawPct, woodTempC) : r.rawPct;
      return { value, shown: `${r.depth === 'core' ? 'c' : ''}${value.toFixed(1)}` };
    }),
    problems: problems.map((p) => p.message),
  };
  return (
    <Stack spacing={1.5}>
      <QuickEntry
        label="Readings"
        text={text}
        onChange={setText}
        parsed={parsed}
        band={lot.band}
        unit="%"
        hint="As you say them: 8.4 8.6 9.1 c9.6 — c for the core"
        inputRef={field}
        aside={<Typography variant="caption">corrected</Typography>}
      />
      <Stack direction="row" spacing={1.5}>
        <TextField
          label="Wood temperature, °C"
          value={temp ?? roomTempC?.toFixed(1) ?? '20'}
          onChange={(event) => setTemp(event.target.value)}
          error={!tempFits}
          sx={{ width: 170 }}
        />
        <TextField
          select
          label="Meter"
          value={meter}
          onChange={(event) => setMeter(event.target.value === 'pin' ? 'pin' : 'pinless')}
          sx={{ width: 120 }}
        >
          <MenuItem value="pin">pin</MenuItem>
          <MenuItem value="pinless">pinless</MenuItem>
        </TextField>
        <Button
          variant="contained"
          disabled={readings.length === 0 || problems.length > 0 || !tempFits}
          loading={log.isPending}
          onClick={() => log.mutate({ version: lot.version, text, woodTempC, meter })}
        >
          Log session
        </Button>
      </Stack>
      {log.error && <ErrorNote error={log.error} />}
    </Stack>
  );
}

function Became({ card }: { card: View<'LotCardView'> }) {
  if (card.batches.length === 0) return <Typography color="text.secondary">No batch has been cut from it yet.</Typography>;
  return (
    <>
      {card.batches.map((b) => (
        <Typography key={b.batchId}>
          <Link component={RouterLink} to={`/batches/${b.batchId}`}>
            <Id>{b.batchId}</Id>
          </Link>{' '}
          {b.modelName} {b.component}
        </Typography>
      ))}
      {card.serials.length > 0 && (
        <Typography variant="body2" color="text.secondary" sx={{ mt: 1 }}>
          In {card.serials.length} instruments:{' '}
          {card.serials.slice(0, 12).map((serial) => (
            <Link key={serial} component={RouterLink} to={`/records/${serial}`} sx={{ mr: 1 }}>
              <Id>{serial}</Id>
            </Link>
          ))}
          {card.serials.length > 12 && '…'}
        </Typography>
      )}
    </>
  );
}

function Log({ card }: { card: View<'LotCardView'> }) {
  const { dateTime } = useSession();
  const columns: GridColDef<View<'LogView'>>[] = [
    { field: 'atMs', headerName: 'When', width: 150, valueFormatter: (value: number) => dateTime(value) },
    { field: 'sentence', headerName: 'What', flex: 1, minWidth: 260 },
    { field: 'by', headerName: 'Who', width: 170 },
  ];
  return <DataTable label={`Log of ${card.lot.id}`} rows={card.log} columns={columns} getRowId={(l) => l.id} height={300} />;
}
