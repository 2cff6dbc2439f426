import { Box, Button, Stack } from '@mui/material';
import type { UseQueryResult } from '@tanstack/react-query';
import { debounce } from '@mui/material/utils';
import { DataGrid, type GridColDef, type GridSortModel, type GridValidRowModel } from '@mui/x-data-grid';
import { useEffect, useMemo, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { HEADER_PX, ROW_PX } from './DataTable.tsx';
import { ErrorNote } from './ErrorNote.tsx';
import { TextIn, useTyped } from './fields.tsx';
import { howMany, PAGE_SIZE, type Paging } from './paging.ts';

interface Page<Row> {
  rows: readonly Row[];
  next: string | null;
  found: number;
  foundExactly: boolean;
}

interface Props<Row extends GridValidRowModel> {
  label: string;
  query: Pick<UseQueryResult<Page<Row>>, 'data' | 'error' | 'isPending' | 'isPlaceholderData'>;
  paging: Paging;
  /** only those that the server sorts by are sortable */
  columns: GridColDef<Row>[];
  getRowId: (row: Row) => string;
  onOpen: (row: Row) => void;
  /** what may be typed to find */
  find: string;
  /** where the whole list is to be had as a file */
  csv?: string;
  /** further choices of what is listed */
  children?: ReactNode;
  height: string;
  empty: string;
}

const TYPED_MS = 250;

/** A list too long to hold: found, sorted and turned over by the server. */
export function PagedTable<Row extends GridValidRowModel>(props: Props<Row>) {
  const { label, query, paging, columns, getRowId, onOpen, find, csv, children, height, empty } = props;
  const { sort } = paging.asked;
  const page = query.data;
  // The grid goes back to the first page when it is given another order, and one made anew is another.
  const sortModel = useMemo<GridSortModel>(() => [{ field: sort.replace(/^-/, ''), sort: sort.startsWith('-') ? 'desc' : 'asc' }], [sort]);
  return (
    <Box>
      {query.error && <ErrorNote error={query.error} />}
      <Stack direction="row" sx={{ gap: 1.5, mb: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <FindIn label={find} paging={paging} />
        {children}
        <Box sx={{ flex: 1 }} />
        {csv !== undefined && (
          <Button component="a" href={csv} download>
            All as CSV
          </Button>
        )}
      </Stack>
      <Box sx={{ height, minHeight: 260 }}>
        <DataGrid
          aria-label={label}
          rows={[...(page?.rows ?? [])]}
          columns={columns}
          getRowId={getRowId}
          rowHeight={ROW_PX}
          columnHeaderHeight={HEADER_PX}
          loading={query.isPending || query.isPlaceholderData}
          disableRowSelectionOnClick
          disableColumnFilter
          onRowClick={({ row }: { row: Row }) => onOpen(row)}
          sortingMode="server"
          sortModel={sortModel}
          onSortModelChange={([by]) => paging.setSort(by ? `${by.sort === 'desc' ? '-' : ''}${by.field}` : null)}
          paginationMode="server"
          rowCount={page?.foundExactly === false ? -1 : (page?.found ?? 0)}
          paginationMeta={{ hasNextPage: (page?.next ?? null) !== null }}
          paginationModel={{ page: paging.page, pageSize: PAGE_SIZE }}
          pageSizeOptions={[PAGE_SIZE]}
          onPaginationModelChange={({ page: wanted }) => {
            if (wanted > paging.page && page?.next) paging.goOn(page.next);
            else if (wanted < paging.page) paging.goBack();
          }}
          localeText={{
            noRowsLabel: paging.text === '' ? empty : `Nothing here for “${paging.text}”`,
            paginationDisplayedRows: ({ from }: { from: number }) => {
              const shown = page?.rows.length ?? 0;
              return page && shown > 0 ? `${from}–${from + shown - 1} of ${howMany(page)}` : '';
            },
          }}
          sx={{ '& .MuiDataGrid-row': { cursor: 'pointer' }, fontSize: 14 }}
        />
      </Box>
    </Box>
  );
}

/** What is looked for; asked of the server once nobody types any more. */
function FindIn({ label, paging: { text, setText } }: { label: string; paging: Paging }) {
  const { control } = useForm({ defaultValues: { find: text } });
  const typed = useTyped(control).find.trim();
  const ask = useMemo(() => debounce(setText, TYPED_MS), [setText]);
  useEffect(() => {
    if (typed !== text) ask(typed);
    return () => ask.clear();
  }, [ask, typed, text]);
  return <TextIn control={control} name="find" label={label} type="search" sx={{ width: { xs: '100%', sm: 300 } }} />;
}
