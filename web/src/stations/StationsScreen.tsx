import { STAGE_NAMES, STAGES } from '@ample-crane/core';
import { Box, Button, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import { useFloor, useSetup } from '../ground/queries.ts';
import { Answer, Id } from '../parts/Answer.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { OutboxPanel } from './OutboxPanel.tsx';
import { LAST_STATION } from './StationScreen.tsx';

/** Which station a tablet stands at, in walking order. */
export default function StationsScreen() {
  const query = useSetup();
  const floor = useFloor();
  const last = localStorage.getItem(LAST_STATION);
  return (
    <Screen
      title="Stations"
      query={query}
      actions={
        <Button component={RouterLink} to="/" size="large">
          To the desk
        </Button>
      }
    >
      {({ stations }) => (
        <>
          <Answer>
            Where does this tablet stand?{' '}
            {stations.some((s) => s.code === last) && <>Last it stood at {stations.find((s) => s.code === last)?.name}.</>}
          </Answer>
          <OutboxPanel />
          {STAGES.filter((stage) => stations.some((s) => s.stage === stage)).map((stage) => (
            <Box key={stage} component="section" aria-label={STAGE_NAMES[stage]} sx={{ mb: 2 }}>
              <Typography variant="h3" sx={{ mb: 0.5, color: 'text.secondary' }}>
                {STAGE_NAMES[stage]}
              </Typography>
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
                {stations
                  .filter((s) => s.stage === stage)
                  .map((s) => {
                    const here = floor.data?.batches.filter((b) => b.stationCode === s.code).length ?? 0;
                    return (
                      <Button
                        key={s.code}
                        component={RouterLink}
                        to={`/station/${s.code}`}
                        variant={s.code === last ? 'contained' : 'outlined'}
                        sx={{ minHeight: 56, minWidth: 190, justifyContent: 'space-between', gap: 1.5 }}
                        aria-label={`${s.name}, ${counted(here, 'batch', 'batches')}`}
                      >
                        {s.name}
                        <Id>{here}</Id>
                      </Button>
                    );
                  })}
              </Box>
            </Box>
          ))}
        </>
      )}
    </Screen>
  );
}
