import { DEFECTS, type DefectKind } from '@ample-crane/core';
import { Box, Button, Checkbox, FormControlLabel, MenuItem, Stack, TextField } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FoldButtons } from './Fold.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Card = View<'CardView'>;
interface Props {
  card: Card;
  onClose: () => void;
}

/** Some of a batch's pieces, each ticked. */
export function PieceChoice({
  label,
  ids,
  chosen,
  onChange,
}: {
  label: string;
  ids: readonly string[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}) {
  const toggle = (id: string) => onChange(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id]);
  return (
    <Box role="group" aria-label={label} sx={{ display: 'flex', flexWrap: 'wrap' }}>
      {ids.map((id) => (
        <FormControlLabel key={id} control={<Checkbox checked={chosen.includes(id)} onChange={() => toggle(id)} />} label={id} />
      ))}
    </Box>
  );
}

/** Pieces that are ready go on; the work on the rest goes on here. */
export function FinishSomeForm({ card, onClose }: Props) {
  const { batch, inPass } = card;
  const [chosen, setChosen] = useState<string[]>([]);
  const finish = useBatchCommand('finish-some', batch, `${chosen.length} ready before the rest`, onClose);
  return (
    <>
      <PieceChoice label="Pieces that are ready" ids={inPass} chosen={chosen} onChange={setChosen} />
      {finish.error && <ErrorNote error={finish.error} />}
      <FoldButtons onClose={onClose}>
        <Button
          variant="outlined"
          disabled={chosen.length === 0 || chosen.length === inPass.length}
          loading={finish.isPending}
          onClick={() => finish.mutate({ pieceIds: chosen })}
        >
          These are ready
        </Button>
      </FoldButtons>
    </>
  );
}

/** Pieces that are out for good, with the fault and where it comes from. */
export function ScrapForm({ card, onClose }: Props) {
  const { batch, pieces, originChoices } = card;
  const live = pieces.filter((p) => p.state === 'good' || p.state === 'rework').map((p) => p.id);
  const [chosen, setChosen] = useState<string[]>([]);
  const [defect, setDefect] = useState<DefectKind | ''>('');
  const [origin, setOrigin] = useState(originChoices[0]?.id ?? batch.operationId);
  const scrap = useBatchCommand('scrap', batch, `Scrap ${chosen.join(', ')}`, onClose);
  return (
    <>
      <PieceChoice label="Pieces that are scrap" ids={live} chosen={chosen} onChange={setChosen} />
      <Stack direction="row" spacing={1.5}>
        <TextField
          select
          label="What is wrong"
          value={defect}
          onChange={(event) => setDefect(DEFECTS.find((d) => d === event.target.value) ?? '')}
          sx={{ minWidth: 170 }}
        >
          {DEFECTS.map((d) => (
            <MenuItem key={d} value={d}>
              {d}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="Comes from" value={origin} onChange={(event) => setOrigin(event.target.value)} sx={{ minWidth: 170 }}>
          {originChoices.map((o) => (
            <MenuItem key={o.id} value={o.id}>
              {o.name}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      {scrap.error && <ErrorNote error={scrap.error} />}
      <FoldButtons onClose={onClose}>
        <Button
          color="error"
          variant="outlined"
          disabled={chosen.length === 0 || defect === ''}
          loading={scrap.isPending}
          onClick={() =>
            defect !== '' && scrap.mutate({ pieces: chosen.map((pieceId) => ({ pieceId, defect, originOperationId: origin, note: '' })) })
          }
        >
          Scrap {chosen.length > 0 ? chosen.length : ''}
        </Button>
      </FoldButtons>
    </>
  );
}
