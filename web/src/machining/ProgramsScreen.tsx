import { Box, Button } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { usePrograms } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { useInAddress } from '../parts/useInAddress.ts';
import { AskForProgramDialog } from './AskForProgramDialog.tsx';
import { MachiningTabs } from './MachiningTabs.tsx';
import { ProgramList } from './ProgramList.tsx';
import { ProgramPart } from './ProgramPart.tsx';
import { meanwhile, waits } from './programWords.ts';

/** Programs: what work runs, what is being written and by whom, which orders wait for it, and what loads really take. */
export default function ProgramsScreen() {
  const query = usePrograms();
  const [params, set] = useInAddress();
  const { may } = useSession();
  const [asking, setAsking] = useState<{ modelId: string; what: string } | null>(null);
  return (
    <Screen
      title="Programs"
      query={query}
      actions={
        may('lead') && (
          <Button variant="outlined" onClick={() => setAsking({ modelId: '', what: '' })}>
            Ask for a program
          </Button>
        )
      }
    >
      {({ programs, unasked }) => {
        const here = programs.find((p) => p.id === params.get('id')) ?? programs[0];
        return (
          <>
            <MachiningTabs />
            <ProgramsAnswer programs={programs} unasked={unasked} />
            {unasked.length > 0 && (
              <Section title="Nobody has asked for these">
                {unasked.map((u) => (
                  <Finding
                    key={`${u.modelId}/${u.what}`}
                    severity="stop"
                    sentence={`“${u.what}” of ${u.modelName}: ${waits(u.wanted)}${meanwhile(u.wanted)}`}
                    action={may('lead') && <Button onClick={() => setAsking({ modelId: u.modelId, what: u.what })}>Ask for it</Button>}
                  />
                ))}
              </Section>
            )}
            {here === undefined ? (
              <Empty>
                No program is on record yet. A step asks for one on its route; here it is asked for, drawn, proven and released.
              </Empty>
            ) : (
              <Box
                sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(280px, 340px) 1fr' }, gap: 3, alignItems: 'start' }}
              >
                <ProgramList all={programs} here={here} onOpen={(id) => set('id', id)} />
                <ProgramPart key={here.id} id={here.id} />
              </Box>
            )}
            {asking && <AskForProgramDialog begun={asking} onClose={() => setAsking(null)} />}
          </>
        );
      }}
    </Screen>
  );
}

function ProgramsAnswer({ programs, unasked }: View<'ProgramsView'>) {
  if (programs.length + unasked.length === 0) return null;
  const waiting = programs.filter((p) => p.wanted !== null);
  const orders = new Set([...waiting, ...unasked].flatMap((p) => p.wanted?.orders.map((o) => o.id) ?? []));
  const writing = programs.filter((p) => p.state !== 'released').length;
  const released = programs.length - writing;
  const [first] = waiting;
  return (
    <Answer>
      {orders.size === 0 ? (
        'No order waits for a program. '
      ) : (
        <>
          <Figure>{orders.size}</Figure> {orders.size === 1 ? 'order waits' : 'orders wait'} for a program
          {first && (
            <>
              , first “{first.what}” of {first.modelName}, which {first.owner === null ? 'nobody writes yet' : `${first.owner} writes`}
            </>
          )}
          .{' '}
        </>
      )}
      <Figure>{writing}</Figure> {writing === 1 ? 'is' : 'are'} being written, <Figure>{released}</Figure> released.
    </Answer>
  );
}
