import { DAY_MS, formatLumber, groupBy } from '@ample-crane/core';
import { Box, Button, Link, ToggleButton, ToggleButtonGroup } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { Fragment, useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { useLots } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Finding, SeverityMark, severityOf } from '../parts/Finding.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { ImportDialog } from './ImportDialog.tsx';
import { readyWords } from './ready.ts';
import { useWoodRoom } from './useWoodRoom.ts';
import { ReceiveDialog } from './ReceiveDialog.tsx';
import { UsedUpLots } from './UsedUpLots.tsx';
import { WoodTabs } from './WoodTabs.tsx';

type Lot = View<'LotView'>;

/** Which lots can be cut today, which are on their way, which will never get there. */
export default function WoodRoomScreen() {
  const [shown, setShown] = useState<'drying' | 'released' | 'used up'>('drying');
  const query = useLots();
  const { may, nowMs } = useSession();
  const woodRoom = useWoodRoom();
  const [dialog, setDialog] = useState<'receive' | 'import' | null>(null);
  return (
    <Screen
      title="Wood room"
      query={query}
      actions={
        <>
          <Button component="a" href="/api/lots/histories.csv" download>
            Histories as CSV
          </Button>
          {may('operator') && (
            <Button variant="outlined" onClick={() => setDialog('import')}>
              Import readings
            </Button>
          )}
          {may('lead') && (
            <Button variant="contained" onClick={() => setDialog('receive')}>
              Receive a lot
            </Button>
          )}
        </>
      }
    >
      {(lots) => {
        const drying = lots.filter((l) => l.state === 'drying');
        const ready = drying.filter((l) => l.verdict === 'pass');
        const never = drying.filter((l) => l.ready?.kind === 'not in this room');
        const soon = drying.filter(
          (l) => l.ready?.kind === 'on its way' && l.ready.likelyMs !== null && l.ready.likelyMs < nowMs + 14 * DAY_MS,
        );
        const late = wetterThanPapers(drying);
        const released = lots.filter((l) => l.state === 'released');
        const out = released.filter((l) => l.outOfBand !== null);
        const free = released.filter((l) => l.outOfBand !== 'since its release');
        const measured = free.filter((l) => l.wholeBoards > 0);
        return (
          <>
            <WoodTabs />
            <Answer>
              <Figure>{ready.length}</Figure> of {counted(drying.length, 'drying lot', 'drying lots')} can be released now;{' '}
              <Figure>{soon.length}</Figure> should be in band within two weeks; <Figure>{free.length}</Figure> are free for the mill,{' '}
              <Figure>{measured.length}</Figure> of them with measured boards
              {never.length > 0 && (
                <>
                  ; <Figure>{never.length}</Figure> will not get there where {never.length === 1 ? 'it lies' : 'they lie'}
                </>
              )}
              .
            </Answer>
            {out.length > 0 && <Finding severity="attention" sentence={<ReadAgain lots={out} />} />}
            {late && <Finding severity="attention" sentence={late} />}
            {ready.map((lot) => (
              <Finding
                key={lot.id}
                severity="ready"
                sentence={`Lot ${lot.id}, ${lot.species}: every rule of its gate passes.`}
                action={may('lead') ? <GateAct subject="lot" id={lot.id} version={lot.version} label={`Release ${lot.id}`} /> : undefined}
              />
            ))}
            <ToggleButtonGroup
              exclusive
              size="small"
              value={shown}
              onChange={(_, value: typeof shown | null) => value && setShown(value)}
              aria-label="Which lots"
              sx={{ mb: 1, mt: 1 }}
            >
              <ToggleButton value="drying">Drying {drying.length}</ToggleButton>
              <ToggleButton value="released">Released {released.length}</ToggleButton>
              <ToggleButton value="used up">Used up</ToggleButton>
            </ToggleButtonGroup>
            {shown === 'used up' ? <UsedUpLots /> : <LotTable lots={lots.filter((l) => l.state === shown)} />}
            {dialog === 'receive' && <ReceiveDialog zoneId={woodRoom ?? ''} onClose={() => setDialog(null)} />}
            {dialog === 'import' && <ImportDialog onClose={() => setDialog(null)} />}
          </>
        );
      }}
    </Screen>
  );
}

