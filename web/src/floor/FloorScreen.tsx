import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { useFloor } from '../ground/queries.ts';
import { Answer, Figure } from '../parts/Answer.tsx';
import { BatchTable } from '../parts/BatchTable.tsx';
import { Screen } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { Confluence } from './Confluence.tsx';
import { laneOf, PLACES } from './layout.ts';

/** The confluence: what is where, what waits, and where the factory is narrow. */
export default function FloorScreen() {
  const query = useFloor();
  const [key, setKey] = useState<string | null>(null);
  return (
    <Screen title="Floor" query={query}>
      {(floor) => {
        const at = PLACES.find((p) => p.key === key);
        const running = floor.batches.filter((b) => b.status === 'running').length;
        const dwelling = floor.batches.filter((b) => b.status === 'dwelling').length;
        const bodies = floor.batches.filter((b) => b.stage === 'fitting' && b.component === 'body').reduce((sum, b) => sum + b.quantity, 0);
        const necks = floor.batches.filter((b) => b.stage === 'fitting' && b.component === 'neck').reduce((sum, b) => sum + b.quantity, 0);
        return (
          <>
            <Answer>
              <Figure>{floor.batches.length}</Figure> batches in work: <Figure>{running}</Figure> at a bench, <Figure>{dwelling}</Figure>{' '}
              dwelling. At fitting stand {counted(bodies, 'body', 'bodies')} and {counted(necks, 'neck', 'necks')}. {floor.limit.sentence}
            </Answer>
            <Confluence floor={floor} onPlace={(place) => setKey(place.key)} />
            <Box sx={{ mt: 1 }}>
              {at ? (
                <BatchTable
                  heading={`${at.name}, ${at.lane} stream`}
                  label={`Batches at ${at.name}`}
                  batches={floor.batches.filter((b) => laneOf(b.component) === at.lane && at.stages.includes(b.stage))}
                  height={300}
                />
              ) : (
                <Typography variant="body2" color="text.secondary">
                  The streams are as thick as the hours of work that wait. A ring is a wait, a dot means it can go. Choose a batch for its
                  card, a place for its queue.
                </Typography>
              )}
            </Box>
          </>
        );
      }}
    </Screen>
  );
}
