import { studyInWords, studyResult } from '@ample-crane/core';
import { Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useTell } from '../ground/session.tsx';
import { FigureIn, figureIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { parseStudy } from './parseStudy.ts';

interface Props {
  /** what it is begun with: the characteristic that is looked at */
  about: Pick<View<'DimensionView'>, 'name' | 'unit' | 'low' | 'high' | 'instrument'> | null;
  onClose: () => void;
}

/** Several people measure the same parts with one instrument, each several times; what it is worth shows as it is typed. */
export function StudyDialog({ about, onClose }: Props) {
  const { control, handleSubmit } = useForm({
    defaultValues: {
      instrument: about?.instrument ?? '',
      what: about?.name ?? '',
      unit: about?.unit ?? 'mm',
      low: about ? String(about.low) : '',
      high: about ? String(about.high) : '',
      text: '',
    },
  });
  const typed = useTyped(control);
  const tell = useTell();
  const keep = useCommand(
    (body: View<'StudyInstrumentDto'>, headers) => ask(client.POST('/api/instrument-studies', { body, headers })),
    onClose,
  );
  const { people, problems } = parseStudy(typed.text);
  const edge = (text: string) => (text.trim() === '' ? null : figureIn(text));
  const study = { low: edge(typed.low), high: edge(typed.high), values: people.map((p) => p.parts.map((part) => part.again)) };
  const { said, wrong } = outcome(study, typed, problems);
  const submit = handleSubmit(({ instrument, what, unit }) =>
    keep.mutate({ instrument: instrument.trim(), what: what.trim(), unit: unit.trim(), low: study.low, high: study.high, people }),
  );
  return (
    <FormDialog
      title="Study an instrument"
      submit="Keep the study"
      width="sm"
      disabled={said === null}
      pending={keep.isPending}
      error={keep.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <TextIn control={control} name="instrument" label="Instrument" rules={{ required: 'Needed' }} sx={{ flex: 1, minWidth: 160 }} />
        <TextIn control={control} name="what" label="What is measured" rules={{ required: 'Needed' }} sx={{ flex: 1, minWidth: 160 }} />
      </Stack>
      <Stack direction="row" spacing={1.5}>
        <FigureIn control={control} name="low" label="Tolerance from" optional />
        <FigureIn control={control} name="high" label="to" optional />
        <TextIn control={control} name="unit" label="Unit" sx={{ width: 90 }} />
      </Stack>
      <TextIn
        control={control}
        name="text"
        label="Values"
        multiline
        minRows={6}
        autoFocus
        placeholder={'Ann: 56.02 56.03\nAnn: 56.08 56.07\nBen: 56.03 56.05\nBen: 56.09 56.08'}
        helperText="A line for each part: who measured, a colon, and what they read again and again. Everybody measures the same parts in the same order."
      />
      {wrong !== null && typed.text.trim() !== '' && (
        <Typography color="error" role="status">
          {wrong}
        </Typography>
      )}
      {said !== null && <Typography role="status">{tell(said)}.</Typography>}
    </FormDialog>
  );
}

/** What the values come to, or what is still wrong with them. */
function outcome(
  study: Parameters<typeof studyResult>[0],
  typed: { instrument: string; what: string },
  problems: readonly string[],
): { said: string | null; wrong: string | null } {
  const [problem] = problems;
  if (problem !== undefined) return { said: null, wrong: problem };
  try {
    return { said: studyInWords(typed, studyResult(study)), wrong: null };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { said: null, wrong: error.message };
  }
}
