import { offInWords } from '@ample-crane/core';
import { Box, Button, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useEffect, useEffectEvent, useState } from 'react';
import { Controller, useForm, type Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { Figure, Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { Finding } from '../parts/Finding.tsx';
import { useSession, useTell } from '../ground/session.tsx';
import { DefectIn, OriginIn } from './PieceActs.tsx';
import { forgetDraft, keepDraft, readDraft } from '../ground/keptDraft.ts';
import { asks, emptySheet, sheetBack, SheetFields, type SheetTyped } from './SheetFields.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Outcome = 'good' | 'rework' | 'scrap';
interface Judged {
  pieceId: string;
  outcome: Outcome;
  defect: string;
  originOperationId: string;
  note: string;
}
interface Fields extends SheetTyped {
  judged: Judged[];
  /** why measures out of band are accepted as they are */
  acceptReason: string;
}

/** Finishing a step: every piece is good unless said otherwise; what is not good needs a defect and where it comes from. */
export function FinishForm({ card, act, folded = false }: { card: View<'CardView'>; act: 'finish' | 'receive'; folded?: boolean }) {
  const { batch, inPass } = card;
  const isGood = (pieceId: string): Judged => ({ pieceId, outcome: 'good', defect: '', originOperationId: batch.operationId, note: '' });
  // Half of them marked when the page is loaded anew: the marks stay.
  const draft = `${act} ${batch.id} ${batch.operationId} ${batch.pass}`;
  const [kept] = useState(() => readDraft<Fields>(draft));
  const { control, handleSubmit, getValues, reset } = useForm<Fields>({
    defaultValues: { judged: inPass.map(isGood), acceptReason: '', ...emptySheet(card.sheet), ...kept },
  });
  const tell = useTell();
  const typed = useTyped(control);
  const { judged, acceptReason, ticks, settings } = typed;
  const marked = acceptReason !== '' || judged.some((j) => j.outcome !== 'good') || ticks.length > 0 || settings.some((s) => s.text !== '');
  useEffect(
    () => (marked ? keepDraft(draft, { judged, acceptReason, ticks, settings }) : forgetDraft(draft)),
    [draft, marked, judged, acceptReason, ticks, settings],
  );
  const settle = useEffectEvent(() => {
    const said = new Map(getValues('judged').map((j) => [j.pieceId, j]));
    if (inPass.length !== said.size || !inPass.every((id) => said.has(id)))
      reset({ ...getValues(), judged: inPass.map((id) => said.get(id) ?? isGood(id)) });
  });
  // Others may finish some of them meanwhile: what was said of the rest stays.
  const ids = inPass.join();
  useEffect(() => settle(), [ids]);
  const [open, setOpen] = useState(!folded || kept !== undefined);
  /** finished though coats are missing */
  const [without, setWithout] = useState(false);
  const verb = act === 'finish' ? 'Finish' : 'Receive';
  const finish = useBatchCommand(act, batch, `${verb} ${batch.operationName.toLowerCase()}`, () => forgetDraft(draft));
  const count = (outcome: Outcome) => judged.filter((j) => j.outcome === outcome).length;
  const incomplete = judged.some((j) => j.outcome !== 'good' && j.defect === '');
  const off = card.off.filter(({ pieceId }) => judged.some((j) => j.pieceId === pieceId && j.outcome === 'good'));
  const { coatPlan } = card;
  // What came back gets a coat at least.
  const coatsWanted = coatPlan === null ? 0 : batch.redo ? 1 : coatPlan.coats;
  const uncoated = card.coatsThisVisit < coatsWanted && count('good') > 0;
  // Of what was spoilt nobody can vouch for how it went.
  const back = sheetBack(count('good') > 0 ? card.sheet : null, typed);
  const against = [
    ...back.off.map((sentence) => tell(sentence)),
    ...off.map((m) => tell(`Out of band: ${offInWords(m)}`)),
    ...(uncoated && without ? [`${coatsWanted - card.coatsThisVisit} of ${coatsWanted} coats are not laid`] : []),
  ];
  const waitsForCoats = uncoated && !without;
  const unaccepted = against.length > 0 && acceptReason.trim().length < ACCEPT_REASON_LENGTH;
  const submit = () =>
    finish.mutate({
      ...(against.length > 0 ? { acceptReason } : {}),
      ...(back.said ? { sheet: back.said } : {}),
      good: count('good'),
      rework: count('rework'),
      scrap: count('scrap'),
      outcomes: judged.flatMap(({ outcome, ...fault }) => (outcome === 'good' ? [] : [{ outcome, ...fault }])),
    });
  return (
    <Stack
      spacing={1}
      component="form"
      noValidate
      onSubmit={(event) => void handleSubmit(submit)(event)}
      aria-label={`${verb} ${batch.operationName}`}
      sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5 }}
    >
      <Typography variant="h3">
        {verb} {batch.pass > 1 ? `pass ${batch.pass}` : batch.operationName.toLowerCase()}
      </Typography>
      {(open ? judged : []).map((j, i) => (
        <PieceRow key={j.pieceId} at={i} judged={j} card={card} control={control} />
      ))}
      {asks(card.sheet) && count('good') > 0 && <SheetFields control={control as unknown as Control<SheetTyped>} sheet={card.sheet} />}
      {waitsForCoats && <Uncoated left={coatsWanted - card.coatsThisVisit} onWithout={() => setWithout(true)} />}
      {against.length > 0 && <Accepting against={against} control={control} />}
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center', pt: 0.5 }}>
        <Button
          type="submit"
          variant={uncoated ? 'outlined' : 'contained'}
          size="large"
          disabled={incomplete || unaccepted || waitsForCoats || back.isIncomplete}
          loading={finish.isPending}
        >
          {open ? verb : inPass.length === 1 ? `${verb}, good` : `${verb}, all ${inPass.length} good`}
        </Button>
        <Typography hidden={!open}>
          <Figure>{count('good')}</Figure> good · <Figure>{count('rework')}</Figure> rework · <Figure>{count('scrap')}</Figure> scrap
        </Typography>
      </Stack>
      {count('rework') > 0 && (
        <Typography color="text.secondary">
          {card.reworkAlone && count('good') > 0
            ? 'What must be done again goes back alone, as a batch of its own.'
            : 'The batch waits here until it is done again.'}
        </Typography>
      )}
      {!open && (
        <Button size="large" variant="outlined" onClick={() => setOpen(true)} sx={{ alignSelf: 'start' }}>
          Not all are good…
        </Button>
      )}
      {back.isIncomplete && <Typography color="text.secondary">The sheet is given back whole: tick and note what stands above.</Typography>}
      {incomplete && <Typography color="text.secondary">Say what is wrong with each piece that is not good.</Typography>}
      {finish.error && <ErrorNote error={finish.error} />}
    </Stack>
  );
}

