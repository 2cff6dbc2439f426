import { buyingCall, formatLumber, type BuyingCall } from '@ample-crane/core';
import { Link, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useStock } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { Allotment } from './Allotment.tsx';
import { WoodTabs } from './WoodTabs.tsx';

type Cover = View<'CoverView'>;

/** What wood there is, how long it lasts, what to buy and by when, and which blank becomes what. */
export default function StockScreen() {
  const query = useStock();
  return (
    <Screen title="Stock" query={query}>
      {(stock) => (
        <>
          <WoodTabs />
          <StockAnswer cover={stock.cover} />
          <CoverTable cover={stock.cover} />
          <Section title="Blanks by weight">
            <Allotment />
          </Section>
          <Lines lines={stock.lines} />
          {stock.suppliers.length > 0 && (
            <Section title="First session against the supplier’s papers">
              {stock.suppliers.map((s) => (
                <Typography key={s.supplier}>
                  {s.supplier}:{' '}
                  <Figure>
                    {s.wetterPct >= 0 ? '+' : '−'}
                    {Math.abs(s.wetterPct).toFixed(1)}
                  </Figure>{' '}
                  points, over {counted(s.lots, 'lot', 'lots')}
                  {s.wetterPct > 1.5 && ': wetter than its papers say'}
                </Typography>
              ))}
            </Section>
          )}
        </>
      )}
    </Screen>
  );
}

function StockAnswer({ cover }: { cover: readonly Cover[] }) {
  const { nowMs, date } = useSession();
  const soonest = [...cover].sort((a, b) => (a.buyByMs ?? Infinity) - (b.buyByMs ?? Infinity));
  const asking = (call: BuyingCall) => soonest.filter((c) => buyingCall(c, nowMs) === call);
  const [buy, late, unknown, next] = [
    asking('buy this month'),
    asking('too late to dry'),
    asking('drying time unknown'),
    asking('nothing yet')[0],
  ];
  const kind = (c: Cover) => `${c.species} for ${c.use}`;
  return (
    <Answer>
      {buy.length === 0 ? (
        'No wood needs buying this month.'
      ) : (
        <>To buy this month: {buy.map((c) => `${kind(c)} by ${date(c.buyByMs ?? nowMs)}`).join(', ')}.</>
      )}{' '}
      {late.length > 0 && (
        <>
          {late.map((c, i) => `${i === 0 ? capital(kind(c)) : kind(c)} runs short on ${date(c.shortMs ?? nowMs)}`).join(', ')}, and wood
          bought today would not be dry by then: buy it dry, or promise later.
        </>
      )}{' '}
      {unknown.length > 0 && (
        <>
          {unknown.map((c, i) => `${i === 0 ? capital(kind(c)) : kind(c)} runs short on ${date(c.shortMs ?? nowMs)}`).join(', ')}; how long
          it dries is not on record, so nobody can say by when to buy.
        </>
      )}{' '}
      {buy.length === 0 && late.length === 0 && next?.buyByMs != null && (
        <>
          The next is {kind(next)}, by <Figure>{date(next.buyByMs)}</Figure>.
        </>
      )}
    </Answer>
  );
}

const capital = (words: string) => words.slice(0, 1).toUpperCase() + words.slice(1);

function CoverTable({ cover }: { cover: readonly Cover[] }) {
  const { units, date, nowMs } = useSession();
  const volume = (value: number) => (value > 0 ? formatLumber(value, units) : '');
  const columns: GridColDef<Cover>[] = [
    { field: 'species', headerName: 'Species', width: 112 },
    { field: 'use', headerName: 'For', width: 70 },
    {
      field: 'days',
      headerName: 'Lasts',
      width: 76,
      type: 'number',
      valueGetter: (_, c) => c.days ?? Infinity,
      valueFormatter: (_, c) => (c.days === null ? 'a year +' : `${Math.floor(c.days)} d`),
    },
    { field: 'readyM3', headerName: 'Ready', width: 84, type: 'number', valueFormatter: volume },
    { field: 'dryingM3', headerName: 'Drying', width: 84, type: 'number', valueFormatter: volume },
    ...(cover.some((c) => c.keptM3 > 0)
      ? [{ field: 'keptM3', headerName: 'Kept', width: 76, type: 'number' as const, valueFormatter: volume }]
      : []),
    {
      field: 'blanks',
      headerName: 'Blanks',
      width: 96,
      valueGetter: (_, c) => c.blanks,
      valueFormatter: (_, c) => (c.blanks === 0 ? '' : `${c.blanks}, ${c.reserved} kept`),
    },
    { field: 'partMade', headerName: 'On floor', width: 78, type: 'number' },
    {
      field: 'buyByMs',
      headerName: 'Buy by',
      width: 140,
      valueFormatter: (value: number | null) => (value === null ? '' : value < nowMs ? `${date(value)}, late` : date(value)),
    },
    {
      field: 'shortM3',
      headerName: 'How much',
      width: 88,
      type: 'number',
      valueFormatter: (value: number) => (value > 0 ? volume(value) : ''),
    },
    { field: 'ordersAtRisk', headerName: 'Orders at risk', flex: 1, minWidth: 110, valueFormatter: (value: string[]) => value.join(', ') },
    {
      field: 'cutFirst',
      headerName: 'Cut first',
      width: 78,
      renderCell: ({ row }) =>
        row.cutFirst === null ? null : (
          <Link component={RouterLink} to={`/lots/${row.cutFirst}`}>
            <Id>{row.cutFirst}</Id>
          </Link>
        ),
    },
  ];
  return (
    <DataTable
      label="Cover"
      heading="Cover"
      rows={[...cover].sort((a, b) => (a.days ?? 1e9) - (b.days ?? 1e9))}
      columns={columns}
      getRowId={(c) => `${c.species} ${c.use}`}
      height={420}
    />
  );
}

function Lines({ lines }: { lines: readonly View<'StockLineView'>[] }) {
  const { units } = useSession();
  const columns: GridColDef<View<'StockLineView'>>[] = [
    { field: 'species', headerName: 'Species', width: 140 },
    { field: 'use', headerName: 'For', width: 90 },
    { field: 'form', headerName: 'Form', flex: 1, minWidth: 120 },
    { field: 'grade', headerName: 'Grade', width: 80 },
    { field: 'state', headerName: 'State', width: 110 },
    { field: 'lots', headerName: 'Lots', width: 70, type: 'number' },
    { field: 'pieces', headerName: 'Pieces', width: 80, type: 'number' },
    {
      field: 'leftM3',
      headerName: 'Volume',
      width: 110,
      type: 'number',
      valueFormatter: (value: number | null) => (value === null ? '' : formatLumber(value, units)),
    },
  ];
  return (
    <DataTable
      label="Stock"
      heading="By species, form, grade and state"
      rows={lines}
      columns={columns}
      getRowId={(l) => `${l.species} ${l.use} ${l.form} ${l.grade ?? ''} ${l.state}`}
      height={360}
    />
  );
}
