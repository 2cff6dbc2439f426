import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useSearchParams } from 'react-router';
import { useBatchPage, useInstrumentPage } from '../ground/queries.ts';
import { Answer, Figure } from '../parts/Answer.tsx';
import { howMany } from '../parts/paging.ts';
import { Screen } from '../parts/Screen.tsx';
import { BatchList } from './BatchList.tsx';
import { InstrumentList } from './InstrumentList.tsx';

const LISTS = { instruments: 'Instruments', work: 'Batches in work', done: 'Batches done' } as const;
type List = keyof typeof LISTS;

/** Every instrument that has a serial, and every batch there has been. */
export default function RecordsScreen() {
  const all = useInstrumentPage({ size: 1 });
  const { data: inWork } = useInstrumentPage({ size: 1, state: 'in work' });
  const { data: batches } = useBatchPage({ size: 1, done: true });
  const [search, setSearch] = useSearchParams();
  const asked = search.get('list') ?? '';
  const list: List = asked in LISTS ? (asked as List) : 'instruments';
  return (
    <Screen title="Records" query={all}>
      {(instruments) => (
        <>
          <Answer>
            <Figure>{howMany(instruments)}</Figure> instruments have a serial
            {inWork && (
              <>
                , <Figure>{howMany(inWork)}</Figure> of them in work
              </>
            )}
            {batches && (
              <>
                ; <Figure>{howMany(batches)}</Figure> batches are done
              </>
            )}
            . Each record leads back to its wood.
          </Answer>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={list}
            // Another list is sorted and found by other things.
            onChange={(_, value: List | null) => value && setSearch({ list: value })}
            aria-label="Which list"
            sx={{ mb: 1.5 }}
          >
            {Object.entries(LISTS).map(([value, label]) => (
              <ToggleButton key={value} value={value}>
                {label}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          {list === 'instruments' ? <InstrumentList /> : <BatchList key={list} done={list === 'done'} />}
        </>
      )}
    </Screen>
  );
}
