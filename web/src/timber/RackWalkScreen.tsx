import { DAY_MS } from '@ample-crane/core';
import { Box, Button, List, ListItemButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useLot, useLots, useZones } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { Empty, Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { readyWords } from './ready.ts';
import { ReadingForm } from './ReadingForm.tsx';
import { useWoodRoom } from './useWoodRoom.ts';
import { WoodTabs } from './WoodTabs.tsx';

type Lot = View<'LotView'>;

/** A lot is looked at again after so long. */
const DUE_DAYS = 14;
const FRESH_MS = DAY_MS / 2;

const byPlace = (a: Lot, b: Lot) => (a.place ?? '').localeCompare(b.place ?? '', undefined, { numeric: true }) || a.number - b.number;

/** The round with the meter: lot by lot along the racks, one field, and on to the next. */
export default function RackWalkScreen() {
  const { nowMs } = useSession();
  const zones = useZones();
  const query = useLots(['drying']);
  const [search, setSearch] = useSearchParams();
  const woodRoom = useWoodRoom();
  const zoneId = search.get('zone') ?? woodRoom ?? '';
  const [chosen, setChosen] = useState<string | null>(null);
  return (
    <Screen title="Walk the racks" query={query}>
      {(all) => {
        const lots = all.filter((l) => l.zoneId === zoneId).sort(byPlace);
        const read = lots.filter((l) => l.lastReadMs !== null && nowMs - l.lastReadMs < FRESH_MS);
        const due = lots.filter((l) => l.lastReadMs === null || nowMs - l.lastReadMs > DUE_DAYS * DAY_MS);
        const open = lots.filter((l) => !read.includes(l));
        const lot = lots.find((l) => l.id === chosen) ?? open[0];
        const next = () => {
          const left = open.filter((l) => l.id !== lot?.id);
          const after = left.find((l) => lot !== undefined && byPlace(l, lot) > 0) ?? left[0];
          setChosen(after?.id ?? null);
        };
        return (
          <>
            <WoodTabs />
            <Answer>
              <Figure>{read.length}</Figure> of {counted(lots.length, 'lot', 'lots')} read today; <Figure>{due.length}</Figure> not for{' '}
              {DUE_DAYS} days.
            </Answer>
            <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '300px minmax(0, 1fr)' }, gap: 3 }}>
              <Box>
                <TextField
                  select
                  fullWidth
                  label="Room"
                  value={zoneId}
                  onChange={(event) => setSearch({ zone: event.target.value })}
                  sx={{ mb: 1 }}
                >
                  {(zones.data ?? []).map((z) => (
                    <MenuItem key={z.id} value={z.id}>
                      {z.name}
                    </MenuItem>
                  ))}
                </TextField>
                <List
                  dense
                  component="div"
                  role="group"
                  aria-label="Lots along the racks"
                  sx={{ maxHeight: { md: 'calc(100vh - 320px)' }, overflowY: 'auto' }}
                >
                  {lots.map((l) => (
                    <ListItemButton key={l.id} selected={l.id === lot?.id} onClick={() => setChosen(l.id)} sx={{ minHeight: 48 }}>
                      <Stack sx={{ flex: 1 }}>
                        <span>
                          <Id>{l.id}</Id> {l.species}
                        </span>
                        <Typography variant="caption" color="text.secondary">
                          {l.place ?? 'no place'} ·{' '}
                          {read.includes(l) ? 'read today' : l.lastReadMs === null ? 'never read' : agoWords(nowMs - l.lastReadMs)}
                        </Typography>
                      </Stack>
                    </ListItemButton>
                  ))}
                </List>
              </Box>
              <Box>
                {lot ? (
                  <Stop key={lot.id} lot={lot} onNext={next} />
                ) : (
                  <Empty>{lots.length === 0 ? 'No lot is drying in this room.' : 'Every lot here has been read today.'}</Empty>
                )}
              </Box>
            </Box>
          </>
        );
      }}
    </Screen>
  );
}

const agoWords = (ms: number) => (ms < DAY_MS ? 'read within a day' : `read ${Math.floor(ms / DAY_MS)} d ago`);

function Stop({ lot, onNext }: { lot: Lot; onNext: () => void }) {
  const { nowMs, dateTime } = useSession();
  const card = useLot(lot.id);
  const last = card.data?.sessions.at(-1);
  return (
    <>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        <Id>{lot.id}</Id> {lot.species}, {lot.thicknessMm} mm {lot.form}
      </Typography>
      <Typography color="text.secondary" sx={{ mb: 2 }}>
        {lot.place ?? 'No place'} · {lot.readingsNeeded} readings, one of them of the core
        {last && ` · last ${dateTime(last.atMs)}: mean ${last.meanPct.toFixed(1)} %`}
        {lot.ready && ` · ${readyWords(lot.ready, nowMs)}`}
      </Typography>
      <ReadingForm lot={lot} samples={card.data?.samples ?? []} onLogged={onNext} autoFocus />
      <Button sx={{ mt: 2 }} onClick={onNext}>
        Skip to the next
      </Button>
      <Box sx={{ mt: 3 }}>
        <FindingList findings={lot.findings} />
      </Box>
    </>
  );
}
