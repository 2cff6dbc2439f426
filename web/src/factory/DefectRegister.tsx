import { STAGE_NAMES, STAGES, type Stage } from '@ample-crane/core';
import { Button, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { SeveralIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type Setup = View<'SetupView'>;
type Kind = View<'DefectKindDto'>;

const COLUMNS: GridColDef<Kind>[] = [
  { field: 'name', headerName: 'What can be wrong', width: 240 },
  {
    field: 'stages',
    headerName: 'Usually comes from',
    flex: 1,
    minWidth: 260,
    valueGetter: (stages: readonly Stage[]) => stages.map((s) => STAGE_NAMES[s]).join(', '),
  },
];

/** What a piece can be refused or scrapped for, and where that usually comes from. */
export function DefectRegister({ setup }: { setup: Setup }) {
  const { may } = useSession();
  const [edited, setEdited] = useState<Kind | 'new' | null>(null);
  const editable = may('manager');
  return (
    <>
      <Typography color="text.secondary" sx={{ mb: 1, maxWidth: '80ch' }}>
        At a bench what its stage usually causes is offered first. What was recorded stays recorded under its name.
      </Typography>
      {editable && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a defect
        </Button>
      )}
      <DataTable
        label="Defects"
        rows={setup.defects}
        columns={COLUMNS}
        getRowId={(d) => d.name}
        height="calc(100vh - 350px)"
        {...(editable ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <DefectDialog setup={setup} kind={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </>
  );
}

function DefectDialog({ setup, kind, onClose }: { setup: Setup; kind: Kind | null; onClose: () => void }) {
  // The register as it was when this was opened: whoever changed it meanwhile is not overwritten.
  const [seen] = useState({ tag: setup.tags.defects, defects: setup.defects });
  const { control, handleSubmit } = useForm<Kind>({ defaultValues: { name: kind?.name ?? '', stages: kind?.stages ?? [] } });
  const save = useCommand(
    (defects: Kind[], headers) => ask(client.PUT('/api/settings/defects', { body: { defects, seen: seen.tag }, headers })),
    onClose,
  );
  const keep = (kept: Kind) =>
    save.mutate(kind === null ? [...seen.defects, kept] : seen.defects.map((d) => (d.name === kind.name ? kept : d)));
  return (
    <FormDialog
      title={kind?.name ?? 'Add a defect'}
      submit="Save"
      pending={save.isPending}
      error={save.error}
      onSubmit={() => void handleSubmit(keep)()}
      onClose={onClose}
      beside={
        kind && (
          <Button color="error" onClick={() => save.mutate(seen.defects.filter((d) => d.name !== kind.name))}>
            Take it out
          </Button>
        )
      }
    >
      <TextIn control={control} name="name" label="What can be wrong" rules={{ required: 'Type what it is' }} autoFocus={kind === null} />
      <SeveralIn control={control} name="stages" label="Usually comes from" choices={STAGES.map((s) => [s, STAGE_NAMES[s]])} />
    </FormDialog>
  );
}
