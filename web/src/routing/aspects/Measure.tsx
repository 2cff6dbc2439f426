import { freeId, type Characteristic } from '@ample-crane/core';
import { Box, Button, Stack } from '@mui/material';
import { useDesk } from '../context.ts';
import { FigureField, TextLine } from '../../parts/deskFields.tsx';
import { atWork, type AspectEditor } from './aspect.ts';

/** Dimensions and other measures taken at the step, each with its band. */
function CharacteristicsEditor() {
  const { route, step, readOnly, change } = useDesk();
  const all = step.characteristics ?? [];
  const put = (next: readonly Characteristic[]) => change({ characteristics: next.length === 0 ? undefined : next });
  const edit = (i: number, fields: Partial<Characteristic>) => put(all.map((c, at) => (at === i ? { ...c, ...fields } : c)));
  return (
    <>
      {all.map((c, i) => (
        <Box key={c.id} role="group" aria-label={`Measure ${c.name}`} sx={{ pl: 1.5, borderLeft: 2, borderColor: 'divider' }}>
          <Stack spacing={1.25}>
            <Stack direction="row" spacing={1}>
              <TextLine label="Measure" value={c.name} readOnly={readOnly} onChange={(name) => edit(i, { name })} />
              <TextLine label="Unit" value={c.unit} readOnly={readOnly} onChange={(unit) => edit(i, { unit })} />
            </Stack>
            <Stack direction="row" spacing={1}>
              {(['low', 'target', 'high'] as const).map((key) => (
                <FigureField
                  key={key}
                  label={{ low: 'From', target: 'Target', high: 'To' }[key]}
                  value={c[key]}
                  min={-100_000}
                  readOnly={readOnly}
                  onChange={(v) => edit(i, { [key]: v ?? 0 })}
                />
              ))}
            </Stack>
            {!readOnly && (
              <Button color="error" sx={{ alignSelf: 'start' }} onClick={() => put(all.filter((_, at) => at !== i))}>
                Drop this measure
              </Button>
            )}
          </Stack>
        </Box>
      ))}
      {!readOnly && (
        <Button
          sx={{ alignSelf: 'start' }}
          onClick={() => {
            const id = freeId({ ...route, operations: [...route.operations, ...all.map((c) => ({ ...step, id: c.id }))] }, 'measure');
            put([...all, { id, name: 'New measure', unit: 'mm', low: 0, target: 0.5, high: 1 }]);
          }}
        >
          Add a measure
        </Button>
      )}
    </>
  );
}

export const measure: AspectEditor = { part: 'Measured here', offered: atWork, Editor: CharacteristicsEditor };
