import type { CoatPlan } from '@ample-crane/core';
import { Stack } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice, FigureField } from '../../parts/deskFields.tsx';
import { atWork, type AspectEditor } from './aspect.ts';

/** What is sprayed here. */
function CoatEditor() {
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

export const coat: AspectEditor = { part: 'Coats', offered: atWork, Editor: CoatEditor };
