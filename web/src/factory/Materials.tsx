import { Button, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { FieldRow, FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type Material = View<'MaterialView'>;

const COLUMNS: GridColDef<Material>[] = [
  { field: 'name', headerName: 'Material', flex: 1, minWidth: 200 },
  { field: 'kind', headerName: 'Kind', width: 180 },
  {
    field: 'volumeSolids',
    headerName: 'Solids, %',
    type: 'number',
    width: 96,
    valueGetter: (share: number) => Math.round(share * 1000) / 10,
  },
  { field: 'buildLowUm', headerName: 'Build from, µm', type: 'number', width: 124 },
  { field: 'buildHighUm', headerName: 'Build to, µm', type: 'number', width: 112 },
  {
    field: 'cureDays',
    headerName: 'Cures',
    width: 150,
    valueFormatter: (days: number, { cure }: Material) => `${days} d at ${cure.referenceTempC} °C`,
  },
  { field: 'cure', headerName: 'Not below, °C', type: 'number', width: 116, valueGetter: (_, { cure }) => cure.minimumTempC },
];

/** What films are made of: build window, solids, and how each cures. */
export function Materials({ materials }: { materials: readonly Material[] }) {
  const { may } = useSession();
  const [edited, setEdited] = useState<Material | 'new' | null>(null);
  const editable = may('manager');
  return (
    <>
      <Typography color="text.secondary" sx={{ mb: 1, maxWidth: '80ch' }}>
        From the maker’s data sheet, which decides. The build window holds at once for every film, also of work in progress. Solids are
        taken over when a coat is written into a route; how long a route lets a film cure is written in its gate.
      </Typography>
      {editable && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a material
        </Button>
      )}
      <DataTable
        label="Materials"
        rows={materials}
        columns={COLUMNS}
        getRowId={(m) => m.id}
        height={320}
        {...(editable ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <MaterialDialog material={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </>
  );
}

const text = (value: number | undefined) => (value === undefined ? '' : String(Math.round(value * 1000) / 1000));

function MaterialDialog({ material, onClose }: { material: Material | null; onClose: () => void }) {
  // As it was when this was opened: whoever changed it meanwhile is not overwritten.
  const [seen] = useState(material?.tag ?? '');
  const { control, handleSubmit } = useForm({
    defaultValues: {
      name: material?.name ?? '',
      kind: material?.kind ?? '',
      solids: text(material === null ? undefined : material.volumeSolids * 100),
      low: text(material?.buildLowUm),
      high: text(material?.buildHighUm),
      days: text(material?.cureDays),
      reference: text(material?.cure.referenceTempC ?? 21),
      factor: text(material?.cure.q10 ?? 2),
      least: text(material?.cure.minimumTempC ?? 10),
    },
  });
  const save = useCommand(
    (body: View<'MaterialDto'>, headers) =>
      material
        ? ask(client.PUT('/api/materials/{id}', { params: { path: { id: material.id } }, body: { ...body, seen }, headers }))
        : ask(client.POST('/api/materials', { body, headers })),
    onClose,
  );
  const keep = handleSubmit((f) =>
    save.mutate({
      name: f.name.trim(),
      kind: f.kind.trim(),
      volumeSolids: figureIn(f.solids) / 100,
      buildLowUm: figureIn(f.low),
      buildHighUm: figureIn(f.high),
      cureDays: figureIn(f.days),
      cure: { referenceTempC: figureIn(f.reference), q10: figureIn(f.factor), minimumTempC: figureIn(f.least) },
    }),
  );
  return (
    <FormDialog
      title={material?.name ?? 'Add a material'}
      submit="Save"
      width="sm"
      pending={save.isPending}
      error={save.error}
      onSubmit={() => void keep()}
      onClose={onClose}
    >
      <FieldRow>
        <TextIn control={control} name="name" label="Material" rules={{ required: 'Type its name' }} autoFocus={material === null} />
        <TextIn control={control} name="kind" label="Kind" rules={{ required: 'Say what it is, such as oil' }} />
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="solids" label="Volume solids, %" min={1} max={100} />
        <FigureIn control={control} name="low" label="Build from, µm" min={1} max={5000} />
        <FigureIn control={control} name="high" label="Build to, µm" min={1} max={5000} />
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="days" label="Cures in, days" min={0} max={365} />
        <FigureIn control={control} name="reference" label="at, °C" min={5} max={40} />
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="factor" label="Faster by, for each 10 °C" min={1} max={5} />
        <FigureIn control={control} name="least" label="Nothing counts below, °C" min={-10} max={40} />
      </FieldRow>
    </FormDialog>
  );
}
