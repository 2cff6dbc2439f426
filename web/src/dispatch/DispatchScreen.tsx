import { Box, Button, Link, Stack, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useForm } from 'react-hook-form';
import { Link as RouterLink, useNavigate } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useBatchPage, useCard, useCommand, useInstrumentPage, useOrders, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { PagedTable } from '../parts/PagedTable.tsx';
import { fileOf, usePaging } from '../parts/paging.ts';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';

/** Batches to ship from that are shown at once, the soonest due first. */
const SHOWN = 50;

/** What is ready to go, and the ledger of what has gone. */
export default function DispatchScreen() {
  const query = useBatchPage({ stage: 'dispatch', sort: 'dueMs', size: SHOWN });
  return (
    <Screen title="Dispatch" query={query}>
      {({ rows: batches, next }) => {
        const ready = batches.reduce((sum, b) => sum + b.quantity, 0);
        return (
          <>
            <Answer>
              {next !== null && 'At least '}
              <Figure>{ready}</Figure> {ready === 1 ? 'instrument is' : 'instruments are'} ready to ship.
            </Answer>
            <Section title="Ready">
              {batches.length === 0 ? (
                <Empty>Nothing waits to be shipped. What passes final inspection comes here.</Empty>
              ) : (
                batches.map((b) => <ReadyBatch key={b.id} batch={b} />)
              )}
              {next !== null && <Empty>More batches wait behind these; they come up as these are shipped.</Empty>}
            </Section>
            <Section title="Ledger">
              <Ledger />
            </Section>
          </>
        );
      }}
    </Screen>
  );
}

function ReadyBatch({ batch }: { batch: View<'BatchView'> }) {
  const card = useCard(batch.id);
  const orders = useOrders();
  const { may } = useSession();
  const customer = orders.data?.find((o) => o.id === batch.orderId)?.customer;
  // Whom it is for is known before anybody types.
  const { control } = useForm({
    values: { consignee: customer ?? card.data?.customer ?? '', shipper: 'Own van' },
    resetOptions: { keepDirtyValues: true },
  });
  const typed = useTyped(control);
  const { consignee, shipper } = typed;
  const consignees = useSetup().data?.consignees ?? [];
  const note = consignees.find((c) => c.name === consignee.trim())?.note ?? '';
  const ship = useCommand(({ serial, ...body }: View<'ShipDto'> & { serial: string }, headers) =>
    ask(client.POST('/api/instruments/{serial}/ship', { params: { path: { serial } }, body, headers })),
  );
  const ready = card.data?.pieces.filter((p) => p.state === 'good') ?? [];
  return (
    <Box sx={{ mb: 2 }}>
      <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', mb: 1, flexWrap: 'wrap' }}>
        <StreamGlyph of="instrument" />
        <Link component={RouterLink} to={`/batches/${batch.id}`}>
          <Id>{batch.id}</Id>
        </Link>
        <Typography sx={{ flex: 1 }}>
          {batch.quantity} × {batch.modelName}
        </Typography>
        <TextIn
          control={control}
          name="consignee"
          label={`Consignee of ${batch.id}`}
          known={consignees.map((c) => c.name)}
          sx={{ width: 260 }}
        />
        <TextIn control={control} name="shipper" label="Shipped with" sx={{ width: 140 }} />
      </Stack>
      {note !== '' && (
        <Typography color="text.secondary" sx={{ mb: 1, whiteSpace: 'pre-line' }}>
          {note}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {ready.map((piece) => (
          <Button
            key={piece.id}
            variant="outlined"
            disabled={!may('operator') || consignee.trim() === '' || shipper.trim() === '' || ship.isPending || card.isFetching}
            onClick={() =>
              ship.mutate({
                serial: piece.id,
                version: card.data?.batch.version ?? batch.version,
                consignee: consignee.trim(),
                shipper: shipper.trim(),
              })
            }
          >
            Ship {piece.id}
          </Button>
        ))}
      </Box>
      {ship.error && <ErrorNote error={ship.error} />}
    </Box>
  );
}

function Ledger() {
  const paging = usePaging('-shippedMs');
  const query = useInstrumentPage({ ...paging.asked, state: 'shipped' });
  const navigate = useNavigate();
  const { date } = useSession();
  const columns: GridColDef<View<'InstrumentView'>>[] = [
    { field: 'serial', headerName: 'Serial', width: 140, renderCell: ({ row }) => <Id>{row.serial}</Id> },
    { field: 'modelName', headerName: 'Model', width: 120, sortable: false },
    {
      field: 'shippedMs',
      headerName: 'Shipped',
      width: 120,
      valueFormatter: (value: number | null) => (value === null ? '' : date(value)),
    },
    { field: 'consignee', headerName: 'Consignee', flex: 1, minWidth: 180 },
    { field: 'orderId', headerName: 'Order', width: 90, sortable: false },
    { field: 'startedMs', headerName: 'Started', width: 120, sortable: false, valueFormatter: (value: number) => date(value) },
  ];
  return (
    <PagedTable
      label="Ledger"
      query={query}
      paging={paging}
      columns={columns}
      getRowId={(i) => i.serial}
      onOpen={(i) => void navigate(`/records/${i.serial}`)}
      find="Serial or consignee"
      csv={fileOf('/api/instruments/list.csv', { state: 'shipped', text: paging.text })}
      height="420px"
      empty="Nothing has shipped yet"
    />
  );
}
