import { DAY_MS } from '@ample-crane/core';
import { Button, Link, Skeleton, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useProgram } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { AssignProgramDialog } from './AssignProgramDialog.tsx';
import { CompareRevisions } from './CompareRevisions.tsx';
import { DrawRevisionDialog } from './DrawRevisionDialog.tsx';
import { isFor, meanwhile, STATE_WORDS } from './programWords.ts';
import { RevisionCard } from './RevisionCard.tsx';

/** One program: who waits, who writes it, and every revision of it. */
export function ProgramPart({ id }: { id: string }) {
  const query = useProgram(id);
  const { may } = useSession();
  const [open, setOpen] = useState<'assign' | 'draw' | null>(null);
  if (query.error) return <ErrorNote error={query.error} onRetry={() => void query.refetch()} />;
  if (!query.data) return <Skeleton variant="rounded" height={360} />;
  const { line, revisions } = query.data;
  const close = () => setOpen(null);
  return (
    <Section
      title={`${line.what}, ${line.modelName}`}
      aside={
        may('lead') && (
          <Stack direction="row" spacing={1}>
            <Button onClick={() => setOpen('assign')}>Who writes it</Button>
            <Button variant={line.state === 'asked' ? 'contained' : 'text'} onClick={() => setOpen('draw')}>
              Put a revision on record
            </Button>
          </Stack>
        )
      }
    >
      <WhatItIs line={line} />
      {line.wanted && <Wanted wanted={line.wanted} line={line} />}
      {revisions.length === 0 && <Empty>Nothing has been drawn yet.</Empty>}
      {revisions.map((revision) => (
        <RevisionCard key={revision.name} program={query.data} revision={revision} />
      ))}
      {revisions.length > 1 && <CompareRevisions revisions={revisions} />}
      {open === 'assign' && <AssignProgramDialog line={line} onClose={close} />}
      {open === 'draw' && <DrawRevisionDialog program={query.data} onClose={close} />}
    </Section>
  );
}

function WhatItIs({ line }: { line: View<'ProgramLineView'> }) {
  const { date, nowMs } = useSession();
  const { owner, askedMs, note, state } = line;
  const days = Math.floor((nowMs - askedMs) / DAY_MS);
  const age = state === 'released' ? [] : [`asked for ${date(askedMs)}${days > 0 ? `, ${counted(days, 'day')} ago` : ''}`];
  const parts = [isFor(line), STATE_WORDS[state], owner === null ? 'nobody writes it' : `written by ${owner}`, ...age, note];
  return (
    <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
      {parts.filter((said) => said !== '').join(' · ')}
    </Typography>
  );
}

const NAMED_MOST = 4;

/** The orders that wait, and what can be done about it. */
function Wanted({ wanted, line }: { wanted: View<'WantedView'>; line: View<'ProgramLineView'> }) {
  const { date } = useSession();
  const { orders, otherWays } = wanted;
  const named = orders.slice(0, NAMED_MOST);
  return (
    <Finding
      severity="stop"
      sentence={
        <>
          {counted(orders.length, 'order waits', 'orders wait')}:{' '}
          {named.map((o, i) => (
            <span key={o.id}>
              {i > 0 && ', '}
              <Link component={RouterLink} to={`/orders?order=${o.id}`}>
                <Id>{o.id}</Id>
              </Link>{' '}
              for {o.customer}, due {date(o.dueMs)}
            </span>
          ))}
          {orders.length > NAMED_MOST && ` and ${orders.length - NAMED_MOST} more`}.{' '}
          {otherWays.length > 0
            ? `Until it is released “${wanted.stepName}” can be done${meanwhile(wanted).replace('; meanwhile', '')}.`
            : `“${wanted.stepName}” knows no other way: ${line.owner === null ? 'somebody has to write it' : 'it waits for its author'}.`}
        </>
      }
    />
  );
}
