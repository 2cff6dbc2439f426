import { Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import type { Severity } from '../parts/Finding.tsx';
import { FoundList } from '../parts/FoundList.tsx';

type Dimension = View<'DimensionView'>;

const MARKS: Record<Dimension['state'], Severity> = { 'out of control': 'stop', 'in control': 'ready', 'too few': 'waiting' };

interface Props {
  all: readonly Dimension[];
  here: Dimension;
  onOpen: (id: string) => void;
}

/** Every characteristic that is measured: what is out of control first, then what was measured last. */
export const DimensionList = ({ all, here, onOpen }: Props) => (
  <FoundList
    title="What is measured"
    hereId={here.id}
    states={Object.keys(MARKS).map((state) => [state, state])}
    onOpen={onOpen}
    lines={all.map((d) => ({
      id: d.id,
      severity: MARKS[d.state],
      state: d.state,
      title: `${d.name}, ${d.modelName}`,
      said: `${d.stepName} · ${d.signal ? d.signal.sentence : d.state === 'too few' ? `${d.lacking} more for a chart` : d.state}`,
      words: [d.stepName, d.stationName],
      aside: d.capability && (
        <Typography component="span" variant="body2" sx={{ whiteSpace: 'nowrap', fontVariantNumeric: 'tabular-nums' }}>
          Ppk {d.capability.ppk.value.toFixed(2)}
        </Typography>
      ),
    }))}
  />
);
