import { freeId, type Characteristic, type CoatPlan } from '@ample-crane/core';
import { Box, Button, Stack } from '@mui/material';
import { useDesk } from './context.ts';
import { Choice, FigureField, TextLine } from './fields.tsx';

/** Dimensions and other measures taken at the step, each with its band. */
export function CharacteristicsEditor() {
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

/** What is sprayed here. */
export function CoatEditor() {
  const { step, setup, readOnly, change } = useDesk();
  const { coat } = step;
  const edit = (fields: Partial<CoatPlan>) => coat && change({ coat: { ...coat, ...fields } });
  return (
    <>
      <Choice
        label="Material"
        value={coat?.materialId ?? ''}
        empty="none"
        readOnly={readOnly}
        choices={setup.materials.map((m) => [m.id, m.name])}
        onChange={(materialId) => {
          const material = setup.materials.find((m) => m.id === materialId);
          change({
            coat: material
              ? {
                  coats: 2,
                  wetUm: 100,
                  flashMinutes: 20,
                  recoatMaxMinutes: 24 * 60,
                  ...coat,
                  materialId,
                  volumeSolids: material.volumeSolids,
                }
              : undefined,
          });
        }}
      />
      {coat && (
        <>
          <Stack direction="row" spacing={1}>
            <FigureField
              label="Coats"
              value={coat.coats}
              min={1}
              max={30}
              readOnly={readOnly}
              onChange={(v) => edit({ coats: Math.round(v ?? 1) })}
            />
            <FigureField
              label="Wet film, µm"
              value={coat.wetUm}
              min={1}
              max={1000}
              readOnly={readOnly}
              onChange={(v) => edit({ wetUm: v ?? 100 })}
            />
          </Stack>
          <Stack direction="row" spacing={1}>
            <FigureField
              label="Flash, min"
              value={coat.flashMinutes}
              readOnly={readOnly}
              onChange={(v) => edit({ flashMinutes: v ?? 0 })}
            />
            <FigureField
              label="Recoat within, h"
              value={coat.recoatMaxMinutes / 60}
              readOnly={readOnly}
              onChange={(v) => edit({ recoatMaxMinutes: (v ?? 24) * 60 })}
            />
          </Stack>
        </>
      )}
    </>
  );
}
