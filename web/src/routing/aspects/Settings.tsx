import { freeKey, type JobSetting } from '@ample-crane/core';
import { Box, Button, Stack } from '@mui/material';
import { Choice, FigureField, TextLine } from '../../parts/deskFields.tsx';
import { useDesk } from '../context.ts';
import { atWork, type AspectEditor } from './aspect.ts';

const FIGURE = { unit: '', low: 0, high: 10 };

interface Edited {
  value: readonly JobSetting[] | undefined;
  onChange: (next: readonly JobSetting[] | undefined) => void;
  /** the button that adds one */
  add: string;
}

/** What is noted of how a step is done: figures within bounds, or words such as which tool or jig. */
export function NotedEditor({ value: all = [], onChange, add }: Edited) {
  const { readOnly } = useDesk();
  const put = (next: readonly JobSetting[]) => onChange(next.length === 0 ? undefined : next);
  const edit = (i: number, changed: JobSetting) => put(all.map((s, at) => (at === i ? changed : s)));
  return (
    <>
      {all.map((setting, i) => {
        const { id, name, figure } = setting;
        return (
          <Box key={id} role="group" aria-label={`Noted: ${name}`} sx={{ pl: 1.5, borderLeft: 2, borderColor: 'divider' }}>
            <Stack spacing={1.25}>
              <Stack direction="row" spacing={1}>
                <TextLine label="Noted" value={name} readOnly={readOnly} onChange={(value) => edit(i, { ...setting, name: value })} />
                <Choice
                  label="As"
                  value={figure ? 'figure' : 'words'}
                  readOnly={readOnly}
                  choices={[
                    ['figure', 'a figure'],
                    ['words', 'words'],
                  ]}
                  onChange={(as) => edit(i, as === 'figure' ? { id, name, figure: FIGURE } : { id, name })}
                />
              </Stack>
              {figure && (
                <Stack direction="row" spacing={1}>
                  {(['low', 'high'] as const).map((key) => (
                    <FigureField
                      key={key}
                      label={{ low: 'From', high: 'To' }[key]}
                      value={figure[key]}
                      min={-100_000}
                      readOnly={readOnly}
                      onChange={(value) => edit(i, { id, name, figure: { ...figure, [key]: value ?? 0 } })}
                    />
                  ))}
                  <TextLine
                    label="Unit"
                    value={figure.unit}
                    readOnly={readOnly}
                    onChange={(unit) => edit(i, { id, name, figure: { ...figure, unit } })}
                  />
                </Stack>
              )}
              {!readOnly && (
                <Button color="error" sx={{ alignSelf: 'start' }} onClick={() => put(all.filter((_, at) => at !== i))}>
                  Drop this
                </Button>
              )}
            </Stack>
          </Box>
        );
      })}
      {!readOnly && (
        <Button
          sx={{ alignSelf: 'start' }}
          onClick={() => {
            const id = freeKey(
              'setting',
              all.map((s) => s.id),
            );
            put([...all, { id, name: `Setting ${all.length + 1}` }]);
          }}
        >
          {add}
        </Button>
      )}
    </>
  );
}

function SettingsEditor() {
  const { step, change } = useDesk();
  return <NotedEditor value={step.settings} onChange={(settings) => change({ settings })} add="Add what is noted: a tool, a pressure" />;
}

export const settings: AspectEditor = { part: 'Noted when work begins', offered: atWork, Editor: SettingsEditor };
