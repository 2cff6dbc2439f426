import { TOGETHER } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { DwellRing, type Wait } from '../parts/DwellRing.tsx';

type Rig = View<'RigView'>;
type Load = View<'RigLoadView'>;

const STACK_PX = 26;

/** The places of a rig: each with its timer, or a stack that is closed over all of them. */
export const RigWall = ({ rig }: { rig: Rig }) => (rig.cycle === TOGETHER ? <Stack rig={rig} /> : <Places rig={rig} />);

const waitOf = ({ done, freeMs, isOver, stands, closedMs }: Load): Wait => ({
  done,
  untilMs: freeMs,
  verdict: isOver ? 'pass' : 'wait',
  status: 'dwelling',
  findings: stands === null || closedMs === null ? [] : [{ rule: 'pressed', verdict: 'wait', sentence: '', done }],
});

function Places({ rig }: { rig: Rig }) {
  const { tokens } = useTheme();
  const { clock } = useSession();
  return (
    <Box
      component="ol"
      aria-label={`Places of ${rig.name}`}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, p: 0, m: 0, listStyle: 'none' }}
    >
      {Array.from({ length: rig.places }, (_, i) => {
        const load = rig.loads.find((l) => l.place === i + 1);
        return (
          <Box
            component="li"
            key={i}
            sx={{
              width: 56,
              height: 60,
              border: `1px ${load ? 'solid' : 'dashed'} ${load ? tokens.rule : tokens.waiting}`,
              borderRadius: '6px',
              display: 'flex',
              flexDirection: 'column',
              alignItems: 'center',
              justifyContent: 'center',
            }}
          >
            {load ? (
              <>
                <DwellRing of={waitOf(load)} size={26} />
                <Typography sx={{ fontSize: 12, lineHeight: 1.2 }}>
                  {load.isOver ? 'free' : load.freeMs === null ? 'stands' : clock(load.freeMs)}
                </Typography>
              </>
            ) : (
              <Typography color="text.secondary" sx={{ fontSize: 12 }}>
                {i + 1}
              </Typography>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** As full as it is, under one clock. */
function Stack({ rig }: { rig: Rig }) {
  const { tokens } = useTheme();
  const { clock } = useSession();
  const [load] = rig.loads;
  const taken = rig.loads.reduce((sum, l) => sum + l.pieces, 0);
  const told = !load
    ? 'empty'
    : load.closedMs === null
      ? 'open'
      : load.isOver
        ? `free since ${clock(load.freeMs ?? load.closedMs)}`
        : load.freeMs === null
          ? 'its clock stands'
          : `${load.told}, free ${clock(load.freeMs)}`;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
      {load && load.closedMs !== null && <DwellRing of={waitOf(load)} size={40} />}
      <Box sx={{ flex: 1 }}>
        <Box
          role="img"
          aria-label={`${taken} of ${rig.places} places filled`}
          sx={{ height: STACK_PX, border: `1px solid ${tokens.rule}`, borderRadius: '6px', overflow: 'hidden', bgcolor: tokens.ground }}
        >
          <Box sx={{ width: `${(100 * taken) / rig.places}%`, height: '100%', bgcolor: load?.isOver ? tokens.ready : tokens.waiting }} />
        </Box>
        <Typography variant="body2">{told}</Typography>
      </Box>
    </Box>
  );
}
