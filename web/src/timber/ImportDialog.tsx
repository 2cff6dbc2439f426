import { Alert, Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useRef, useState } from 'react';
import { ask, client, type View } from '../app/api.ts';
import { useCommand } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';

/** Readings from a file: what can be taken and what cannot, and why, before anything is saved. */
export function ImportDialog({ onClose }: { onClose: () => void }) {
  const { dateTime } = useSession();
  const [csv, setCsv] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const preview = useCommand((text: string) => ask(client.POST('/api/lots/readings/preview', { body: { csv: text } })));
  const take = useCommand((text: string, headers) => ask(client.POST('/api/lots/readings/import', { body: { csv: text }, headers })));
  const result = take.data ?? preview.data;
  const columns: GridColDef<View<'ImportRowView'>>[] = [
    { field: 'line', headerName: 'Line', type: 'number', width: 60 },
    { field: 'lotId', headerName: 'Lot', width: 80 },
    {
      field: 'atMs',
      headerName: 'When',
      width: 150,
      valueFormatter: (value: number | null) => (value === null ? '' : dateTime(value)),
    },
    { field: 'text', headerName: 'Readings', flex: 1, minWidth: 160 },
    {
      field: 'problem',
      headerName: 'Why not',
      flex: 1,
      minWidth: 220,
      valueFormatter: (value: string | null) => value ?? 'good',
    },
  ];
  const choose = async (file: File | undefined) => {
    if (!file) return;
    const text = await file.text();
    setCsv(text);
    take.reset();
    preview.mutate(text);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="import-title">
      <DialogTitle id="import-title">Import readings</DialogTitle>
      <DialogContent>
        <Stack spacing={2}>
          <Typography>
            A CSV file with a first line <code>lot,date,wood_temp_c,readings</code>; readings as they are typed, for instance{' '}
            <code>8.4 8.6 c9.1</code>.
          </Typography>
          <Box>
            <Button variant="outlined" onClick={() => field.current?.click()}>
              Choose a file
            </Button>
            <input
              ref={field}
              type="file"
              accept=".csv,text/csv"
              aria-label="File of readings"
              tabIndex={-1}
              style={{ position: 'absolute', opacity: 0, width: 1 }}
              onChange={(event) => void choose(event.target.files?.[0])}
            />
          </Box>
          {(preview.error ?? take.error) && <ErrorNote error={preview.error ?? take.error} />}
          {result && (
            <>
              <Alert severity={result.bad > 0 ? 'warning' : 'success'} variant="outlined">
                {result.saved
                  ? `${counted(result.good, 'session', 'sessions')} saved.`
                  : `${counted(result.good, 'line', 'lines')} can be taken.`}{' '}
                {result.bad > 0 && `${result.bad} cannot; they are left out.`}
              </Alert>
              <DataTable label="Lines of the file" rows={result.rows} columns={columns} getRowId={(r) => r.line} height={300} />
            </>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{take.data ? 'Close' : 'Cancel'}</Button>
        {!take.data && (
          <Button
            variant="contained"
            disabled={csv === null || !preview.data || preview.data.good === 0}
            loading={take.isPending}
            onClick={() => csv !== null && take.mutate(csv)}
          >
            Take the good lines
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
