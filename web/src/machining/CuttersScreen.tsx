import { lifeGone, NEARLY_OVER } from '@ample-crane/core';
import { Box, Button } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useCutters, useMachines } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { CutterLife } from './CutterLife.tsx';
import { KeepCutterDialog } from './KeepCutterDialog.tsx';
import { LogCutterDialog } from './LogCutterDialog.tsx';
import { MachiningTabs } from './MachiningTabs.tsx';
import { MachinePanel } from './MachinePanel.tsx';

type Cutter = View<'CutterView'>;

/** Cutters by the machines they are on, and how long each still cuts well. */
export default function CuttersScreen() {
  const query = useCutters();
  const machines = useMachines();
  const { may } = useSession();
  const [keeping, setKeeping] = useState(false);
  const [logged, setLogged] = useState<Cutter | null>(null);
  return (
    <Screen
      title="Cutters"
      query={query}
      actions={
        may('lead') && (
          <Button variant="outlined" onClick={() => setKeeping(true)}>
            Put a cutter on record
          </Button>
        )
      }
    >
      {(all) => (
        <>
          <MachiningTabs />
          <CuttersAnswer all={all} />
          {machines.error && <ErrorNote error={machines.error} onRetry={() => void machines.refetch()} />}
          <Section title="On the machines">
            {machines.data?.length === 0 && <Empty>No step runs a program yet: say on its route which it asks for.</Empty>}
            <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 380px), 1fr))', gap: 2 }}>
              {(machines.data ?? []).map((machine) => (
                <MachinePanel key={machine.id} machine={machine} onLog={setLogged} />
              ))}
            </Box>
          </Section>
          <Section title="All cutters">
            <DataTable
              label="All cutters"
              rows={all}
              columns={COLUMNS}
              getRowId={(c) => c.id}
              height={360}
              empty="No cutter is on record yet. While none is, no start is refused for one."
              {...(may('operator') ? { onOpen: setLogged } : {})}
            />
          </Section>
          {keeping && <KeepCutterDialog kinds={[...new Set(all.map((c) => c.kind))]} onClose={() => setKeeping(false)} />}
          {logged && <LogCutterDialog cutter={logged} machines={machines.data ?? []} onClose={() => setLogged(null)} />}
        </>
      )}
    </Screen>
  );
}

const COLUMNS: GridColDef<Cutter>[] = [
  { field: 'id', headerName: 'Mark', width: 100, renderCell: ({ row }) => <Id>{row.id}</Id> },
  { field: 'kind', headerName: 'Kind', width: 160 },
  { field: 'state', headerName: 'State', width: 110, valueFormatter: (value: Cutter['state']) => STATES[value] },
  {
    field: 'where',
    headerName: 'Where',
    width: 200,
    valueGetter: (_, { stationName, bench }) => (stationName === null ? '' : `${stationName}, machine ${bench ?? 1}`),
  },
  {
    field: 'share',
    headerName: 'Life used',
    width: 220,
    valueGetter: (_, row) => lifeGone(row),
    renderCell: ({ row }) => <CutterLife cutter={row} />,
  },
  { field: 'sharpened', headerName: 'Sharpened', type: 'number', width: 100 },
  { field: 'programs', headerName: 'Runs in', flex: 1, minWidth: 200, valueFormatter: (value: string[]) => value.join(', ') },
  { field: 'note', headerName: 'Note', flex: 1, minWidth: 160 },
];

const STATES: Readonly<Record<Cutter['state'], string>> = {
  ready: 'on the shelf',
  mounted: 'on a machine',
  away: 'being sharpened',
  broken: 'broken',
  'put away': 'put away',
};

function CuttersAnswer({ all }: { all: readonly Cutter[] }) {
  const mounted = all.filter((c) => c.state === 'mounted');
  if (mounted.length === 0) return null;
  const over = mounted.filter((c) => lifeGone(c) >= 1);
  const near = mounted.filter((c) => lifeGone(c) >= NEARLY_OVER && lifeGone(c) < 1);
  const [first] = [...over, ...near];
  const spare = first && all.find((c) => c.kind === first.kind && c.state === 'ready');
  return (
    <Answer>
      {first ? (
        <>
          {over.length > 0 ? (
            <>
              The life of <Figure>{over.length}</Figure> of {mounted.length} cutters on machines is over
            </>
          ) : (
            <>
              <Figure>{near.length}</Figure> of {mounted.length} cutters on machines {near.length === 1 ? 'is' : 'are'} near the end of{' '}
              {near.length === 1 ? 'its' : 'their'} life
            </>
          )}
          , first <Id>{first.id}</Id>, {first.kind}, at {first.stationName}:{' '}
          {spare ? `${spare.id} lies sharp on the shelf` : 'no sharp one lies on the shelf'}.
        </>
      ) : (
        <>
          All <Figure>{mounted.length}</Figure> cutters on machines are well within their life.
        </>
      )}
    </Answer>
  );
}
