import { Button, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

/** A line that is called something, with what is said of it. */
export interface Line {
  called: string;
  said: string;
}

interface Props {
  /** what the register holds: "Cautions" */
  title: string;
  /** one line of it: "caution" */
  one: string;
  about: string;
  lines: readonly Line[];
  calledLabel: string;
  saidLabel: string;
  saidOptional?: boolean;
  /** records are kept under what a line is called: it stays as it is */
  isKey: boolean;
  role: 'lead' | 'manager';
  height: string;
  /** which state of the register is shown */
  tag: string;
  /** writes the whole register, as it was changed from the state that was seen */
  save: (lines: readonly Line[], seen: string, headers: { 'Idempotency-Key': string }) => Promise<unknown>;
}

/** A short register of the factory's own words. */
export function NotedRegister(props: Props) {
  const { title, one, about, lines, calledLabel, saidLabel, role, height } = props;
  const { may } = useSession();
  const [edited, setEdited] = useState<Line | 'new' | null>(null);
  const columns: GridColDef<Line>[] = [
    { field: 'called', headerName: calledLabel, width: 130 },
    { field: 'said', headerName: saidLabel, flex: 1, minWidth: 200 },
  ];
  return (
    <>
      <Typography color="text.secondary" sx={{ mb: 1, maxWidth: '80ch' }}>
        {about}
      </Typography>
      {may(role) && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a {one}
        </Button>
      )}
      <DataTable
        label={title}
        rows={lines}
        columns={columns}
        getRowId={(line) => line.called}
        height={height}
        empty={`No ${one} yet.`}
        wraps
        {...(may(role) ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <LineDialog {...props} line={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </>
  );
}

function LineDialog({
  one,
  lines,
  line,
  calledLabel,
  saidLabel,
  saidOptional = false,
  isKey,
  tag,
  save: write,
  onClose,
}: Props & { line: Line | null; onClose: () => void }) {
  // The register as it was when this was opened: whoever changed it meanwhile is not overwritten.
  const [{ before, seen }] = useState({ before: lines, seen: tag });
  const { control, handleSubmit } = useForm<Line>({ defaultValues: line ?? { called: '', said: '' } });
  const save = useCommand((changed: readonly Line[], headers) => write(changed, seen, headers), onClose);
  const keep = ({ called, said }: Line) => {
    const kept = { called: called.trim(), said: said.trim() };
    save.mutate(line === null ? [...before, kept] : before.map((l) => (l.called === line.called ? kept : l)));
  };
  return (
    <FormDialog
      title={line?.called ?? `Add a ${one}`}
      submit="Save"
      pending={save.isPending}
      error={save.error}
      onSubmit={() => void handleSubmit(keep)()}
      onClose={onClose}
      beside={
        line && (
          <Button color="error" onClick={() => save.mutate(before.filter((l) => l.called !== line.called))}>
            Take it out
          </Button>
        )
      }
    >
      {(line === null || !isKey) && (
        <TextIn control={control} name="called" label={calledLabel} rules={{ required: 'Type what it is called' }} autoFocus />
      )}
      <TextIn
        control={control}
        name="said"
        label={saidLabel}
        multiline
        minRows={2}
        rules={saidOptional ? {} : { required: 'Type what is said' }}
        autoFocus={line !== null && isKey}
      />
    </FormDialog>
  );
}
