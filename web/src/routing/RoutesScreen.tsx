import { Box, Button, Stack } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useRoutes, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { AddModelDialog, EditModelDialog } from './ModelDialog.tsx';

type Version = View<'RouteVersionView'>;

const STATE_WORDS = { draft: 'draft', released: 'released', retired: 'set aside' } as const;

/** Every version of every model's route. */
export default function RoutesScreen() {
  const query = useRoutes();
  const navigate = useNavigate();
  const { may } = useSession();
  const [adding, setAdding] = useState(false);
  const [search, setSearch] = useSearchParams();
  const setup = useSetup();
  const changing = may('manager') ? setup.data?.models.find((m) => m.id === search.get('model')) : undefined;
  return (
    <Screen
      title="Routes"
      query={query}
      actions={
        may('manager') && (
          <Button variant="contained" onClick={() => setAdding(true)}>
            Add a model
          </Button>
        )
      }
    >
      {(versions) => {
        const models = new Set(versions.map((v) => v.modelId));
        const drafts = versions.filter((v) => v.state === 'draft');
        const older = versions.filter((v) => v.state === 'released' && !v.inForce).reduce((sum, v) => sum + v.inWork, 0);
        return (
          <>
            <Answer>
              <Figure>{models.size}</Figure> models are described; {counted(drafts.length, 'draft is', 'drafts are')} being written.{' '}
              {older === 0
                ? 'All work is on the version in force.'
                : `${counted(older, 'batch is', 'batches are')} on a version that is no longer started.`}
            </Answer>
            <Versions versions={versions} onOpen={(v) => void navigate(`/setup/routes/${v.id}`)} />
            {changing && <EditModelDialog key={changing.tag} model={changing} onClose={() => setSearch({})} />}
            {adding && <AddModelDialog onClose={() => setAdding(false)} onAdded={(id) => void navigate(`/setup/routes/${id}-1`)} />}
          </>
        );
      }}
    </Screen>
  );
}

function Versions({ versions, onOpen }: { versions: readonly Version[]; onOpen: (version: Version) => void }) {
  const { date, may } = useSession();
  const navigate = useNavigate();
  const draft = useCommand(
    (body: View<'DraftDto'>, headers) => ask(client.POST('/api/routes', { body, headers })),
    ({ id }) => void navigate(`/setup/routes/${id}`),
  );
  const drafted = new Set(versions.filter((v) => v.state === 'draft').map((v) => v.modelId));
  const columns: GridColDef<Version>[] = [
    { field: 'modelName', headerName: 'Model', width: 150 },
    { field: 'version', headerName: 'Version', type: 'number', width: 80 },
    {
      field: 'state',
      headerName: 'State',
      width: 120,
      valueGetter: (_, row) => (row.inForce ? 'in force' : STATE_WORDS[row.state]),
    },
    { field: 'steps', headerName: 'Steps', type: 'number', width: 75 },
    { field: 'inWork', headerName: 'Batches on it', type: 'number', width: 110 },
    {
      field: 'effectiveMs',
      headerName: 'In force from',
      width: 120,
      valueFormatter: (value: number | null) => (value === null ? '' : date(value)),
    },
    { field: 'reason', headerName: 'Why', flex: 1, minWidth: 180 },
    ...(may('lead')
      ? [
          {
            field: 'act',
            headerName: 'Act',
            width: 150,
            sortable: false,
            filterable: false,
            disableExport: true,
            renderCell: ({ row }: { row: Version }) =>
              row.inForce && !drafted.has(row.modelId) ? (
                <Button
                  onClick={(event) => {
                    event.stopPropagation();
                    draft.mutate({ modelId: row.modelId, fromRouteId: row.id });
                  }}
                  aria-label={`Draft the next version of ${row.modelName}`}
                >
                  Draft the next
                </Button>
              ) : null,
          },
        ]
      : []),
  ];
  return (
    <Stack spacing={1}>
      {draft.error && <ErrorNote error={draft.error} />}
      <Box>
        <DataTable
          label="Versions of routes"
          rows={versions}
          columns={columns}
          getRowId={(v) => v.id}
          onOpen={onOpen}
          height="calc(100vh - 230px)"
        />
      </Box>
    </Stack>
  );
}
