import { formatWork, TOGETHER } from '@ample-crane/core';
import { Box, Link, Paper, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Figure, Id } from '../parts/Answer.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { counted } from '../parts/words.ts';
import { CloseAct, PutInAct, TakeOutAct } from './WallActs.tsx';
import { RigWall } from './RigWall.tsx';

type Rig = View<'RigView'>;

/** One rig: its wall of places, what comes out, what goes in, and how much it is used. */
export function RigPanel({ rig }: { rig: Rig }) {
  const taken = rig.loads.reduce((sum, l) => sum + l.pieces, 0);
  const isClosed = rig.cycle === TOGETHER && rig.loads.some((l) => l.closedMs !== null);
  return (
    <Paper variant="outlined" component="article" aria-label={rig.name} sx={{ p: 1.5, display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Box>
        <Typography component="h3" sx={{ fontWeight: 600 }}>
          {rig.name}
        </Typography>
        <Typography variant="body2" color="text.secondary">
          {rig.kind} at {rig.stationName} · <Figure>{taken}</Figure> of {rig.places} places taken
          {isClosed ? ', closed' : ''}
        </Typography>
      </Box>
      <RigWall rig={rig} />
      <InIt rig={rig} isClosed={isClosed} />
      <ForIt rig={rig} />
      {rig.nextLoad && <NextLoad rig={rig} next={rig.nextLoad} />}
      <Used rig={rig} />
    </Paper>
  );
}

/** Batch by batch what is in it, and what is due. */
function InIt({ rig, isClosed }: { rig: Rig; isClosed: boolean }) {
  const { may, clock, nowMs } = useSession();
  const { closeByMs } = rig;
  const ids = [...new Set(rig.loads.flatMap((l) => l.batches.map((b) => b.batchId)))];
  const open = rig.cycle === TOGETHER && !isClosed;
  return ids.map((batchId) => {
    const own = rig.loads.flatMap((l) => l.batches.filter((b) => b.batchId === batchId).map((b) => ({ ...b, isOver: l.isOver })));
    const [first] = own;
    if (!first) return null;
    const pieces = own.reduce((sum, b) => sum + b.pieces, 0);
    const over = own.reduce((sum, b) => sum + (b.isOver ? b.pieces : 0), 0);
    return (
      <Box key={batchId} sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <StreamGlyph of={first.component} size={18} />
        <Typography variant="body2" sx={{ flex: 1, minWidth: 140 }}>
          <Link component={RouterLink} to={`/batches/${batchId}`}>
            <Id>{batchId}</Id>
          </Link>{' '}
          {pieces} {first.modelName}
          {open
            ? `, in and still open${closeByMs === null ? '' : closeByMs < nowMs ? `; its glue was to be closed by ${clock(closeByMs)}` : `: close it by ${clock(closeByMs)}, before its glue skins over`}`
            : over === pieces
              ? ', free'
              : over > 0
                ? `, ${over} of them free`
                : ''}
        </Typography>
        {may('operator') && over > 0 && <TakeOutAct rig={rig} batchId={batchId} version={first.version} pieces={over} />}
        {may('operator') && open && <CloseAct rig={rig} batchId={batchId} version={first.version} />}
      </Box>
    );
  });
}

const STATES = { waits: 'waiting', 'being glued': 'being glued', 'to be glued': 'next to be glued' } as const;
/** More than these are on the stage's own list. */
const TOLD_MOST = 4;

/** What could go in, the nearest first. */
function ForIt({ rig }: { rig: Rig }) {
  const { may, clock } = useSession();
  const soon = rig.coming.filter((c) => !rig.waiting.some((w) => w.batchId === c.batchId)).slice(0, TOLD_MOST);
  if (rig.waiting.length === 0 && soon.length === 0)
    return (
      <Typography variant="body2" color="text.secondary">
        Nothing is there or comes to be pressed in it within three days.
      </Typography>
    );
  return (
    <>
      {rig.waiting.slice(0, TOLD_MOST).map((w) => (
        <Box key={w.batchId} sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography variant="body2" sx={{ flex: 1, minWidth: 140 }}>
            <Link component={RouterLink} to={`/batches/${w.batchId}`}>
              <Id>{w.batchId}</Id>
            </Link>{' '}
            {w.what}, {STATES[w.state]}
            {w.lateDays !== null && w.lateDays > 0 && `, ${counted(w.lateDays, 'day', 'days')} late`}
          </Typography>
          {may('operator') && w.state !== 'to be glued' && w.fits > 0 && <PutInAct rig={rig} waiting={w} />}
        </Box>
      ))}
      {soon.length > 0 && (
        <Typography variant="body2" color="text.secondary">
          Then {soon.map((c) => `${c.batchId}, ${c.what}, about ${clock(c.atMs)}`).join('; ')}
        </Typography>
      )}
    </>
  );
}

const hoursOf = (c: View<'ClosingView'>) => `${Math.round(c.heldPieceHours + c.shutOutPieceHours)} h`;

/** Whether a load that is not full goes on without more, and what that costs. */
function NextLoad({ rig, next }: { rig: Rig; next: View<'NextLoadView'> }) {
  const { clock, nowMs } = useSession();
  const [best, other] = next.closings;
  if (!best) return null;
  const when =
    best.waitsFor.length > 0
      ? `wait for ${best.waitsFor.join(', ')}, until about ${clock(best.closeMs)}`
      : best.closeMs <= nowMs
        ? 'close it without more'
        : `close it without more at ${clock(best.closeMs)}, when it is free`;
  return (
    <Typography variant="body2">
      Next load: {next.pieces > 0 && `${next.pieces} there${next.sinceMs === null ? '' : ` since ${clock(next.sinceMs)}`}; `}
      {when}; <Figure>{best.pieces}</Figure> of {rig.places} places. Pieces wait <Figure>{hoursOf(best)}</Figure> in all because of it
      {other && `; ${other.waitsFor.length === 0 ? 'closed without more' : `closed after ${other.waitsFor.join(', ')}`}, ${hoursOf(other)}`}
      .
    </Typography>
  );
}

/** The most it can give, what it gave today, and the work it brings. */
function Used({ rig }: { rig: Rig }) {
  const { usualMinutes, ceilingAnHour, outToday, couldToday, brings } = rig;
  if (usualMinutes === null || ceilingAnHour === null)
    return (
      <Typography variant="body2" color="text.secondary">
        No route that is in force presses anything in it.
      </Typography>
    );
  return (
    <Typography variant="body2" color="text.secondary">
      At {formatWork(usualMinutes)} a {rig.cycle === TOGETHER ? 'load' : 'piece'} and one to tend it:{' '}
      <Figure>{ceilingAnHour.toFixed(1)}</Figure> an hour at most.
      {couldToday !== null && couldToday >= 1 && ` Today ${outToday} of ${Math.floor(couldToday)} came out.`}
      {brings.map(
        (b) => ` What is in it brings ${b.stationName} ${b.days >= 0.95 ? `${b.days.toFixed(1)} days` : formatWork(b.minutes)} of work.`,
      )}
    </Typography>
  );
}
