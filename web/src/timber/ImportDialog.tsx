import type { ClockKind } from '@ample-crane/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { ask, client, fileForm, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';
import { ColumnFields, columnsOf } from './ColumnFields.tsx';
import { FileField } from '../parts/FileField.tsx';
import { TimesQuestion, timeFields } from './TimesQuestion.tsx';

interface Asked {
  file: File;
  columns?: View<'MeterColumnsDto'>;
  clock?: ClockKind;
}

/** The columns of values from one on, as far as they are named alike. */
const readingColumns = (header: readonly string[], first: string): string[] => {
  const stem = first.replace(/\d+$/, '');
  return stem === first ? [first] : header.filter((h) => h.replace(/\d+$/, '') === stem);
};

/** Readings from a file: what can be taken and what cannot, and why, before anything is saved. */
export function ImportDialog({ onClose }: { onClose: () => void }) {
  const { dateTime } = useSession();
  const [asked, setAsked] = useState<Asked | null>(null);
  const preview = useCommand(({ file, ...about }: Asked) => ask(client.POST('/api/lots/readings/preview', fileForm(file, about))));
  const take = useCommand(({ file, ...about }: Asked, headers) =>
    ask(client.POST('/api/lots/readings/import', { ...fileForm(file, about), headers })),
  );
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
      valueFormatter: (value: string | null, row) => value ?? (row.known ? 'on record already' : 'good'),
    },
  ];
  const look = (next: Asked) => {
    setAsked(next);
    take.reset();
    preview.mutate(next);
  };
  const change = (name: string, value: string) => {
    if (!asked || !result) return;
    if (name === 'clock') {
      look({ ...asked, columns: result.columns, clock: value as ClockKind });
      return;
    }
    const chosen = name === 'readings' ? readingColumns(result.header, value) : value === '' ? null : value;
    look({ ...asked, columns: { ...result.columns, [name]: chosen } });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="import-title">
      <DialogTitle id="import-title">Import readings</DialogTitle>
      <DialogContent>
        <Stack spacing={2}>
          <Typography>
            A CSV file from a meter: a line for each session, or for each reading; in one column as they are typed, for instance{' '}
            <code>8.4 8.6 c9.1</code>, or in one column each.
          </Typography>
          <FileField label="Choose a file" name="File of readings" accept=".csv,text/csv" onChoose={(file) => look({ file })} />
          {(preview.error ?? take.error) && <ErrorNote error={preview.error ?? take.error} />}
          {result && (
            <>
              <ColumnFields
                onChange={change}
                fields={[
                  { name: 'lot', label: 'Lot', value: result.columns.lot, options: columnsOf(result.header) },
                  ...timeFields(result),
                  {
                    name: 'woodTemp',
                    label: 'Wood temperature',
                    value: result.columns.woodTemp ?? '',
                    options: columnsOf(result.header, 'as the room'),
                  },
                  {
                    name: 'tempUnit',
                    label: 'in',
                    value: result.columns.tempUnit,
                    options: [
                      ['C', '°C'],
                      ['F', '°F'],
                    ],
                  },
                  {
                    name: 'depth',
                    label: 'Depth',
                    value: result.columns.depth ?? '',
                    options: columnsOf(result.header, 'c before core values'),
                  },
                  { name: 'readings', label: 'Readings from', value: result.columns.readings[0] ?? '', options: columnsOf(result.header) },
                ]}
              />
              {result.question ? (
                <TimesQuestion question={result.question} onAnswer={change} />
              ) : (
                <>
                  <Alert severity={result.bad > 0 ? 'warning' : 'success'} variant="outlined">
                    {result.saved
                      ? `${counted(result.good, 'session', 'sessions')} saved.`
                      : `${counted(result.good, 'session', 'sessions')} can be taken.`}{' '}
                    {result.known > 0 && `${counted(result.known, 'is', 'are')} on record already. `}
                    {result.bad > 0 && `${result.bad} cannot; they are left out.`} {result.remembered && 'Columns as last time.'}
                  </Alert>
                  <DataTable label="Lines of the file" rows={result.rows} columns={columns} getRowId={(r) => r.line} height={300} />
                </>
              )}
            </>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{take.data ? 'Close' : 'Cancel'}</Button>
        {!take.data && (
          <Button
            variant="contained"
            disabled={!asked || !preview.data || preview.data.good === 0}
            loading={take.isPending}
            onClick={() => asked && preview.data && take.mutate({ ...asked, columns: preview.data.columns })}
          >
            Take the good lines
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
