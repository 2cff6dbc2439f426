import { DEFECTS, type DefectKind } from '@ample-crane/core';
import { Box, Button, MenuItem, Stack, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { Figure, Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Outcome = 'good' | 'rework' | 'scrap';
interface Judged {
  outcome: Outcome;
  defect: DefectKind | null;
  originOperationId: string;
  note: string;
}

/** Finishing a step: every piece is good unless said otherwise; what is not good needs a defect and where it comes from. */
export function FinishForm({ card, act, folded = false }: { card: View<'CardView'>; act: 'finish' | 'receive'; folded?: boolean }) {
  const { batch, inPass, originChoices } = card;
  const [judged, setJudged] = useState<Record<string, Judged>>({});
  const [open, setOpen] = useState(!folded);
  const finish = useBatchCommand(act, batch, `${act === 'finish' ? 'Finish' : 'Receive'} ${batch.operationName.toLowerCase()}`);
  const verb = act === 'finish' ? 'Finish' : 'Receive';
  const of = (id: string): Judged => judged[id] ?? { outcome: 'good', defect: null, originOperationId: batch.operationId, note: '' };
  const change = (id: string, fields: Partial<Judged>) => setJudged({ ...judged, [id]: { ...of(id), ...fields } });
  const count = (outcome: Outcome) => inPass.filter((id) => of(id).outcome === outcome).length;
  const bad = inPass.filter((id) => of(id).outcome !== 'good');
  const incomplete = bad.some((id) => of(id).defect === null);
  const submit = () =>
    finish.mutate({
      good: count('good'),
      rework: count('rework'),
      scrap: count('scrap'),
      outcomes: bad.flatMap((pieceId) => {
        const { outcome, defect, originOperationId, note } = of(pieceId);
        return outcome === 'good' || defect === null ? [] : [{ pieceId, outcome, defect, originOperationId, note }];
      }),
    });
  return (
    <Stack spacing={1} component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, m: 0 }}>
      <Typography component="legend" variant="h3" sx={{ px: 0.5 }}>
        {verb} {batch.pass > 1 ? `pass ${batch.pass}` : batch.operationName.toLowerCase()}
      </Typography>
      {(open ? inPass : []).map((id) => {
        const j = of(id);
        return (
          <Box key={id} sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
            <Box sx={{ minWidth: 104 }}>
              <Id>{id}</Id>
            </Box>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={j.outcome}
              onChange={(_, value: Outcome | null) => value && change(id, { outcome: value })}
              aria-label={`Outcome of ${id}`}
            >
              <ToggleButton value="good">good</ToggleButton>
              <ToggleButton value="rework">rework</ToggleButton>
              <ToggleButton value="scrap">scrap</ToggleButton>
            </ToggleButtonGroup>
            {j.outcome !== 'good' && (
              <>
                <TextField
                  select
                  label={`Defect of ${id}`}
                  value={j.defect ?? ''}
                  onChange={(event) => change(id, { defect: DEFECTS.find((d) => d === event.target.value) ?? null })}
                  sx={{ minWidth: 150 }}
                >
                  {DEFECTS.map((d) => (
                    <MenuItem key={d} value={d}>
                      {d}
                    </MenuItem>
                  ))}
                </TextField>
                <TextField
                  select
                  label="Comes from"
                  value={j.originOperationId}
                  onChange={(event) => change(id, { originOperationId: event.target.value })}
                  sx={{ minWidth: 170 }}
                >
                  {originChoices.map((o) => (
                    <MenuItem key={o.id} value={o.id}>
                      {o.name}
                    </MenuItem>
                  ))}
                </TextField>
                <TextField label="Note" value={j.note} onChange={(event) => change(id, { note: event.target.value })} />
              </>
            )}
          </Box>
        );
      })}
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center', pt: 0.5 }}>
        <Button variant="contained" size="large" disabled={incomplete} loading={finish.isPending} onClick={submit}>
          {open ? verb : inPass.length === 1 ? `${verb}, good` : `${verb}, all ${inPass.length} good`}
        </Button>
        <Typography hidden={!open}>
          <Figure>{count('good')}</Figure> good · <Figure>{count('rework')}</Figure> rework · <Figure>{count('scrap')}</Figure> scrap
        </Typography>
      </Stack>
      {!open && (
        <Button size="large" variant="outlined" onClick={() => setOpen(true)} sx={{ alignSelf: 'start' }}>
          Not all are good…
        </Button>
      )}
      {incomplete && <Typography color="text.secondary">Say what is wrong with each piece that is not good.</Typography>}
      {finish.error && <ErrorNote error={finish.error} />}
    </Stack>
  );
}
