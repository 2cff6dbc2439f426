import { ANY_MODEL, kitIdOf } from '@ample-crane/core';
import { Button } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCarriers, useCommand, useKits } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { CountKits } from './CountKits.tsx';
import { CarrierDialog, PrerequisiteDialog } from './EquipmentDialogs.tsx';

const TABLE_HEIGHT = 'calc(100vh - 330px)';

/** What batches sit on and in. */
export function Carriers({ setup }: { setup: View<'SetupView'> }) {
  const { may } = useSession();
  const query = useCarriers();
  const [edited, setEdited] = useState<View<'CarrierView'> | 'new' | null>(null);
  const columns: GridColDef<View<'CarrierView'>>[] = [
    { field: 'id', headerName: 'Number', width: 90 },
    { field: 'name', headerName: 'Carrier', width: 190 },
    { field: 'kind', headerName: 'Kind', width: 120 },
    { field: 'taken', headerName: 'Taken', type: 'number', width: 80 },
    { field: 'places', headerName: 'Places', type: 'number', width: 80 },
    {
      field: 'outline',
      headerName: 'Made for',
      width: 130,
      valueFormatter: (value: string | null) => (value === null ? 'any model' : (setup.models.find((m) => m.id === value)?.name ?? value)),
    },
    {
      field: 'zoneId',
      headerName: 'Climate zone',
      width: 130,
      valueFormatter: (value: string) => setup.zones.find((z) => z.id === value)?.name ?? value,
    },
    { field: 'active', headerName: 'State', width: 90, valueFormatter: (value: boolean) => (value ? 'in use' : 'put away') },
    {
      field: 'batches',
      headerName: 'Holds',
      flex: 1,
      minWidth: 150,
      valueFormatter: (value: View<'CarrierView'>['batches']) => value.map((b) => `${b.batchId} (${b.pieces})`).join(', '),
    },
    {
      field: 'scan',
      headerName: 'Card',
      width: 80,
      sortable: false,
      disableExport: true,
      renderCell: ({ row }) => (
        <Button
          component={RouterLink}
          to={`/carriers/${row.id}`}
          onClick={(event) => event.stopPropagation()}
          aria-label={`Open ${row.name}`}
        >
          Open
        </Button>
      ),
    },
  ];
  return (
    <>
      {may('lead') && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a carrier
        </Button>
      )}
      {query.error && <ErrorNote error={query.error} onRetry={() => void query.refetch()} />}
      <DataTable
        label="Carriers"
        rows={query.data ?? []}
        columns={columns}
        getRowId={(c) => c.id}
        height={TABLE_HEIGHT}
        empty="No carrier yet. Add a rack to begin."
        {...(may('lead') ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <CarrierDialog carrier={edited === 'new' ? null : edited} setup={setup} onClose={() => setEdited(null)} />}
    </>
  );
}

/** Fixtures, samples and kits, and whether they are there. */
export function Prerequisites({ setup }: { setup: View<'SetupView'> }) {
  const { may } = useSession();
  const kits = useKits();
  const [edited, setEdited] = useState<View<'PrerequisiteView'> | 'new' | null>(null);
  const [counted, setCounted] = useState<View<'PrerequisiteView'> | null>(null);
  const setsOf = ({ kind, what, modelId }: View<'PrerequisiteView'>) =>
    kind === 'kit' ? (kits.data?.find((k) => k.id === kitIdOf(modelId ?? ANY_MODEL, what))?.sets ?? null) : null;
  const columns: GridColDef<View<'PrerequisiteView'>>[] = [
    { field: 'what', headerName: 'Which', flex: 1, minWidth: 170 },
    {
      field: 'sets',
      headerName: 'Sets ready',
      type: 'number',
      width: 110,
      valueGetter: (_, row) => setsOf(row),
      renderCell: ({ row, value }: { row: View<'PrerequisiteView'>; value?: number | null }) => (
        <>
          {value}
          {row.kind === 'kit' && may('lead') && kits.data && (
            <Button
              aria-label={`Count ${row.what}`}
              onClick={(event) => {
                event.stopPropagation();
                setCounted(row);
              }}
            >
              Count
            </Button>
          )}
        </>
      ),
    },
    {
      field: 'modelId',
      headerName: 'For',
      width: 120,
      valueFormatter: (value: string | null) =>
        value === null ? 'every model' : (setup.models.find((m) => m.id === value)?.name ?? value),
    },
    { field: 'kind', headerName: 'Kind', width: 90 },
    { field: 'revision', headerName: 'Revision', width: 90 },
    { field: 'state', headerName: 'State', width: 110, valueFormatter: (value: string) => (value === 'draft' ? 'not there yet' : value) },
    { field: 'note', headerName: 'Note', flex: 1, minWidth: 200 },
  ];
  return (
    <>
      {may('lead') && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Put one on record
        </Button>
      )}
      <DataTable
        label="Fixtures, samples and kits"
        rows={setup.prerequisites}
        columns={columns}
        getRowId={(p) => p.id}
        height={TABLE_HEIGHT}
        empty="Nothing on record. Steps ask for what is written in their route."
        {...(may('lead') ? { onOpen: setEdited } : {})}
      />
      {edited !== null && (
        <PrerequisiteDialog prerequisite={edited === 'new' ? null : edited} setup={setup} onClose={() => setEdited(null)} />
      )}
      {counted && <CountKits kit={counted} sets={setsOf(counted)} onClose={() => setCounted(null)} />}
      {kits.error && <ErrorNote error={kits.error} onRetry={() => void kits.refetch()} />}
    </>
  );
}

const idOf = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** A room with a climate of its own. */
export function ZoneDialog({ onClose }: { onClose: () => void }) {
  const { control, handleSubmit } = useForm({ defaultValues: { name: '' } });
  const add = useCommand((body: View<'ZoneDto'>, headers) => ask(client.POST('/api/zones', { body, headers })), onClose);
  return (
    <FormDialog
      title="Add a climate zone"
      submit="Add"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => void handleSubmit(({ name }) => add.mutate({ id: idOf(name), name: name.trim() }))()}
      onClose={onClose}
    >
      <TextIn
        control={control}
        name="name"
        label="Zone"
        rules={{ validate: (name) => idOf(name) !== '' || 'Type its name' }}
        helperText="Wood room, booth, bench hall…"
        autoFocus
      />
    </FormDialog>
  );
}
