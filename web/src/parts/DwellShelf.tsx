import { formatDuration } from '@ample-crane/core';
import { Box, Link, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { Id } from './Answer.tsx';
import { DwellRing } from './DwellRing.tsx';
import { GateAct } from './GateAct.tsx';
import { StreamGlyph } from './StreamGlyph.tsx';

type Batch = View<'BatchView'>;

/** What may go first, then what comes out soonest; what has no known end last. */
export const comingOut = (batch: Batch) => (batch.verdict === 'pass' ? 0 : (batch.untilMs ?? Infinity));

/** Waits on a shelf, in order of coming out; what is free can be moved from here. */
export function DwellShelf({ batches, ring, width }: { batches: readonly Batch[]; ring: number; width: number }) {
  const { nowMs, clock, may } = useSession();
  const tell = useTell();
  return (
    <Box
      component="ul"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        display: 'grid',
        gridTemplateColumns: `repeat(auto-fill, minmax(min(${width}px, 100%), 1fr))`,
        columnGap: 2,
      }}
    >
      {[...batches]
        .sort((a, b) => comingOut(a) - comingOut(b))
        .map((batch) => {
          const because = batch.findings.find((f) => f.verdict !== 'pass')?.sentence ?? batch.findings[0]?.sentence;
          const why = because && tell(because);
          return (
            <Box
              component="li"
              key={batch.id}
              sx={{ display: 'flex', gap: 1.5, alignItems: 'center', py: 1, borderBottom: 2, borderColor: 'divider' }}
            >
              <DwellRing of={batch} size={ring} />
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
                  <StreamGlyph of={batch.component} size={20} />
                  <Link component={RouterLink} to={`/batches/${batch.id}`} color="inherit">
                    <Id>{batch.id}</Id>
                  </Link>
                  <span>
                    {batch.quantity} × {batch.modelName}
                  </span>
                </Box>
                <Typography variant="body2">
                  {batch.verdict === 'pass'
                    ? 'can go now'
                    : batch.untilMs === null
                      ? batch.operationName
                      : `free ${clock(batch.untilMs)} · ${formatDuration(batch.untilMs - nowMs)}`}
                </Typography>
                <Typography variant="caption" color="text.secondary" sx={{ display: 'block', lineHeight: 1.35 }}>
                  {why}
                </Typography>
              </Box>
              {batch.verdict === 'pass' && may('operator') && (
                <GateAct subject="batch" id={batch.id} version={batch.version} label={`Move ${batch.id}`} />
              )}
            </Box>
          );
        })}
    </Box>
  );
}
