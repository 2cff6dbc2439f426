import { Button } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { Link } from 'react-router';
import type { View } from '../ground/api.ts';
import { useCutting } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { CuttingPlans } from './CuttingPlans.tsx';
import { WoodTabs } from './WoodTabs.tsx';

/** What orders still ask to be cut, from which boards, and the plans for it. */
export default function CuttingScreen() {
  const query = useCutting();
  const { may, date } = useSession();
  const needs: GridColDef<View<'CutNeedView'>>[] = [
    { field: 'modelName', headerName: 'Model', width: 130 },
    { field: 'component', headerName: 'Part', width: 90 },
    { field: 'orderId', headerName: 'Order', width: 90 },
    { field: 'dueMs', headerName: 'Due', width: 120, valueFormatter: (value: number | null) => (value === null ? '' : date(value)) },
    { field: 'species', headerName: 'Species', width: 130 },
    {
      field: 'size',
      headerName: 'Blank, mm',
      flex: 1,
      minWidth: 150,
      valueGetter: (_, n) => `${n.lengthMm} × ${n.widthMm} × ${n.thicknessMm}`,
    },
    { field: 'count', headerName: 'To cut', type: 'number', width: 80 },
  ];
  return (
    <Screen
      title="Cutting"
      query={query}
      actions={
        may('operator') && (
          <Button variant="contained" component={Link} to="/wood-room/cutting/new">
            Plan a cut
          </Button>
        )
      }
    >
      {(view) => {
        const open = view.needs.reduce((sum, n) => sum + n.count, 0);
        const lots = new Set(view.whole.map((b) => b.lotId)).size;
        return (
          <>
            <WoodTabs />
            <Answer>
              Orders still ask for <Figure>{open}</Figure> {open === 1 ? 'blank' : 'blanks'};{' '}
              {counted(view.whole.length, 'measured board', 'measured boards')} of {counted(lots, 'released lot', 'released lots')}{' '}
              {view.whole.length === 1 ? 'is' : 'are'} whole.
            </Answer>
            <DataTable
              label="Blanks asked for"
              heading="Asked for"
              rows={view.needs.filter((n) => n.count > 0)}
              columns={needs}
              getRowId={(n) => `${n.orderId ?? ''} ${n.component}`}
              height={360}
              empty="Every open order has its blanks."
            />
            <Section title="Plans">
              <CuttingPlans />
            </Section>
          </>
        );
      }}
    </Screen>
  );
}
