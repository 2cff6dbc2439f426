import {
  boardsFor,
  objectionsTo,
  shortfallInWords,
  tally,
  whyShort,
  type BoardPlan,
  type PlacedBlank,
  type WantedBlank,
} from '@ample-crane/core';
import { Box, Button, LinearProgress, Stack, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { FigureField } from '../parts/deskFields.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { blankElementId, BoardDrawing, SNAP_SHARE, type BoardActs } from './BoardDrawing.tsx';
import { boardScale } from './boardScale.ts';
import { CutPlan } from './CutPlan.tsx';
import { useCarry, type Carried } from './useCarry.ts';
import { useCutSearch } from './useCutSearch.ts';
import { Want } from './Want.tsx';

interface Props {
  lotIds: readonly string[];
  boards: readonly View<'BoardView'>[];
  settings: View<'CuttingSettingsDto'>;
  wanted: readonly View<'WantDto'>[];
  plans: readonly BoardPlan[];
  kept?: View<'PlanView'>;
}

const SETTINGS = [
  ['kerfMm', 'Kerf'],
  ['edgingMm', 'Edging'],
  ['endTrimMm', 'End trim'],
  ['planingMm', 'Planing'],
  ['resawKerfMm', 'Resaw kerf'],
] as const;

const laidOnBoard = (plans: readonly BoardPlan[], boardId: string) => plans.find((p) => p.boardId === boardId)?.placed ?? [];

const toWanted = (want: View<'WantDto'>): WantedBlank => ({ ...want, anyGrain: want.anyGrain ?? false });

/** The boards with what is laid on them: planned by the machine, changed by hand, kept, printed, cut. */
export function PlanDesk(props: Props) {
  const { lotIds, boards, kept } = props;
  const { may } = useSession();
  const navigate = useNavigate();
  const [settings, setSettings] = useState(props.settings);
  const [wanted, setWanted] = useState([...props.wanted]);
  const [plans, setPlans] = useState([...props.plans]);
  const [planned, setPlanned] = useState(props.plans);
  /** what was asked for when nothing of it found a place */
  const [noneOf, setNoneOf] = useState<string | null>(null);
  const search = useCutSearch((laid) => {
    setPlans(laid);
    setPlanned(laid);
    setNoneOf(laid.every((p) => p.placed.length === 0) ? JSON.stringify([settings, wanted]) : null);
  });
  const editable = kept?.state !== 'cut' && may('operator') && search.share === null;
  const result = tally(plans, boards, wanted.map(toWanted));
  const asked = wanted.reduce((sum, w) => sum + w.count, 0);
  const got = wanted.reduce((sum, w) => sum + Math.min(w.count, result.got.get(w.id) ?? 0), 0);
  const cutBoards = plans.filter((p) => p.placed.length > 0);
  const objections = cutBoards.filter((p) => {
    const board = boards.find((b) => b.id === p.boardId);
    return board !== undefined && objectionsTo(board, p.placed, settings).length > 0;
  });
  const isPlanned = cutBoards.length > 0;
  const could = useMemo(
    () => (isPlanned ? boardsFor(boards, wanted.map(toWanted), settings) : new Map()),
    [isPlanned, boards, wanted, settings],
  );
  const short = whyShort(plans, boards, wanted.map(toWanted), could);
  const dirty = JSON.stringify([settings, wanted, plans]) !== JSON.stringify([props.settings, props.wanted, props.plans]);
  const body = {
    lotIds: [...lotIds],
    settings,
    wanted,
    boards: cutBoards.map(({ boardId, placed }) => ({ boardId, placed: [...placed] })),
  };
  const keep = useCommand(
    (input: typeof body, headers) =>
      kept
        ? ask(
            client.POST('/api/cutting/plans/{id}', {
              params: { path: { id: kept.id } },
              body: { ...input, version: kept.version },
              headers,
            }),
          )
        : ask(client.POST('/api/cutting/plans', { body: input, headers })),
    ({ id }) => void navigate(`/wood-room/cutting/${id}`),
  );
  const lay = (boardId: string, placed: PlacedBlank[]) =>
    setPlans(
      plans.some((p) => p.boardId === boardId)
        ? plans.map((p) => (p.boardId === boardId ? { boardId, placed } : p))
        : [...plans, { boardId, placed }],
    );
  const carry = useCarry({ boards, plans, wanted: wanted.map(toWanted), settings }, setPlans);
  // As they were planned: a board does not change its place on the page while blanks are moved about.
  const drawn = [...boards].sort((a, b) => laidOnBoard(planned, b.id).length - laidOnBoard(planned, a.id).length);
  const actsOf = (board: View<'BoardView'>): BoardActs => {
    const carried = (index: number, toId: string, at: Partial<PlacedBlank> = {}): Carried | null => {
      const blank = laidOnBoard(plans, board.id)[index];
      return blank ? { fromId: board.id, index, toId, at: { ...blank, ...at } } : null;
    };
    return {
      onChange: (placed) => lay(board.id, placed),
      onCarry: (index, over) => {
        const target = over && boards.find((b) => b.id === over.boardId);
        if (!over || !target) return carry.over(null);
        const { xMm, yMm } = boardScale(target).mmAt(over.drawing, over);
        carry.over(carried(index, target.id, { xMm: xMm - over.grab.xMm, yMm: yMm - over.grab.yMm }), target.lengthMm * SNAP_SHARE);
      },
      onLetGo: carry.drop,
      onSend: (index, by) => {
        const target = drawn[drawn.findIndex((b) => b.id === board.id) + by];
        const going = target && carried(index, target.id);
        if (!going || !carry.sendTo(going)) return;
        const landed = blankElementId(target.id, laidOnBoard(plans, target.id).length);
        requestAnimationFrame(() => document.getElementById(landed)?.focus());
      },
    };
  };
  return (
    <>
      <Answer>
        {cutBoards.length === 0 ? (
          <>
            {counted(boards.length, 'board', 'boards')} to choose from; <Figure>{asked}</Figure> {asked === 1 ? 'blank is' : 'blanks are'}{' '}
            wanted.
            {noneOf === JSON.stringify([settings, wanted]) &&
              ' The planner finds no place for any of them: they are too long, wide or thick for what is here, or faults lie in the way.'}
          </>
        ) : (
          <>
            <Figure>{got}</Figure> of {asked} blanks from {counted(cutBoards.length, 'board', 'boards')}; yield{' '}
            <Figure>{(result.yield * 100).toFixed(0)} %</Figure>
            {(kept?.past ?? []).map((p) => `; ${p.of} gave ${(p.yield * 100).toFixed(0)} % of ${counted(p.boards, 'board', 'boards')}`)}.
          </>
        )}
      </Answer>
      {short.map((shortfall) => (
        <Typography key={shortfall.blankId} color="text.secondary" sx={{ mb: 0.5 }}>
          {shortfallInWords(shortfall)}.
        </Typography>
      ))}
      <Stack direction="row" spacing={1} useFlexGap sx={{ mb: 2, flexWrap: 'wrap' }}>
        {editable && (
          <Button
            variant={cutBoards.length === 0 ? 'contained' : 'outlined'}
            onClick={() => search.begin({ boards, wanted: wanted.map(toWanted), settings })}
            disabled={asked === 0}
          >
            {cutBoards.length === 0 ? 'Plan the cuts' : 'Plan anew'}
          </Button>
        )}
        {editable && (
          <Button
            variant="contained"
            disabled={cutBoards.length === 0 || objections.length > 0 || (kept !== undefined && !dirty)}
            loading={keep.isPending}
            onClick={() => keep.mutate(body)}
          >
            {kept ? 'Keep the changes' : 'Keep the plan'}
          </Button>
        )}
        {kept && (
          <Button component="a" href={`/api/cutting/plans/${kept.id}/list.pdf`} target="_blank">
            Cut list
          </Button>
        )}
        {kept && <CutPlan plan={kept} dirty={dirty} />}
        <Button component={Link} to="/wood-room/cutting">
          All plans
        </Button>
      </Stack>
      {search.share !== null && (
        <Stack direction="row" spacing={2} sx={{ mb: 2, alignItems: 'center', maxWidth: 560 }}>
          <LinearProgress
            variant="determinate"
            value={search.share * 100}
            aria-label="Looking for a better plan"
            sx={{ flex: 1, minWidth: 80 }}
          />
          <Typography variant="body2">Looking for a better plan</Typography>
          <Button size="small" onClick={search.stop}>
            Take this one
          </Button>
        </Stack>
      )}
      {(keep.error ?? search.error) && <ErrorNote error={keep.error ?? search.error} />}
      {objections.length > 0 && (
        <Typography color="error">
          What lies on {objections.map((p) => p.boardId).join(', ')} cannot be cut so: move it before the plan is kept.
        </Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: '320px minmax(0, 1fr)' }, gap: 3 }}>
        <Box>
          <Section title="Wanted">
            {wanted.map((want, i) => (
              <Want
                key={want.id}
                want={want}
                got={result.got.get(want.id) ?? 0}
                editable={editable}
                onChange={(next) => setWanted(wanted.map((w, j) => (j === i ? next : w)))}
              />
            ))}
          </Section>
          <Section title="What each cut costs, mm">
            <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap' }}>
              {SETTINGS.map(([name, label]) => (
                <Box key={name} sx={{ width: 96 }}>
                  <FigureField
                    label={label}
                    readOnly={!editable}
                    value={settings[name]}
                    max={100}
                    onChange={(value) => value !== undefined && setSettings({ ...settings, [name]: value })}
                  />
                </Box>
              ))}
            </Stack>
          </Section>
        </Box>
        <Box>
          <Section title="Boards">
            {editable && (
              <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
                Drag a blank, on its board or to another; or choose it and use the arrow keys (with Shift, by a millimetre). Page Down and
                Page Up send it to the next board, Delete takes it off.
              </Typography>
            )}
            {carry.refused !== null && (
              <Typography color="error" role="alert">
                {carry.refused}
              </Typography>
            )}
            {drawn.map((board) => (
              <BoardDrawing
                key={board.id}
                board={board}
                placed={laidOnBoard(plans, board.id)}
                settings={settings}
                held={carry.held?.toId === board.id ? carry.held : undefined}
                acts={editable ? actsOf(board) : undefined}
              />
            ))}
          </Section>
        </Box>
      </Box>
    </>
  );
}
