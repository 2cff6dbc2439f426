import { freeKey, type StepSheet } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { ask, client, fileForm } from '../../ground/api.ts';
import { useCommand } from '../../ground/queries.ts';
import { TextLine } from '../../parts/deskFields.tsx';
import { ErrorNote } from '../../parts/ErrorNote.tsx';
import { FileField } from '../../parts/FileField.tsx';
import { useDesk } from '../context.ts';
import type { AspectEditor } from './aspect.ts';
import { NotedEditor } from './Settings.tsx';

const LISTS = [
  ['instructions', 'What is done, in order'],
  ['lookFor', 'Look for'],
  ['looksBadNow', 'Looks bad now, and is as it should be'],
  ['endsPiece', 'Ends the piece'],
] as const;
const ONE_A_LINE = 'One to a line';

const linesOf = (text: string): string[] => text.split('\n').flatMap((line) => (line.trim() === '' ? [] : [line.trim()]));
const orNone = <T,>(list: readonly T[]): readonly T[] | undefined => (list.length === 0 ? undefined : list);
type Change = { [K in keyof StepSheet]?: StepSheet[K] | undefined };

/** A sheet with a change; a part that is empty is left out, and so is a sheet that says nothing. */
function changed(sheet: StepSheet, change: Change): StepSheet | undefined {
  const kept = Object.entries({ ...sheet, ...change }).filter(([, value]) => value !== undefined);
  return kept.length === 0 ? undefined : Object.fromEntries(kept);
}

/** How a step is done: what its bench reads, sees, ticks and notes. */
function SheetEditor() {
  const { step, readOnly, change } = useDesk();
  const sheet = step.sheet ?? {};
  const put = (next: Change) => change({ sheet: changed(sheet, next) });
  const ticks = sheet.ticks ?? [];
  return (
    <>
      {LISTS.map(([key, label]) => (
        <TextLine
          key={key}
          label={label}
          hint={ONE_A_LINE}
          lines
          value={(sheet[key] ?? []).join('\n')}
          readOnly={readOnly}
          onChange={(text) => put({ [key]: orNone(linesOf(text)) })}
        />
      ))}
      <TextLine
        label="Ticked before it is finished"
        hint={ONE_A_LINE}
        lines
        value={ticks.map((t) => t.text).join('\n')}
        readOnly={readOnly}
        onChange={(text) =>
          put({
            ticks: orNone(
              // A line that stays keeps its key.
              linesOf(text).reduce<{ key: string; text: string }[]>((all, line) => {
                const known = ticks.find((t) => t.text === line && !all.some((other) => other.key === t.key));
                const others = [...ticks, ...all].map((t) => t.key);
                return [...all, known ?? { key: freeKey(line.slice(0, 40), others), text: line }];
              }, []),
            ),
          })
        }
      />
      <NotedEditor value={sheet.notes} onChange={(notes) => put({ notes })} add="Add what is noted at the end: a speed, water, a feed" />
      <PicturesEditor pictures={sheet.pictures ?? []} onChange={(pictures) => put({ pictures: orNone(pictures) })} />
    </>
  );
}

type Pictures = NonNullable<StepSheet['pictures']>;

function PicturesEditor({ pictures, onChange }: { pictures: Pictures; onChange: (next: Pictures) => void }) {
  const { readOnly } = useDesk();
  const add = useCommand(async (file: File, headers) => {
    const name = file.name.slice(0, 120);
    const { id } = await ask(client.POST('/api/sheet-pictures', { ...fileForm(file, { name }), headers }));
    if (!pictures.some((p) => p.id === id)) onChange([...pictures, { id, caption: name.replace(/\.\w+$/, '') }]);
    return { id };
  });
  return (
    <>
      {pictures.map(({ id, caption }) => (
        <Stack key={id} direction="row" spacing={1.5} role="group" aria-label={`Picture: ${caption}`} sx={{ alignItems: 'start' }}>
          <img src={`/api/sheet-pictures/${id}`} alt={caption} style={{ width: 96, height: 64, objectFit: 'cover' }} />
          <Box sx={{ flex: 1 }}>
            <TextLine
              label="What is to be seen on it"
              value={caption}
              readOnly={readOnly}
              onChange={(said) => onChange(pictures.map((p) => (p.id === id ? { id, caption: said } : p)))}
            />
          </Box>
          {!readOnly && (
            <Button color="error" onClick={() => onChange(pictures.filter((p) => p.id !== id))}>
              Drop
            </Button>
          )}
        </Stack>
      ))}
      {!readOnly && (
        <FileField label="Add a picture" name="Picture" accept="image/png,image/jpeg,image/webp" onChoose={(file) => add.mutate(file)} />
      )}
      {add.isPending && <Typography>Sending…</Typography>}
      {add.error && <ErrorNote error={add.error} />}
    </>
  );
}

export const sheet: AspectEditor = { part: 'Step sheet', Editor: SheetEditor };
