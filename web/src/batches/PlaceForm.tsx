import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useCarriers } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { carriersOf } from '../parts/words.ts';
import { FoldButtons } from './Fold.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Carrier = View<'CarrierView'>;

interface Row {
  carrierId: string;
  pieces: string;
}

/** What is wrong with putting a batch on these carriers; null when it can sit so. */
export function placingObjection(rows: readonly Row[], quantity: number, free: (carrierId: string) => number): string | null {
  const counts = rows.map((r) => Number(r.pieces));
  if (rows.some((r) => r.carrierId === '')) return 'Choose a carrier';
  if (new Set(rows.map((r) => r.carrierId)).size < rows.length) return 'The same carrier is named twice';
  if (counts.some((n) => !Number.isInteger(n) || n < 1)) return 'A whole number of pieces on each';
  const full = rows.findIndex((r, i) => (counts[i] ?? 0) > free(r.carrierId));
  if (full >= 0) return `${rows[full]?.carrierId ?? ''} has ${free(rows[full]?.carrierId ?? '')} places free`;
  const placed = counts.reduce((sum, n) => sum + n, 0);
  return placed === quantity ? null : `${placed} of ${quantity} pieces are placed`;
}

/** The batch goes on another carrier, or is shared out over several. */
export function PlaceForm({ card, onClose }: { card: View<'CardView'>; onClose: () => void }) {
  const { batch } = card;
  const carriers = useCarriers();
  const [rows, setRows] = useState<Row[]>([{ carrierId: '', pieces: String(batch.quantity) }]);
  const place = useBatchCommand('place', batch, `Put on ${rows.map((r) => r.carrierId).join(', ')}`, onClose);
  const free = (c: Carrier) => c.places - c.taken + (c.batches.find((b) => b.batchId === batch.id)?.pieces ?? 0);
  const possible = (carriers.data ?? []).filter((c) => c.active && (c.outline === null || c.outline === batch.modelId) && free(c) > 0);
  const objection = placingObjection(rows, batch.quantity, (id) => possible.filter((c) => c.id === id).map(free)[0] ?? 0);
  const edit = (i: number, fields: Partial<Row>) => setRows(rows.map((r, at) => (at === i ? { ...r, ...fields } : r)));
  return (
    <>
      <Typography variant="body2">
        {batch.placements.length === 0 ? 'It sits on no carrier.' : `It sits on ${carriersOf(batch)}.`}
      </Typography>
      {rows.map((row, i) => (
        <Stack key={i} direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
          <TextField
            select
            label="Carrier"
            value={row.carrierId}
            onChange={(event) => edit(i, { carrierId: event.target.value })}
            sx={{ minWidth: 240 }}
          >
            {possible.map((c) => (
              <MenuItem key={c.id} value={c.id}>
                {c.name}, {free(c)} of {c.places} free
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Pieces on it"
            type="number"
            value={row.pieces}
            onChange={(event) => edit(i, { pieces: event.target.value })}
            sx={{ width: 120 }}
          />
          {rows.length > 1 && (
            <Button color="inherit" onClick={() => setRows(rows.filter((_, at) => at !== i))}>
              Drop
            </Button>
          )}
        </Stack>
      ))}
      {objection !== null && rows.some((r) => r.carrierId !== '') && <Typography color="text.secondary">{objection}.</Typography>}
      {place.error && <ErrorNote error={place.error} />}
      <FoldButtons onClose={onClose}>
        <Button
          variant="outlined"
          disabled={objection !== null}
          loading={place.isPending}
          onClick={() => place.mutate({ placements: rows.map((r) => ({ carrierId: r.carrierId, pieces: Number(r.pieces) })) })}
        >
          Put it there
        </Button>
        <Button color="inherit" onClick={() => setRows([...rows, { carrierId: '', pieces: '' }])}>
          On one more
        </Button>
      </FoldButtons>
    </>
  );
}
