import { formatDuration, formatWork, HOUR_MS, MINUTE_MS, type Stage } from '@ample-crane/core';
import { Box } from '@mui/material';
import { useLocation } from 'react-router';
import type { View } from '../ground/api.ts';
import { STAGE_PATHS } from '../ground/keys.ts';
import { useRigs } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { Caution } from '../parts/Caution.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { ClampTabs } from './ClampTabs.tsx';
import { RigPanel } from './RigPanel.tsx';

const STAGES = ['roughMill', 'necks', 'bodies'] as const satisfies readonly Stage[];

/** Every rig of a stage as a wall of its places: what to take out, what to put in, what it is good for. */
export default function ClampsScreen() {
  const { pathname } = useLocation();
  const stage = STAGES.find((s) => pathname.startsWith(STAGE_PATHS[s])) ?? 'roughMill';
  const query = useRigs(stage);
  return (
    <Screen title="Clamps" query={query}>
      {({ rigs, rhythm }) => (
        <>
          <ClampTabs stage={stage} />
          {rhythm && <RhythmAnswer rigs={rigs} rhythm={rhythm} />}
          <Section title="The rigs">
            {rigs.length === 0 && (
              <Empty>No rig stands here. Under Setup, Carriers, say of a rack, press or table at which station it presses.</Empty>
            )}
            <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 420px), 1fr))', gap: 2 }}>
              {rigs.map((rig) => (
                <RigPanel key={rig.id} rig={rig} />
              ))}
            </Box>
          </Section>
          <Caution kinds={['hot', 'solvents']} />
        </>
      )}
    </Screen>
  );
}

/** What is free, when to come back, and what it costs not to. */
function RhythmAnswer({ rigs, rhythm }: { rigs: readonly View<'RigView'>[]; rhythm: View<'RhythmView'> }) {
  const { clock, nowMs } = useSession();
  const { freePieces, freeSinceMs, idlePlaceMinutes, returnMs, returnPieces, lostPlaceMinutes, untilMs } = rhythm;
  const inThem = rigs.reduce((sum, r) => sum + r.loads.reduce((all, l) => all + l.pieces, 0), 0);
  return (
    <Answer>
      {freePieces > 0 && freeSinceMs !== null ? (
        <>
          <Figure>{freePieces}</Figure> {freePieces === 1 ? 'piece may' : 'pieces may'} come out, the first since {clock(freeSinceMs)};{' '}
          {freePieces === 1 ? 'its place has' : 'their places have'} stood idle for <Figure>{formatWork(idlePlaceMinutes)}</Figure> of
          working time{freePieces === 1 ? '' : ', all together'}.
        </>
      ) : inThem === 0 ? (
        'Nothing is under pressure.'
      ) : (
        <>
          <Figure>{inThem}</Figure> {inThem === 1 ? 'piece is' : 'pieces are'} in the rigs; none may come out yet.
        </>
      )}
      {returnMs !== null && (
        <>
          {' '}
          Come back at <Figure>{clock(returnMs)}</Figure> · {formatDuration(Math.max(0, returnMs - nowMs))}:{' '}
          {counted(returnPieces, 'piece', 'pieces')} {returnPieces === 1 ? 'is' : 'are'} free by then.
        </>
      )}
      {lostPlaceMinutes * MINUTE_MS > HOUR_MS &&
        ` If nobody takes out what is free by ${clock(untilMs)}, their places lose ${formatWork(lostPlaceMinutes)} more.`}
    </Answer>
  );
}
