import { said } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useTell } from '../ground/session.tsx';
import { FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface Props {
  program: View<'ProgramView'>;
  revision: View<'RevisionView'>;
  onClose: () => void;
}

/** The first piece that a revision cut is measured for all that its steps ask. */
export function ProveRevisionDialog({ program: { line, firstPiece }, revision, onClose }: Props) {
  const tell = useTell();
  const { control, handleSubmit } = useForm({
    defaultValues: { piece: '', note: '', measures: firstPiece.map(() => ({ text: '' })) },
  });
  const prove = useCommand(
    (body: View<'ProveRevisionDto'>, headers) => ask(client.POST('/api/programs/prove', { body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ piece, note, measures }) =>
    prove.mutate({
      programId: line.id,
      version: line.version,
      revision: revision.name,
      piece: piece.trim(),
      note: note.trim(),
      measures: firstPiece.map((c, i) => ({ characteristicId: c.id, value: figureIn(measures[i]?.text ?? '') })),
    }),
  );
  return (
    <FormDialog
      title={`First piece of ${line.what}, revision ${revision.name}`}
      submit="It is good"
      width="sm"
      pending={prove.isPending}
      error={prove.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes="It stays on record with your name. A piece out of band proves nothing: withdraw the revision and draw the next."
    >
      <TextIn
        control={control}
        name="piece"
        label="Which piece"
        helperText="As it is called, B231-01"
        rules={{ required: 'Needed' }}
        autoFocus
      />
      {firstPiece.length === 0 && <Typography>Its steps measure nothing: say below what was looked at.</Typography>}
      {firstPiece.map((c, i) => (
        <FigureIn
          key={c.id}
          control={control}
          name={`measures.${i}.text`}
          label={`${c.name}, ${c.unit}`}
          helperText={tell(`${said(`${c.low} to ${c.high}`, c.unit)}${c.instrument === null ? '' : `, by ${c.instrument}`}`)}
        />
      ))}
      <TextIn control={control} name="note" label={firstPiece.length === 0 ? 'What was looked at' : 'Note (may be empty)'} />
    </FormDialog>
  );
}
