import { Button, useMediaQuery, useTheme } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useOrders } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { OrderDrawer } from './OrderDrawer.tsx';
import { OrderPastDrawer } from './OrderPastDrawer.tsx';
import { PlaceOrderDialog } from './PlaceOrderDialog.tsx';
import { StartBatchDialog } from './StartBatchDialog.tsx';

type Order = View<'OrderView'>;

/** What has been promised, where it is, and what can be started for it. */
export default function OrdersScreen() {
  const query = useOrders();
  const { may } = useSession();
  const [placing, setPlacing] = useState(false);
  const [startingId, setStartingId] = useState<string | null>(null);
  const [search, setSearch] = useSearchParams();
  return (
    <Screen
      title="Orders"
      query={query}
      actions={
        may('manager') && (
          <Button variant="contained" onClick={() => setPlacing(true)}>
            Place an order
          </Button>
        )
      }
    >
      {(orders) => {
        const late = orders.filter((o) => o.lateDays > 0).length;
        const starting = orders.find((o) => o.id === startingId);
        const asked = search.get('order');
        const opened = orders.find((o) => o.id === asked);
        const unstarted = orders.filter((o) => o.batchIds.length === 0).length;
        return (
          <>
            <Answer>
              {counted(orders.length, 'order is', 'orders are')} open, <Figure>{unstarted}</Figure> not started; <Figure>{late}</Figure>{' '}
              {late === 1 ? 'is' : 'are'} late even at the earliest.
            </Answer>
            <OrderTable
              orders={orders}
              onStart={may('lead') ? (order) => setStartingId(order.id) : undefined}
              onOpen={(order) => setSearch({ order: order.id })}
            />
            {asked !== null && !opened && <OrderPastDrawer id={asked} onClose={() => setSearch({})} />}
            {opened && (
              <OrderDrawer
                order={opened}
                onStart={may('lead') ? () => setStartingId(opened.id) : undefined}
                onClose={() => setSearch({})}
              />
            )}
            {placing && <PlaceOrderDialog onClose={() => setPlacing(false)} onPlaced={setStartingId} />}
            {starting && <StartBatchDialog key={starting.id} order={starting} onClose={() => setStartingId(null)} />}
          </>
        );
      }}
    </Screen>
  );
}

/** What is looked for on the way through the building. */
const FIRST = ['id', 'dueMs', 'lateDays', 'status'];

/** On a telephone the date and where it is stand first; the rest follows to the right. */
const first = (columns: GridColDef<Order>[]): GridColDef<Order>[] => [
  ...FIRST.flatMap((field) => columns.filter((c) => c.field === field)),
  ...columns.filter((c) => !FIRST.includes(c.field)),
];

interface TableProps {
  orders: readonly Order[];
  onStart: ((order: Order) => void) | undefined;
  onOpen: (order: Order) => void;
}

function OrderTable({ orders, onStart, onOpen }: TableProps) {
  const { date } = useSession();
  const onTelephone = useMediaQuery(useTheme().breakpoints.down('sm'));
  const columns: GridColDef<Order>[] = [
    { field: 'id', headerName: 'Order', width: 74, renderCell: ({ row }) => <Id>{row.id}</Id> },
    { field: 'modelName', headerName: 'Model', width: 96 },
    {
      field: 'shipped',
      headerName: 'Shipped',
      width: 78,
      valueFormatter: (value: number, { quantity }) => `${value} of ${quantity}`,
    },
    {
      field: 'options',
      headerName: 'Options',
      flex: 1,
      minWidth: 124,
      valueFormatter: (value: string[]) => value.map((v) => v.replace(/^[^:]*: /, '')).join(', '),
    },
    { field: 'customer', headerName: 'For', width: 124 },
    { field: 'dueMs', headerName: 'Due', width: 102, valueFormatter: (value: number) => date(value) },
    {
      field: 'earliestMs',
      headerName: 'Earliest',
      width: 102,
      valueFormatter: (value: number) => date(value),
    },
    {
      field: 'lateDays',
      headerName: 'Days late',
      type: 'number',
      width: 86,
      valueFormatter: (value: number) => (value > 0 ? String(value) : ''),
    },
    { field: 'status', headerName: 'Where it is', flex: 1, minWidth: 150 },
    ...(onStart
      ? [
          {
            field: 'act',
            headerName: 'Act',
            width: 116,
            sortable: false,
            filterable: false,
            disableExport: true,
            renderCell: ({ row }: { row: Order }) =>
              row.lacks.length > 0 && (
                <Button
                  onClick={(event) => {
                    event.stopPropagation();
                    onStart(row);
                  }}
                  aria-label={`Start a batch for ${row.id}`}
                >
                  Start a batch
                </Button>
              ),
          },
        ]
      : []),
  ];
  return (
    <DataTable
      label="Open orders"
      rows={orders}
      columns={onTelephone ? first(columns) : columns}
      getRowId={(o) => o.id}
      onOpen={onOpen}
      height="calc(100vh - 210px)"
      empty="No open order. Place one to begin."
    />
  );
}
