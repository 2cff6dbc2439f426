import { METER_NOISE_PCT, outliers } from '@ample-crane/core';
import { Button } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

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
  const [acted, setActed] = useState<{ row: Row; act: 'correct' | 'strike' } | null>(null);
  const rows = card.sessions.flatMap(rowsOf).reverse();
  const columns: GridColDef<Row>[] = [
    { field: 'atMs', headerName: 'When', width: 136, valueFormatter: (value: number) => dateTime(value) },
    { field: 'depth', headerName: 'Depth', width: 62 },
    {
      field: 'rawPct',
      headerName: 'Meter',
      type: 'number',
      width: 110,
      valueFormatter: (value: number, row) => (row.firstRawPct === null ? `${value}` : `${value} (was ${row.firstRawPct})`),
    },
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
      width: 190,
      renderCell: ({ row }) =>
        row.struck ??
        (may('operator') && card.lot.state === 'drying' ? (
          <>
            <Button size="small" onClick={() => setActed({ row, act: 'correct' })} aria-label={`Correct ${row.rawPct}`}>
              Correct
            </Button>
            <Button size="small" onClick={() => setActed({ row, act: 'strike' })} aria-label={`Strike out ${row.rawPct}`}>
              Strike out
            </Button>
          </>
        ) : null),
    },
  ];
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
      {acted?.act === 'strike' && <StrikeDialog lot={card.lot} reading={acted.row} onClose={() => setActed(null)} />}
      {acted?.act === 'correct' && <CorrectDialog lot={card.lot} reading={acted.row} onClose={() => setActed(null)} />}
    </>
  );
}

function StrikeDialog({ lot, reading, onClose }: { lot: View<'LotView'>; reading: Row; onClose: () => void }) {
  const { control, handleSubmit } = useForm({ defaultValues: { reason: '' } });
  const strike = useCommand(
    (body: View<'StrikeDto'>, headers) => ask(client.POST('/api/lots/{id}/strike', { params: { path: { id: lot.id } }, body, headers })),
    onClose,
  );
  const { sessionId, seq } = reading;
  return (
    <FormDialog
      title={`Strike out ${reading.rawPct} %`}
      submit="Strike out"
      pending={strike.isPending}
      error={strike.error}
      onSubmit={() => void handleSubmit(({ reason }) => strike.mutate({ version: lot.version, sessionId, seq, reason }))()}
      onClose={onClose}
    >
      <TextIn
        control={control}
        name="reason"
        label="Why it does not count"
        rules={{ validate: (reason) => reason.trim() !== '' || 'Say why' }}
        autoFocus
      />
    </FormDialog>
  );
}

function CorrectDialog({ lot, reading, onClose }: { lot: View<'LotView'>; reading: Row; onClose: () => void }) {
  const { control, handleSubmit } = useForm({ defaultValues: { text: `${reading.depth === 'core' ? 'c' : ''}${reading.rawPct}` } });
  const correct = useCommand(
    (body: View<'CorrectReadingDto'>, headers) =>
      ask(client.POST('/api/lots/{id}/correct', { params: { path: { id: lot.id } }, body, headers })),
    onClose,
  );
  const { sessionId, seq } = reading;
  return (
    <FormDialog
      title={`Correct ${reading.rawPct} %`}
      submit="Correct"
      pending={correct.isPending}
      error={correct.error}
      onSubmit={() => void handleSubmit(({ text }) => correct.mutate({ version: lot.version, sessionId, seq, text }))()}
      onClose={onClose}
    >
      <TextIn
        control={control}
        name="text"
        label="As it should have been typed"
        helperText="What was written first stays on record."
        rules={{ validate: (text) => text.trim() !== '' || 'Type the reading' }}
        autoFocus
      />
    </FormDialog>
  );
}
