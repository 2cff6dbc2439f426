import { formatDuration, type ClockKind } from '@ample-crane/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useController, useForm } from 'react-hook-form';
import { ask, client, fileForm, type View } from '../ground/api.ts';
import { useCommand, useZones } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';
import { ColumnFields, columnsOf } from './ColumnFields.tsx';
import { FileField } from '../parts/FileField.tsx';
import { TimesQuestion, timeFields } from './TimesQuestion.tsx';

interface Asked {
  file: File;
  zoneId: string;
  columns?: View<'LoggerColumnsDto'>;
  clock?: ClockKind;
}

/** A climate logger's file: what it says, its gaps and clock changes, before anything is taken. */
export function LoggerDialog({ zoneId, onClose }: { zoneId: string; onClose: () => void }) {
  const { dateTime, may } = useSession();
  const zones = useZones();
  const [asked, setAsked] = useState<Asked | null>(null);
  const { control } = useForm({ defaultValues: { zoneId } });
  const { field } = useController({ control, name: 'zoneId' });
  const { ref, ...room } = field;
  const preview = useCommand(({ file, ...about }: Asked) => ask(client.POST('/api/air/log/preview', fileForm(file, about))));
  const take = useCommand(({ file, ...about }: Asked, headers) =>
    ask(client.POST('/api/air/log/import', { ...fileForm(file, about), headers })),
  );
  const result = take.data ?? preview.data;
  const look = (next: Asked) => {
    setAsked(next);
    take.reset();
    preview.mutate(next);
  };
  const change = (name: string, value: string) => {
    if (!asked || !result) return;
    if (name === 'clock') look({ ...asked, columns: result.columns, clock: value as ClockKind });
    else look({ ...asked, columns: { ...result.columns, [name]: value === '' ? null : value } });
  };
  const columns: GridColDef<View<'LoggerProblemView'>>[] = [
    { field: 'line', headerName: 'Line', type: 'number', width: 70 },
    { field: 'text', headerName: 'In the file', flex: 1, minWidth: 200 },
    { field: 'problem', headerName: 'Why not', flex: 1, minWidth: 220 },
  ];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="logger-title">
      <DialogTitle id="logger-title">Import a logger file</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
            <TextField
              select
              label="Room it lay in"
              {...room}
              inputRef={ref}
              onChange={(event) => {
                field.onChange(event);
                if (asked) look({ ...asked, zoneId: event.target.value });
              }}
              sx={{ minWidth: 200 }}
            >
              {(zones.data ?? []).map((z) => (
                <MenuItem key={z.id} value={z.id}>
                  {z.name}
                </MenuItem>
              ))}
            </TextField>
            <FileField
              label="Choose a file"
              name="Logger file"
              accept=".csv,.txt,text/csv"
              onChoose={(file) => look({ zoneId: field.value, file })}
            />
          </Stack>
          {(preview.error ?? take.error) && <ErrorNote error={preview.error ?? take.error} />}
          {result && (
            <>
              <ColumnFields
                onChange={change}
                fields={[
                  ...timeFields(result),
                  { name: 'temp', label: 'Temperature', value: result.columns.temp, options: columnsOf(result.header) },
                  {
                    name: 'tempUnit',
                    label: 'in',
                    value: result.columns.tempUnit,
                    options: [
                      ['C', '°C'],
                      ['F', '°F'],
                    ],
                  },
                  { name: 'humidity', label: 'Humidity', value: result.columns.humidity, options: columnsOf(result.header) },
                  {
                    name: 'humidityUnit',
                    label: 'as',
                    value: result.columns.humidityUnit,
                    options: [
                      ['percent', 'percent'],
                      ['fraction', 'fraction of 1'],
                    ],
                  },
                ]}
              />
              {result.question ? (
                <TimesQuestion question={result.question} onAnswer={change} />
              ) : (
                <Alert severity={result.problems.length > 0 || result.gaps.length > 0 ? 'warning' : 'success'} variant="outlined">
                  {result.saved
                    ? `${counted(result.good, 'line', 'lines')} taken.`
                    : `${counted(result.good, 'line', 'lines')} can be taken`}
                  {result.fromMs !== null && result.toMs !== null && `, from ${dateTime(result.fromMs)} to ${dateTime(result.toMs)}.`}{' '}
                  {result.problems.length > 0 && `${result.problems.length} cannot. `}
                  {result.replaced > 0 && !result.saved && `They replace ${result.replaced} known before. `}
                  {result.remembered && 'Columns as last time. '}
                </Alert>
              )}
              {result.gaps.map((g) => (
                <Typography key={g.fromMs}>
                  Silent for {formatDuration(g.toMs - g.fromMs)} from {dateTime(g.fromMs)}: a gap is kept there.
                </Typography>
              ))}
              {result.clockChanges.map((at) => (
                <Typography key={at}>Clocks were changed before {dateTime(at)}; the hours are told apart by their order.</Typography>
              ))}
              {result.problems.length > 0 && (
                <DataTable
                  label="Lines that cannot be taken"
                  rows={result.problems}
                  columns={columns}
                  getRowId={(r) => r.line}
                  height={240}
                />
              )}
            </>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{take.data ? 'Close' : 'Cancel'}</Button>
        {!take.data && may('lead') && (
          <Button
            variant="contained"
            disabled={!asked || !preview.data || preview.data.good === 0 || preview.isPending}
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
