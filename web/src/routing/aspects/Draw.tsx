import { Button, Stack } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice, FigureField } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

/** Small parts drawn from those made ahead. */
function DrawsEditor() {
  const { step, setup, readOnly, change } = useDesk();
  const draws = step.draws ?? [];
  const small = setup.models.filter((m) => m.components.includes('small part'));
  if (small.length === 0 && draws.length === 0) return null;
  const put = (next: typeof draws) => change({ draws: next.length === 0 ? undefined : next });
  return (
    <>
      {draws.map((draw, i) => (
        <Stack key={i} direction="row" spacing={1} role="group" aria-label={`Small parts ${i + 1}`}>
          <Choice
            label="Draws"
            value={draw.modelId}
            readOnly={readOnly}
            choices={small.map((m) => [m.id, m.name])}
            onChange={(modelId) => put(draws.map((d, at) => (at === i ? { ...d, modelId } : d)))}
          />
          <FigureField
            label="For each piece"
            value={draw.perPiece}
            min={1}
            max={100}
            readOnly={readOnly}
            onChange={(n) => put(draws.map((d, at) => (at === i ? { ...d, perPiece: Math.round(n ?? 1) } : d)))}
          />
          {!readOnly && (
            <Button color="error" onClick={() => put(draws.filter((_, at) => at !== i))}>
              Drop
            </Button>
          )}
        </Stack>
      ))}
      {!readOnly && small[0] && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => put([...draws, { modelId: small[0]?.id ?? '', perPiece: 1 }])}>
          Draw small parts
        </Button>
      )}
    </>
  );
}

export const draw: AspectEditor = { part: 'Must exist first', Editor: DrawsEditor };
