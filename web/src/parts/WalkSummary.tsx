import { formatDuration, HOUR_MS, type WalkThrough } from '@ample-crane/core';
import { Box, Stack, Table, TableBody, TableCell, TableRow, Typography } from '@mui/material';
import { Answer, Figure } from './Answer.tsx';
import { KIND_WORDS, StepShape } from './StepShape.tsx';
import { StreamGlyph } from './StreamGlyph.tsx';
import { plural } from './words.ts';

const hours = (h: number) => formatDuration(h * HOUR_MS);
/** Work is told in hours, since a day of work is not a day of the clock. */
const minutes = (m: number) => (m < 90 ? `${Math.round(m)} min` : `${(m / 60).toFixed(1)} h`);

/** What an order goes through: work and waiting, step by step, and the skills and places it asks for. */
export function WalkSummary({ walk }: { walk: WalkThrough }) {
  return (
    <Stack spacing={2}>
      <Answer>
        <Figure>{minutes(walk.touchMinutes)}</Figure> of work; the slowest way through asks for{' '}
        <Figure>{minutes(walk.longest.touchMinutes)}</Figure> of it and <Figure>{hours(walk.longest.waitHours)}</Figure> of waiting.
      </Answer>
      {walk.streams.map(({ component, steps }) => (
        <Box key={component}>
          <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
            <StreamGlyph of={component} />
            <Typography variant="h3" sx={{ textTransform: 'capitalize' }}>
              {plural(component)}
            </Typography>
          </Stack>
          <Table size="small" aria-label={`Steps of the ${plural(component)}`}>
            <TableBody>
              {steps.map(({ operation, times, touchMinutes, waitHours }) => (
                <TableRow key={operation.id}>
                  <TableCell sx={{ pl: 0, border: 0, py: 0.25 }}>
                    <Stack direction="row" spacing={0.75} sx={{ alignItems: 'center' }}>
                      <StepShape kind={operation.kind} />
                      <span>
                        {operation.name}
                        {times !== 1 && ` × ${times}`}
                      </span>
                    </Stack>
                  </TableCell>
                  <TableCell align="right" sx={{ border: 0, py: 0.25, whiteSpace: 'nowrap' }}>
                    {touchMinutes > 0 ? minutes(touchMinutes) : waitHours > 0 ? `waits ${hours(waitHours)}` : KIND_WORDS[operation.kind]}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      ))}
      <Typography variant="h3">{walk.skills.length === 0 ? 'No particular skill is asked for' : 'Skills it asks for'}</Typography>
      <Table size="small" aria-label="Skills">
        <TableBody>
          {walk.skills.map((s) => (
            <TableRow key={s.skill}>
              <TableCell sx={{ pl: 0, border: 0, py: 0.25 }}>
                {s.skill}
                {s.level > 1 && `, level ${s.level}`}
              </TableCell>
              <TableCell align="right" sx={{ border: 0, py: 0.25 }}>
                {minutes(s.minutes)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {walk.places.length > 0 && (
        <Typography>Places: {walk.places.map((p) => `${p.pieces} in a ${p.kind} for ${hours(p.hours)}`).join('; ')}.</Typography>
      )}
    </Stack>
  );
}
