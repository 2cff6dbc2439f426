import { Box, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ChoiceIn, idChoices, TicksIn, useTyped } from '../parts/fields.tsx';
import { Empty } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { PlanDesk } from './PlanDesk.tsx';

interface Props {
  view: View<'CuttingView'>;
  lots: readonly View<'LotView'>[];
  /** the lot the plan was asked for */
  lotId: string | null;
}

/** Orders looked at in one plan, the most urgent first. */
const MOST_ORDERS = 12;

const kindOf = ({ species, use }: { species: string; use: string }) => `${species} for ${use}`;

/** A plan begins with the wood: which kind, and which of its lots. */
export function NewPlan({ view, lots, lotId }: Props) {
  const withBoards = lots.filter((l) => view.whole.some((b) => b.lotId === l.id));
  const kinds = [...new Set(withBoards.map(kindOf))].sort();
  const boardsOf = (kind: string) => view.whole.filter((b) => withBoards.some((l) => l.id === b.lotId && kindOf(l) === kind)).length;
  // What orders ask for, and of that what there is most of: the last board of a lot is what nothing fitted on.
  const asks = (l: View<'LotView'>) => view.needs.some((n) => n.count > 0 && kindOf(n) === kindOf(l));
  const [most] = [...withBoards].sort((a, b) => Number(asks(b)) - Number(asks(a)) || boardsOf(kindOf(b)) - boardsOf(kindOf(a)));
  const first = withBoards.find((l) => l.id === lotId) ?? most;
  const { control } = useForm({
    defaultValues: {
      kind: first ? kindOf(first) : '',
      lotIds: withBoards.filter((l) => lotId === null || l.id === lotId).map((l) => l.id),
    },
  });
  const { kind, lotIds } = useTyped(control);
  const here = withBoards.filter((l) => kindOf(l) === kind);
  if (!first) return <Empty>No released lot has measured boards. Open a lot and measure its boards first.</Empty>;
  const chosen = here.filter((l) => lotIds.includes(l.id)).map((l) => l.id);
  const needs = view.needs.filter((n) => kindOf(n) === kind);
  const asked = needs.filter((n) => n.count > 0);
  const wanted = [...asked.slice(0, MOST_ORDERS), ...needs.filter((n) => n.count === 0)].map((n) => ({
    id: `${n.modelName} ${n.component} ${n.orderId ?? 'for stock'}`,
    modelId: n.modelId,
    component: n.component,
    orderId: n.orderId,
    lengthMm: n.lengthMm,
    widthMm: n.widthMm,
    thicknessMm: n.thicknessMm,
    leavesEach: n.leavesEach,
    count: n.count,
    // Worth is wood kept: a larger blank is harder to find.
    value: Math.round((n.lengthMm * n.widthMm * n.thicknessMm * Math.max(1, n.leavesEach)) / 100_000) / 10,
  }));
  return (
    <>
      {asked.length === 0 && (
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          No open order asks for blanks of {kind}; say how many to cut for stock.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <ChoiceIn control={control} name="kind" label="Wood" choices={idChoices(kinds)} sx={{ minWidth: 220 }} />
        <TicksIn
          control={control}
          name="lotIds"
          label="Lots to cut from"
          choices={here.map((l) => [l.id, `${l.id}, ${counted(view.whole.filter((b) => b.lotId === l.id).length, 'board', 'boards')}`])}
        />
      </Box>
      {chosen.length === 0 ? (
        <Typography>Choose a lot to cut from.</Typography>
      ) : (
        <PlanDesk
          key={`${kind} ${chosen.join()}`}
          lotIds={chosen}
          boards={view.whole.filter((b) => chosen.includes(b.lotId))}
          settings={view.settings}
          wanted={wanted}
          plans={[]}
        />
      )}
    </>
  );
}
