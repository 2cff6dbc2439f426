import type { Way } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice, FigureField, TextLine } from '../../parts/deskFields.tsx';
import { atWork, type AspectEditor } from './aspect.ts';

/** Other ways to do a step: each with its own station, skill and pace. */
function WaysEditor() {
  const { step, setup, readOnly, change } = useDesk();
  const ways = step.ways ?? [];
  const put = (next: readonly Way[]) => change({ ways: next.length === 0 ? undefined : next });
  const edit = (i: number, fields: Partial<Way>) => put(ways.map((w, at) => (at === i ? { ...w, ...fields } : w)));
  return (
    <>
      {ways.length > 0 && (
        <TextLine
          label="The usual way is called"
          value={step.wayName ?? ''}
          readOnly={readOnly}
          onChange={(wayName) => change({ wayName: wayName === '' ? undefined : wayName })}
        />
      )}
      {ways.map((way, i) => (
        <Box key={way.id} role="group" aria-label={`Way ${way.name}`} sx={{ pl: 1.5, borderLeft: 2, borderColor: 'divider' }}>
          <Stack spacing={1.25}>
            <TextLine label="Way" value={way.name} readOnly={readOnly} onChange={(name) => edit(i, { name })} />
            <Choice
              label="Station of this way"
              value={way.stationCode}
              readOnly={readOnly}
              choices={setup.stations.map((s) => [s.code, s.name])}
              onChange={(stationCode) => edit(i, { stationCode })}
            />
            <Choice
              label="Skill of this way"
              value={way.skill ?? ''}
              empty="anyone"
              readOnly={readOnly}
              choices={setup.skills.map((s) => [s.skill, s.skill])}
              onChange={(skill) => {
                const { skill: was, ...rest } = way;
                put(ways.map((w, at) => (at === i ? (skill === '' ? rest : { ...rest, skill }) : w)));
              }}
            />
            <Stack direction="row" spacing={1}>
              <FigureField
                label="Set-up, min (this way)"
                value={way.setupMinutes}
                readOnly={readOnly}
                onChange={(v) => edit(i, { setupMinutes: v ?? 0 })}
              />
              <FigureField
                label="Min each (this way)"
                value={way.minutesPerPiece}
                readOnly={readOnly}
                onChange={(v) => edit(i, { minutesPerPiece: v ?? 0 })}
              />
            </Stack>
            {!readOnly && (
              <Button color="error" sx={{ alignSelf: 'start' }} onClick={() => put(ways.filter((_, at) => at !== i))}>
                Drop this way
              </Button>
            )}
          </Stack>
        </Box>
      ))}
      {ways.length === 0 && readOnly && <Typography variant="body2">None.</Typography>}
      {!readOnly && (
        <Button
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            put([
              ...ways,
              {
                id: `way-${ways.length + 2}`,
                name: 'By hand',
                stationCode: step.stationCode,
                setupMinutes: step.setupMinutes,
                minutesPerPiece: step.minutesPerPiece,
              },
            ])
          }
        >
          Add a way
        </Button>
      )}
    </>
  );
}

export const ways: AspectEditor = { part: 'Other ways to the same end', offered: atWork, Editor: WaysEditor };