const ACCEPT_REASON_LENGTH = 5;

/** Coats are still to be laid; whoever may, finishes without them. */
function Uncoated({ left, onWithout }: { left: number; onWithout: () => void }) {
  const { may } = useSession();
  return (
    <Stack direction="row" useFlexGap spacing={1} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
      <Typography color="text.secondary">{left === 1 ? 'One coat is' : `${left} coats are`} still to be laid.</Typography>
      {may('lead') && <Button onClick={onWithout}>Finish without…</Button>}
    </Stack>
  );
}

/** Pieces that are called good though a measure of theirs is out of band, or a coat is missing: whoever may, says why. */
function Accepting({ against, control }: { against: readonly string[]; control: Control<Fields> }) {
  const { may } = useSession();
  return (
    <Stack spacing={1}>
      {against.map((sentence) => (
        <Finding key={sentence} severity="stop" sentence={sentence} />
      ))}
      {may('lead') ? (
        <TextIn control={control} name="acceptReason" label="Why they are accepted as they are" multiline />
      ) : (
        <Typography color="text.secondary">Do what is missing, call it rework, or ask a lead to accept it with a reason.</Typography>
      )}
    </Stack>
  );
}

interface RowProps {
  at: number;
  judged: Judged;
  card: View<'CardView'>;
  control: Control<Fields>;
}

function PieceRow({ at, judged: { pieceId: id, outcome }, card, control }: RowProps) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
      <Box sx={{ minWidth: 104 }}>
        <Id>{id}</Id>
      </Box>
      <Controller
        control={control}
        name={`judged.${at}.outcome`}
        render={({ field }) => (
          <ToggleButtonGroup
            exclusive
            size="small"
            value={field.value}
            onChange={(_, value: Outcome | null) => value && field.onChange(value)}
            aria-label={`Outcome of ${id}`}
          >
            <ToggleButton value="good">good</ToggleButton>
            <ToggleButton value="rework">rework</ToggleButton>
            <ToggleButton value="scrap">scrap</ToggleButton>
          </ToggleButtonGroup>
        )}
      />
      {outcome !== 'good' && (
        <>
          <DefectIn card={card} control={control} name={`judged.${at}.defect`} label={`Defect of ${id}`} />
          <OriginIn card={card} control={control} name={`judged.${at}.originOperationId`} />
          <TextIn control={control} name={`judged.${at}.note`} label="Note" />
        </>
      )}
    </Box>
  );
}
