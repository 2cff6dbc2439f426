import { Button, Stack, Typography } from '@mui/material';
import { useFieldArray, useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useCarriers } from '../ground/queries.ts';
import { ChoiceIn, TextIn, useTyped } from '../parts/fields.tsx';
import { carriersOf } from '../parts/words.ts';
import { FoldForm } from './Fold.tsx';
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
  const { control, handleSubmit } = useForm<{ rows: Row[] }>({
    defaultValues: { rows: [{ carrierId: '', pieces: String(batch.quantity) }] },
  });
  const typed = useTyped(control);
  const { fields, append, remove } = useFieldArray({ control, name: 'rows' });
  const rows = typed.rows;
  const place = useBatchCommand('place', batch, `Put on ${rows.map((r) => r.carrierId).join(', ')}`, onClose);
  const free = (c: Carrier) => c.places - c.taken + (c.batches.find((b) => b.batchId === batch.id)?.pieces ?? 0);
  const possible = (carriers.data ?? []).filter(
    (c) => c.active && c.rig === null && (c.outline === null || c.outline === batch.modelId) && free(c) > 0,
  );
  const objection = placingObjection(rows, batch.quantity, (id) => possible.filter((c) => c.id === id).map(free)[0] ?? 0);
  return (
    <FoldForm
      submit="Put it there"
      disabled={objection !== null}
      pending={place.isPending}
      error={place.error}
      onSubmit={handleSubmit((given) =>
        place.mutate({ placements: given.rows.map((r) => ({ carrierId: r.carrierId, pieces: Number(r.pieces) })) }),
      )}
      onClose={onClose}
      beside={
        <Button color="inherit" onClick={() => append({ carrierId: '', pieces: '' })}>
          On one more
        </Button>
      }
    >
      <Typography variant="body2">
        {batch.placements.length === 0 ? 'It sits on no carrier.' : `It sits on ${carriersOf(batch)}.`}
      </Typography>
      {fields.map((row, i) => (
        <Stack key={row.id} direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
          <ChoiceIn
            control={control}
            name={`rows.${i}.carrierId`}
            label="Carrier"
            choices={possible.map((c) => [c.id, `${c.name}, ${free(c)} of ${c.places} free`])}
            sx={{ minWidth: 240 }}
          />
          <TextIn control={control} name={`rows.${i}.pieces`} label="Pieces on it" type="number" sx={{ width: 120 }} />
          {fields.length > 1 && (
            <Button color="inherit" onClick={() => remove(i)}>
              Drop
            </Button>
          )}
        </Stack>
      ))}
      {objection !== null && rows.some((r) => r.carrierId !== '') && <Typography color="text.secondary">{objection}.</Typography>}
    </FoldForm>
  );
}
