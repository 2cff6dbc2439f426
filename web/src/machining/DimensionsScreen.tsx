import { CHART_KINDS } from '@ample-crane/core';
import { Box, MenuItem, TextField } from '@mui/material';
import type { View } from '../ground/api.ts';
import { useDimensions } from '../ground/queries.ts';
import { Answer, Figure } from '../parts/Answer.tsx';
import { Empty, Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { useInAddress } from '../parts/useInAddress.ts';
import { DimensionList } from './DimensionList.tsx';
import { DimensionPart } from './DimensionPart.tsx';
import { InstrumentStudies } from './InstrumentStudies.tsx';
import { MachiningTabs } from './MachiningTabs.tsx';

type Dimension = View<'DimensionView'>;
type Kind = (typeof CHART_KINDS)[number];

const KINDS: Record<Kind, string> = {
  individuals: 'one value after the other',
  range: 'means of batches, with ranges',
  deviation: 'means of batches, with deviations',
};
const SIZES = [60, 120, 250, 500] as const;

/** What is measured again and again: what has gone off, what is about to, how well each keeps its tolerance. */
export default function DimensionsScreen() {
  const query = useDimensions();
  const [params, set] = useInAddress();
  return (
    <Screen title="Dimensions" query={query}>
      {(all) => {
        const here = all.find((d) => d.id === params.get('id')) ?? all[0];
        const kind = CHART_KINDS.find((k) => k === params.get('kind')) ?? 'individuals';
        const size = SIZES.find((n) => String(n) === params.get('size')) ?? 120;
        return (
          <>
            <MachiningTabs />
            <DimensionsAnswer all={all} />
            {here === undefined ? (
              <Empty>Nothing has been measured yet. What a step measures is said on its route, under Setup.</Empty>
            ) : (
              <Box
                sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(280px, 340px) 1fr' }, gap: 3, alignItems: 'start' }}
              >
                <DimensionList all={all} here={here} onOpen={(id) => set('id', id)} />
                <DimensionPart
                  key={here.id}
                  dimension={here}
                  asked={{ id: here.id, kind, size }}
                  tools={
                    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
                      <TextField select label="Chart" value={kind} onChange={(e) => set('kind', e.target.value)} sx={{ minWidth: 200 }}>
                        {CHART_KINDS.map((k) => (
                          <MenuItem key={k} value={k}>
                            {KINDS[k]}
                          </MenuItem>
                        ))}
                      </TextField>
                      <TextField select label="Latest" value={size} onChange={(e) => set('size', e.target.value)} sx={{ minWidth: 110 }}>
                        {SIZES.map((n) => (
                          <MenuItem key={n} value={n}>
                            {n} values
                          </MenuItem>
                        ))}
                      </TextField>
                    </Box>
                  }
                />
              </Box>
            )}
            <InstrumentStudies about={here ?? null} />
          </>
        );
      }}
    </Screen>
  );
}

const named = ({ name, modelName }: Dimension) => `${name} of ${modelName}`;

/** What needs a look now, and what is well. */
function DimensionsAnswer({ all }: { all: readonly Dimension[] }) {
  if (all.length === 0) return null;
  const off = all.filter((d) => d.signal !== null);
  const leaving = all
    .filter((d) => d.signal === null && d.drift?.left && d.drift.left.x > 0)
    .sort((a, b) => (a.drift?.left?.x ?? 0) - (b.drift?.left?.x ?? 0));
  const well = all.filter((d) => d.state === 'in control').length;
  const few = all.filter((d) => d.state === 'too few').length;
  const [first] = off;
  const [next] = leaving;
  return (
    <Answer>
      {first && (
        <>
          {off.length === 1 ? (
            `${named(first)} is out of control: `
          ) : (
            <>
              <Figure>{off.length}</Figure> charts are out of control, first {named(first)}:{' '}
            </>
          )}
          {first.signal?.sentence}.{' '}
        </>
      )}
      {next?.drift?.left && (
        <>
          {named(next)} leaves its tolerance in about <Figure>{Math.round(next.drift.left.x)}</Figure> parts.{' '}
        </>
      )}
      <Figure>{well}</Figure> of {counted(all.length, 'characteristic', 'characteristics')} {well === 1 ? 'is' : 'are'} in control
      {few > 0 && (
        <>
          , <Figure>{few}</Figure> {few === 1 ? 'has' : 'have'} too few values for a chart
        </>
      )}
      .
    </Answer>
  );
}
