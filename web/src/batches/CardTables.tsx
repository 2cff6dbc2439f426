import { formatDuration } from '@ample-crane/core';
import { Box, Link, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { LogTable } from '../parts/LogTable.tsx';
import type { CardTab } from './tabs.ts';
import { buildTicks, microns } from '../parts/words.ts';

const PIECE_WORDS: Record<View<'PieceView'>['state'], string> = {
  good: 'good',
  rework: 'to be reworked',
  scrapped: 'scrapped',
  joined: 'joined',
  drawn: 'drawn',
  fitted: 'fitted',
  apart: 'its halves apart',
  shipped: 'shipped',
};
const HEIGHT = 340;

export default function CardTables({ card, tab }: { card: View<'CardView'>; tab: CardTab }) {
  const { dateTime } = useSession();
  const when = (headerName: string, field: string) => ({
    field,
    headerName,
    width: 140,
    valueFormatter: (value: number | null) => (value === null ? '' : dateTime(value)),
  });
  switch (tab) {
    case 'Pieces': {
      const columns: GridColDef<View<'PieceView'>>[] = [
        { field: 'id', headerName: 'Piece', width: 105, renderCell: ({ row }) => <Id>{row.id}</Id> },
        {
          field: 'state',
          headerName: 'State',
          width: 105,
          valueFormatter: (value: View<'PieceView'>['state']) => PIECE_WORDS[value],
        },
        { field: 'grit', headerName: 'Grit', type: 'number', width: 60 },
        { field: 'coats', headerName: 'Coats', type: 'number', width: 65 },
        { field: 'setId', headerName: 'Cut from', width: 90 },
        {
          field: 'serial',
          headerName: 'Instrument',
          flex: 1,
          minWidth: 100,
          renderCell: ({ row }) =>
            row.serial === null ? null : (
              <Link component={RouterLink} to={`/records/${row.serial}`}>
                {row.serial}
              </Link>
            ),
        },
      ];
      return <DataTable label={`Pieces of ${card.batch.id}`} rows={card.pieces} columns={columns} getRowId={(p) => p.id} height={HEIGHT} />;
    }
    case 'Steps': {
      const columns: GridColDef<View<'VisitView'>>[] = [
        { field: 'operationName', headerName: 'Step', flex: 1, minWidth: 150 },
        { field: 'pass', headerName: 'Pass', type: 'number', width: 60 },
        when('Came', 'arrivedMs'),
        when('Left', 'leftMs'),
        {
          field: 'touchMs',
          headerName: 'Touch',
          width: 90,
          valueFormatter: (value: number) => (value === 0 ? '' : formatDuration(value)),
        },
        { field: 'good', headerName: 'Good', type: 'number', width: 60 },
        { field: 'rework', headerName: 'Rework', type: 'number', width: 70 },
        { field: 'scrap', headerName: 'Scrap', type: 'number', width: 60 },
        { field: 'by', headerName: 'Who', width: 130 },
      ];
      return (
        <DataTable
          label={`Steps of ${card.batch.id}`}
          rows={card.visits}
          columns={columns}
          getRowId={(v) => `${v.operationId}/${v.pass}`}
          height={HEIGHT}
        />
      );
    }
    case 'Coats': {
      const columns: GridColDef<View<'CoatView'>>[] = [
        when('When', 'atMs'),
        { field: 'materialName', headerName: 'Material', flex: 1, minWidth: 150 },
        { field: 'wetUm', headerName: 'Wet µm', type: 'number', width: 80 },
        { field: 'dryUm', headerName: 'Dry µm', type: 'number', width: 80 },
        { field: 'by', headerName: 'Who', width: 130 },
      ];
      return (
        <>
          {card.build && (
            <Box sx={{ py: 1 }}>
              <BandStrip label="Dry build" unit="µm" low={card.build.lowUm} high={card.build.highUm} values={buildTicks(card.build)} />
              <Typography variant="body2">
                {microns(card.build)} µm dry: {card.build.verdict}
              </Typography>
            </Box>
          )}
          <DataTable
            label={`Coats on ${card.batch.id}`}
            rows={card.coats}
            columns={columns}
            getRowId={(c) => c.id}
            height={HEIGHT}
            empty="No coat on it yet"
          />
        </>
      );
    }
    case 'Measures': {
      const columns: GridColDef<View<'MeasureView'>>[] = [
        { field: 'pieceId', headerName: 'Piece', width: 110 },
        { field: 'characteristicName', headerName: 'Measure', flex: 1, minWidth: 150 },
        { field: 'value', headerName: 'Value', type: 'number', width: 80 },
        { field: 'unit', headerName: 'Unit', width: 55 },
        {
          field: 'inBand',
          headerName: 'Band',
          width: 100,
          valueFormatter: (value: boolean) => (value ? 'in band' : 'OUT of band'),
        },
        when('When', 'atMs'),
        { field: 'by', headerName: 'Who', width: 120 },
      ];
      return (
        <DataTable
          label={`Measures of ${card.batch.id}`}
          rows={card.measures}
          columns={columns}
          getRowId={(m) => m.id}
          height={HEIGHT}
          empty="Nothing measured yet"
        />
      );
    }
    case 'Defects': {
      const columns: GridColDef<View<'DefectView'>>[] = [
        { field: 'pieceId', headerName: 'Piece', width: 110 },
        { field: 'kind', headerName: 'Defect', width: 140 },
        { field: 'disposition', headerName: 'Disposition', width: 100 },
        { field: 'operationName', headerName: 'Found at', flex: 1, minWidth: 130 },
        { field: 'originOperationName', headerName: 'Comes from', flex: 1, minWidth: 130 },
        when('When', 'atMs'),
        { field: 'note', headerName: 'Note', width: 140 },
      ];
      return (
        <DataTable
          label={`Defects of ${card.batch.id}`}
          rows={card.defects}
          columns={columns}
          getRowId={(d) => d.id}
          height={HEIGHT}
          empty="No defect so far"
        />
      );
    }
    case 'Log':
      return <LogTable of={card.batch.id} log={card.log} height={HEIGHT} />;
  }
}
