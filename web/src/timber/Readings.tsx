import { METER_NOISE_PCT, outliers } from '@ample-crane/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';

interface Row extends View<'ReadingView'> {
  sessionId: string;
  atMs: number;
  by: string;
  /** stands apart from the rest of its session */
  odd: boolean;
}

/** A session's readings, each with whether it stands apart. */
export function rowsOf(session: View<'ReadingSessionView'>): Row[] {
  const counted = session.readings.filter((r) => r.struck === null);
  const apart = outliers(
    counted.map((r) => r.correctedPct),
    METER_NOISE_PCT,
  ).map((i) => counted[i]);
  return session.readings.map((r) => ({ ...r, sessionId: session.id, atMs: session.atMs, by: session.by, odd: apart.includes(r) }));
}

/** Every reading; one that stands apart is marked with an exclamation mark; one that was mistaken is struck out with a reason and stays in sight. */
export function Readings({ card }: { card: View<'LotCardView'> }) {
  const { dateTime, may } = useSession();
  const [struck, setStruck] = useState<Row | null>(null);
  const [reason, setReason] = useState('');
  const strike = useCommand(
    (body: View<'StrikeDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/strike', { params: { path: { id: card.lot.id } }, body, headers })),
    () => setStruck(null),
  );
  const open = (row: Row) => {
    setReason('');
    setStruck(row);
  };
  const rows = card.sessions.flatMap(rowsOf).reverse();
  const columns: GridColDef<Row>[] = [
    { field: 'atMs', headerName: 'When', width: 136, valueFormatter: (value: number) => dateTime(value) },
    { field: 'depth', headerName: 'Depth', width: 62 },
    { field: 'rawPct', headerName: 'Meter', type: 'number', width: 68 },
    {
      field: 'correctedPct',
      headerName: 'Corrected',
      type: 'number',
      width: 92,
      valueFormatter: (value: number, row) => `${row.odd ? '! ' : ''}${value.toFixed(1)}`,
    },
    { field: 'by', headerName: 'Who', flex: 1, minWidth: 80 },
    {
      field: 'struck',
      headerName: 'Struck out',
      width: 112,
      renderCell: ({ row }) =>
        row.struck ??
        (may('operator') && card.lot.state === 'drying' ? (
          <Button size="small" onClick={() => open(row)} aria-label={`Strike out ${row.rawPct}`}>
            Strike out
          </Button>
        ) : null),
    },
  ];
  const close = () => {
    setStruck(null);
    strike.reset();
  };
  return (
    <>
      <DataTable
        label={`Readings of ${card.lot.id}`}
        rows={rows}
        columns={columns}
        getRowId={(r) => `${r.sessionId}/${r.seq}`}
        height={320}
        empty="No session yet"
      />
      {struck && (
        <Dialog open onClose={close} aria-labelledby="strike-title">
          <DialogTitle id="strike-title">Strike out {struck.rawPct} %</DialogTitle>
          <DialogContent>
            <TextField
              label="Why it does not count"
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              autoFocus
              sx={{ mt: 1 }}
              fullWidth
            />
            {strike.error && <ErrorNote error={strike.error} />}
          </DialogContent>
          <DialogActions>
            <Button onClick={close}>Cancel</Button>
            <Button
              variant="contained"
              disabled={reason.trim() === ''}
              loading={strike.isPending}
              onClick={() => strike.mutate({ version: card.lot.version, sessionId: struck.sessionId, seq: struck.seq, reason })}
            >
              Strike out
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