/** Released lots that lie outside their band: let go on a damp or dry time's band, or gone out since. */
function ReadAgain({ lots }: { lots: readonly Lot[] }) {
  return (
    <>
      {counted(lots.length, 'released lot is', 'released lots are')} out of band:{' '}
      {lots.map((lot, i) => (
        <Fragment key={lot.id}>
          {i > 0 && ', '}
          <Link component={RouterLink} to={`/lots/${lot.id}`}>
            {lot.id}
          </Link>{' '}
          ({lot.meanPct?.toFixed(1)} %)
        </Fragment>
      ))}
      . Read {lots.length === 1 ? 'it' : 'them'} again before {lots.length === 1 ? 'it is' : 'they are'} cut.
    </>
  );
}

/** Which supplier's lots come wetter than their papers say, where it is one. */
function wetterThanPapers(drying: readonly Lot[]): string | null {
  const wetter = drying.filter((l) => l.papersPct !== null && l.firstPct !== null && l.firstPct > l.papersPct + 1.5);
  const [worst] = [...groupBy(wetter, (l) => l.supplier)].sort((a, b) => b[1].length - a[1].length);
  if (!worst || worst[1].length < 2) return null;
  const [supplier, lots] = worst;
  const over = lots.reduce((sum, l) => sum + (l.firstPct ?? 0) - (l.papersPct ?? 0), 0) / lots.length;
  return `${supplier}: ${lots.map((l) => l.id).join(', ')} came ${over.toFixed(1)} points wetter than their papers say`;
}

function whenReady(lot: Lot, nowMs: number): string {
  if (lot.state !== 'drying') return '';
  if (lot.ready) return readyWords(lot.ready, nowMs);
  return lot.lastReadMs === null ? 'not read yet' : 'rate unknown';
}

function LotTable({ lots }: { lots: readonly Lot[] }) {
  const navigate = useNavigate();
  const { units, date, nowMs } = useSession();
  // One scale for all lots, so that how far each has to go can be seen down the column.
  const shown = lots.flatMap((l) => [...l.latest, l.band.low, l.band.high]);
  const domain = [Math.min(...shown) - 0.5, Math.max(...shown) + 0.5] as const;
  const columns: GridColDef<Lot>[] = [
    {
      field: 'id',
      headerName: 'Lot',
      width: 100,
      renderCell: ({ row }) => (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', height: '100%' }}>
          {row.state === 'drying' && (
            <SeverityMark severity={row.ready?.kind === 'not in this room' ? 'attention' : severityOf(row)} size={18} />
          )}
          <Id>{row.id}</Id>
        </Box>
      ),
    },
    { field: 'species', headerName: 'Species', width: 108 },
    { field: 'use', headerName: 'For', width: 62 },
    { field: 'thicknessMm', headerName: 'mm', type: 'number', width: 48 },
    {
      field: 'leftM3',
      headerName: 'Left',
      type: 'number',
      width: 82,
      valueFormatter: (value: number) => formatLumber(value, units),
    },
    {
      field: 'meanPct',
      headerName: 'Mean %',
      type: 'number',
      width: 80,
      valueFormatter: (value: number | null) => value?.toFixed(1) ?? '',
    },
    {
      field: 'latest',
      headerName: 'Latest session, band',
      width: 206,
      sortable: false,
      valueFormatter: (value: number[]) => value.join(' '),
      renderCell: ({ row }) =>
        row.state === 'drying' ? (
          <BandStrip
            label={`Lot ${row.id}`}
            unit="%"
            low={row.band.low}
            high={row.band.high}
            values={row.latest}
            domain={domain}
            width={190}
          />
        ) : null,
    },
    {
      field: 'ready',
      headerName: 'Mean in band',
      width: 132,
      valueGetter: (_, row) =>
        row.ready?.kind === 'in band' ? 0 : row.ready?.kind === 'not in this room' ? Infinity : (row.ready?.likelyMs ?? null),
      valueFormatter: (_, row) => whenReady(row, nowMs),
    },
    { field: 'place', headerName: 'Place', width: 66 },
    { field: 'supplier', headerName: 'Supplier', flex: 1, minWidth: 150 },
    {
      field: 'receivedMs',
      headerName: 'Received',
      width: 110,
      valueFormatter: (value: number) => date(value),
    },
  ];
  return (
    <DataTable
      label="Lots"
      rows={lots}
      columns={columns}
      getRowId={(l) => l.id}
      onOpen={(l) => void navigate(`/lots/${l.id}`)}
      height="calc(100vh - 350px)"
      empty="No lot in this state. Receive one to begin."
    />
  );
}
