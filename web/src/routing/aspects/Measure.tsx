import { freeId, type Characteristic } from '@ample-crane/core';
import { Box, Button, Stack } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice, FigureField, TextLine } from '../../parts/deskFields.tsx';
import { atWork, type AspectEditor } from './aspect.ts';

/** Fields with what they are to be; what is undefined is left out from then on. */
type Changed = { [Field in keyof Characteristic]?: Characteristic[Field] | undefined };

function changed(characteristic: Characteristic, fields: Changed): Characteristic {
  const all = Object.entries({ ...characteristic, ...fields }).filter(([, value]) => value !== undefined);
  // What may not be left out is never undefined in `fields`.
  return Object.fromEntries(all) as unknown as Characteristic;
}

/** Dimensions and other measures taken at the step, each with its band. */
function CharacteristicsEditor() {
  const { route, step, setup, readOnly, change } = useDesk();
  const all = step.characteristics ?? [];
  const put = (next: readonly Characteristic[]) => change({ characteristics: next.length === 0 ? undefined : next });
  const edit = (i: number, fields: Changed) => put(all.map((c, at) => (at === i ? changed(c, fields) : c)));
  const skills = setup.skills.map((s) => [s.skill, s.skill] as const);
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
            <Stack direction="row" spacing={1}>
              <TextLine
                label="Measured with"
                value={c.instrument ?? ''}
                readOnly={readOnly}
                onChange={(instrument) => edit(i, { instrument: instrument.trim() === '' ? undefined : instrument })}
              />
              <FigureField
                label="How many"
                value={c.sample?.measured}
                min={1}
                max={10_000}
                optional
                readOnly={readOnly}
                onChange={(n) => edit(i, { sample: n === undefined ? undefined : { measured: n, of: Math.max(n, c.sample?.of ?? n) } })}
              />
              {c.sample && (
                <FigureField
                  label="of every"
                  value={c.sample.of}
                  min={c.sample.measured}
                  max={10_000}
                  readOnly={readOnly}
                  onChange={(of) => edit(i, { sample: { measured: c.sample?.measured ?? 1, of: of ?? 1 } })}
                />
              )}
            </Stack>
            <Stack direction="row" spacing={1}>
              <Choice
                label="When its chart fires"
                value={c.holds === true ? 'holds' : 'tells'}
                readOnly={readOnly}
                choices={[
                  ['tells', 'it is told'],
                  ['holds', 'the batch is held'],
                ]}
                onChange={(what) => edit(i, { holds: what === 'holds' ? true : undefined })}
              />
              <Choice
                label="Who decides"
                value={c.decidingSkill ?? ''}
                empty="any lead"
                readOnly={readOnly}
                choices={skills}
                onChange={(skill) => edit(i, { decidingSkill: skill === '' ? undefined : skill })}
              />
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
