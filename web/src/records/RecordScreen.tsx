import { formatFit } from '@ample-crane/core';
import { Box, Button, Link, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { Link as RouterLink, useParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useRecord } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { LogTable } from '../parts/LogTable.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { buildTicks, microns } from '../parts/words.ts';

type Instrument = View<'RecordView'>;

/** What an instrument was made of, by whom and when, back to the readings of its wood. */
export default function RecordScreen() {
  const { serial = '' } = useParams();
  const query = useRecord(serial);
  return (
    <Screen
      title={`Instrument ${serial}`}
      query={query}
      actions={
        <Button variant="outlined" onClick={() => window.print()}>
          Print record
        </Button>
      }
    >
      {(record) => (
        <>
          <Headline record={record} />
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1fr)' },
              gap: 3,
            }}
          >
            {record.parts.map((part) => (
              <Part key={part.pieceId} part={part} />
            ))}
          </Box>
          {record.overrides.length > 0 && (
            <Section title="Overrides on record">
              {record.overrides.map((o) => (
                <Finding
                  key={o.atMs}
                  severity="attention"
                  sentence={`${o.operationName ?? ''}: ${o.reason}`}
                  remedy={`${o.by}. Against: ${o.findings
                    .filter((f) => f.verdict !== 'pass')
                    .map((f) => f.sentence)
                    .join('; ')}`}
                />
              ))}
            </Section>
          )}
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1fr)' },
              gap: 3,
            }}
          >
            <Section title="Finish">
              <Finish record={record} />
            </Section>
            <Section title="Measures">
              <Measures record={record} />
            </Section>
          </Box>
          {record.defects.length > 0 && (
            <Section title="Defects and what was done">
              {record.defects.map((d) => (
                <Finding
                  key={d.id}
                  severity={d.disposition === 'scrap' ? 'stop' : 'attention'}
                  sentence={`${d.pieceId}: ${d.kind}, ${d.disposition}`}
                  remedy={`Found at ${d.operationName}, comes from ${d.originOperationName}. ${d.note} ${d.by}`}
                />
              ))}
            </Section>
          )}
          <Steps record={record} />
          <LogTable heading="Log, from the first cut" of={record.instrument.serial} log={record.log} height={360} />
        </>
      )}
    </Screen>
  );
}

function Headline({ record }: { record: Instrument }) {
  const { date, units } = useSession();
  const { instrument } = record;
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
      <StreamGlyph of="instrument" size={48} />
      <Answer>
        {instrument.modelName}, {record.construction}. Started <Figure>{date(instrument.startedMs)}</Figure>, fitted{' '}
        <Figure>{date(instrument.fittedMs)}</Figure>
        {record.clearanceMm !== null && (
          <>
            {' '}
            with <Figure>{formatFit(record.clearanceMm, units)}</Figure> clearance
          </>
        )}
        {instrument.shippedMs !== null ? (
          <>
            , shipped <Figure>{date(instrument.shippedMs)}</Figure> to {instrument.consignee} with {record.shipper}.
          </>
        ) : (
          <>
            ; {instrument.state}, now in batch{' '}
            <Link component={RouterLink} to={`/batches/${instrument.batchId}`}>
              {instrument.batchId}
            </Link>
            .
          </>
        )}
      </Answer>
    </Box>
  );
}

function Part({ part }: { part: View<'PartView'> }) {
  const { date } = useSession();
  return (
    <Section title={part.component === 'body' ? 'Body' : 'Neck'}>
      <Typography>
        <Id>{part.pieceId}</Id>, of batch{' '}
        <Link component={RouterLink} to={`/batches/${part.batchId}`}>
          {part.batchId}
        </Link>
        {part.lotId !== null && (
          <>
            , cut from lot{' '}
            <Link component={RouterLink} to={`/lots/${part.lotId}`}>
              {part.lotId}
            </Link>
            {part.boardId !== null && `, board ${part.boardId}`}
          </>
        )}
      </Typography>
      <Typography variant="body2" color="text.secondary">
        {part.species}, {part.origin}, from {part.supplier}
        {part.permit !== null && `, permit ${part.permit}`}
      </Typography>
      {part.atRelease && part.releasedMs !== null && (
        <Typography sx={{ mt: 0.5 }}>
          Released {date(part.releasedMs)} at <Figure>{part.atRelease.meanPct.toFixed(1)} %</Figure>; that session read{' '}
          <Id>
            {part.atRelease.readings
              .filter((r) => r.struck === null)
              .map((r) => `${r.depth === 'core' ? 'c' : ''}${r.correctedPct.toFixed(1)}`)
              .join(' ')}
          </Id>
          , one of {part.sessions}.
        </Typography>
      )}
      <Typography variant="body2" color="text.secondary" sx={{ mt: 0.5 }}>
        {part.visits
          .filter((v) => v.leftMs !== null)
          .map((v) => `${v.operationName}${v.by === null ? '' : ` (${v.by})`}`)
          .join(' → ')}
      </Typography>
    </Section>
  );
}

function Finish({ record }: { record: Instrument }) {
  const { dateTime } = useSession();
  if (record.coats.length === 0) return <Empty>No coat on it yet.</Empty>;
  return (
    <>
      {record.build && (
        <>
          <Typography>
            {record.build.materialName}: <Figure>{microns(record.build)} µm</Figure> dry, {record.build.verdict}
          </Typography>
          <BandStrip label="Dry build" unit="µm" low={record.build.lowUm} high={record.build.highUm} values={buildTicks(record.build)} />
        </>
      )}
      {record.coats.map((coat) => (
        <Typography key={coat.id} variant="body2" color="text.secondary">
          {dateTime(coat.atMs)} · {coat.wetUm} µm wet, {coat.dryUm} µm dry · {coat.by}
        </Typography>
      ))}
    </>
  );
}

function Measures({ record }: { record: Instrument }) {
  if (record.measures.length === 0) return <Empty>Nothing measured yet.</Empty>;
  return (
    <>
      {record.measures.map((m) => (
        <Box key={m.id} sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {m.characteristicName}, {m.operationName.toLowerCase()}
          </Typography>
          <BandStrip label={m.characteristicName} unit={m.unit} low={m.low} high={m.high} values={[m.value]} width={150} />
          <Figure>
            {m.value} {m.unit}
          </Figure>
        </Box>
      ))}
    </>
  );
}

function Steps({ record }: { record: Instrument }) {
  const { dateTime } = useSession();
  const when = (headerName: string, field: string) => ({
    field,
    headerName,
    width: 150,
    valueFormatter: (value: number | null) => (value === null ? '' : dateTime(value)),
  });
  const columns: GridColDef<View<'VisitView'>>[] = [
    { field: 'operationName', headerName: 'Step', flex: 1, minWidth: 180 },
    { field: 'stationName', headerName: 'Station', flex: 1, minWidth: 150 },
    when('Came', 'arrivedMs'),
    when('Left', 'leftMs'),
    { field: 'by', headerName: 'Who', width: 170 },
  ];
  return (
    <DataTable
      label={`Steps of ${record.instrument.serial}`}
      heading="Steps as an instrument"
      rows={record.visits}
      columns={columns}
      getRowId={(v) => `${v.operationId}/${v.pass}`}
      height={340}
    />
  );
}
