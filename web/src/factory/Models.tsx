import { formatLength } from '@ample-crane/core';
import { Box, Button, Link, MenuItem, TextField, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { Link as RouterLink, useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';

const band = (c: View<'CharacteristicView'>) => `${c.name} ${c.low}–${c.high} ${c.unit}`;

/** A model and the steps it goes through. */
export function Models({ models }: { models: readonly View<'ModelView'>[] }) {
  const { units, may } = useSession();
  const [search, setSearch] = useSearchParams();
  const model = models.find((m) => m.id === search.get('model')) ?? models[0];
  if (!model)
    return (
      <Typography color="text.secondary">
        No model yet. Add one under{' '}
        <Link component={RouterLink} to="/setup/routes">
          Routes
        </Link>
        .
      </Typography>
    );
  const wood = (w: View<'WoodView'>) => `${w.component} ${w.species}, ${formatLength(w.thicknessMm, units)}`;
  const columns: GridColDef<View<'RouteStepView'>>[] = [
    { field: 'component', headerName: 'Stream', width: 74 },
    { field: 'name', headerName: 'Step', width: 160 },
    { field: 'stationName', headerName: 'Station', width: 160 },
    { field: 'skill', headerName: 'Skill', width: 116 },
    { field: 'setupMinutes', headerName: 'Set-up, min', type: 'number', width: 90 },
    { field: 'minutesPerPiece', headerName: 'Min each', type: 'number', width: 78 },
    { field: 'rules', headerName: 'Gate', width: 158, valueFormatter: (value: string[]) => value.join('; ') },
    {
      field: 'characteristics',
      headerName: 'Measures and bands',
      flex: 1,
      minWidth: 196,
      valueFormatter: (value: View<'CharacteristicView'>[]) => value.map(band).join('; '),
    },
  ];
  return (
    <>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mb: 1.5, flexWrap: 'wrap' }}>
        <TextField
          select
          label="Model"
          value={model.id}
          onChange={(event) => setSearch({ tab: 'Models', model: event.target.value })}
          sx={{ minWidth: 180 }}
        >
          {models.map((m) => (
            <MenuItem key={m.id} value={m.id}>
              {m.name}
            </MenuItem>
          ))}
        </TextField>
        <Typography color="text.secondary">
          {model.code} · {model.construction} · scale {formatLength(model.scaleLengthMm, units)} · batches of {model.batchSize} ·{' '}
          {model.wood.map(wood).join(' · ')} ·{' '}
          {model.routeVersion === null ? 'no route in force yet' : `route version ${model.routeVersion}`}
        </Typography>
        {may('manager') && (
          <Button component={RouterLink} to={`/setup/routes?model=${model.id}`} variant="outlined">
            Change {model.name}
          </Button>
        )}
        <Button component={RouterLink} to="/setup/routes" variant="outlined">
          Routes and their versions
        </Button>
      </Box>
      <DataTable
        label={`Route of ${model.name}`}
        rows={model.steps}
        columns={columns}
        getRowId={(s) => s.id}
        height="calc(100vh - 340px)"
      />
    </>
  );
}
