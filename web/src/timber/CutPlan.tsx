import type { Component } from '@ample-crane/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useState } from 'react';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Caution } from '../parts/Caution.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';

/** The boards are sawn; then what came of them goes to the rough mill as batches. */
export function CutPlan({ plan, dirty }: { plan: View<'PlanView'>; dirty: boolean }) {
  const { may } = useSession();
  const [asking, setAsking] = useState(false);
  const cut = useCommand(
    (version: number, headers) =>
      ask(client.POST('/api/cutting/plans/{id}/cut', { params: { path: { id: plan.id } }, body: { version }, headers })),
    () => setAsking(false),
  );
  if (plan.state === 'cut') return may('lead') ? <SendToMill plan={plan} /> : null;
  if (!may('operator')) return null;
  return (
    <>
      <Button variant="outlined" disabled={dirty} onClick={() => setAsking(true)}>
        Cut it…
      </Button>
      <Dialog open={asking} onClose={() => setAsking(false)} aria-labelledby="cut-title">
        <DialogTitle id="cut-title">Cut plan {plan.id}</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 2 }}>
            {counted(plan.boards, 'board becomes', 'boards become')} {counted(plan.blanks, 'blank', 'blanks')}; the wood leaves its lot. A
            board cannot be made whole again.
          </Typography>
          <Caution kinds={['cutting', 'dust']} />
          {cut.error && <ErrorNote error={cut.error} />}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>Not yet</Button>
          <Button variant="contained" loading={cut.isPending} onClick={() => cut.mutate(plan.version)}>
            They are cut
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

interface ToStart {
  key: string;
  modelId: string;
  modelName: string;
  component: Component;
  orderId: string | null;
  blanks: View<'BlankView'>[];
}

/** One batch for each part of each order. */
function SendToMill({ plan }: { plan: View<'PlanView'> }) {
  const send = useCommand(async (groups: ToStart[], headers) => {
    const begun: string[] = [];
    for (const { key, modelId, component, orderId, blanks } of groups) {
      const lotId = blanks[0]?.lotId ?? '';
      const { id } = await ask(
        client.POST('/api/batches', {
          body: { modelId, component: component as 'body', quantity: blanks.length, lotId, orderId, blankIds: blanks.map((b) => b.id) },
          headers: { 'Idempotency-Key': `${headers['Idempotency-Key']} ${key}` },
        }),
      );
      begun.push(id);
    }
    return begun;
  });
  const groups = toStart(plan);
  const count = groups.reduce((sum, g) => sum + g.blanks.length, 0);
  return (
    <>
      {groups.length > 0 && (
        <Button variant="contained" loading={send.isPending} onClick={() => send.mutate(groups)}>
          Send {counted(count, 'blank', 'blanks')} to the rough mill
        </Button>
      )}
      {send.data && <Typography role="status">Started {send.data.join(', ')}.</Typography>}
      {send.error && <ErrorNote error={send.error} />}
    </>
  );
}

/** The plan's free blanks, dealt to its wants in order. */
function toStart(plan: View<'PlanView'>): ToStart[] {
  const free = plan.cut.filter((b) => b.state === 'free');
  return plan.wanted.flatMap((want) => {
    const own: View<'BlankView'>[] = [];
    for (let i = 0; i < free.length && own.length < want.count;) {
      const blank = free[i];
      const fits =
        blank?.modelId === want.modelId && blank.component === want.component && (blank.orderId === null || blank.orderId === want.orderId);
      if (blank && fits) own.push(...free.splice(i, 1));
      else i++;
    }
    const [first] = own;
    if (!first) return [];
    return [
      {
        key: want.id,
        modelId: want.modelId,
        modelName: first.modelName,
        component: want.component as Component,
        orderId: want.orderId,
        blanks: own,
      },
    ];
  });
}
