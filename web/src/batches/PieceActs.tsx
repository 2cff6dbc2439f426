import { Stack } from '@mui/material';
import { useForm, type Control, type FieldPathByValue, type FieldValues } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ChoiceIn, idChoices, TicksIn, useTyped } from '../parts/fields.tsx';
import { FoldForm } from './Fold.tsx';
import { asks, emptySheet, sheetBack, SheetFields, type SheetTyped } from './SheetFields.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Card = View<'CardView'>;
interface Props {
  card: Card;
  onClose: () => void;
}

/** What can be wrong: what this stage usually causes first. */
export function DefectIn<Fields extends FieldValues>({
  card,
  label = 'What is wrong',
  ...bound
}: {
  card: Pick<Card, 'defectKinds'>;
  control: Control<Fields>;
  name: FieldPathByValue<Fields, string>;
  label?: string;
}) {
  const { usual, other } = card.defectKinds;
  return <ChoiceIn {...bound} label={label} choices={idChoices([...usual, ...other])} sx={{ minWidth: 170 }} />;
}

/** The step that what is wrong comes from. */
export const OriginIn = <Fields extends FieldValues>({
  card,
  ...bound
}: {
  card: Pick<Card, 'originChoices'>;
  control: Control<Fields>;
  name: FieldPathByValue<Fields, string>;
}) => <ChoiceIn {...bound} label="Comes from" choices={card.originChoices.map((o) => [o.id, o.name])} sx={{ minWidth: 170 }} />;

/** Pieces that are ready go on; the work on the rest goes on here. */
export function FinishSomeForm({ card, onClose }: Props) {
  const { batch, inPass } = card;
  const { control, handleSubmit } = useForm<{ pieceIds: string[] } & SheetTyped>({
    defaultValues: { pieceIds: [], ...emptySheet(card.sheet) },
  });
  const typed = useTyped(control);
  const back = sheetBack(card.sheet, typed);
  const { length } = typed.pieceIds;
  const finish = useBatchCommand('finish-some', batch, `${length} ready before the rest`, onClose);
  return (
    <FoldForm
      submit="These are ready"
      disabled={length === 0 || length === inPass.length || back.isIncomplete}
      pending={finish.isPending}
      error={finish.error}
      onSubmit={handleSubmit(({ pieceIds }) => finish.mutate({ pieceIds, ...(back.said ? { sheet: back.said } : {}) }))}
      onClose={onClose}
    >
      <TicksIn control={control} name="pieceIds" label="Pieces that are ready" choices={idChoices(inPass)} />
      {asks(card.sheet) && <SheetFields control={control as unknown as Control<SheetTyped>} sheet={card.sheet} />}
    </FoldForm>
  );
}

/** Pieces that are out for good, with the fault and where it comes from. */
export function ScrapForm({ card, onClose }: Props) {
  const { batch, pieces, originChoices } = card;
  const live = pieces.filter((p) => p.state === 'good' || p.state === 'rework').map((p) => p.id);
  const { control, handleSubmit } = useForm<{ chosen: string[]; defect: string; originOperationId: string }>({
    defaultValues: { chosen: [], defect: '', originOperationId: originChoices[0]?.id ?? batch.operationId },
  });
  const typed = useTyped(control);
  const { chosen, defect } = typed;
  const scrap = useBatchCommand('scrap', batch, `Scrap ${chosen.join(', ')}`, onClose);
  return (
    <FoldForm
      submit={`Scrap ${chosen.length > 0 ? chosen.length : ''}`}
      color="error"
      disabled={chosen.length === 0 || defect === ''}
      pending={scrap.isPending}
      error={scrap.error}
      onSubmit={handleSubmit(({ chosen: ids, ...fault }) =>
        scrap.mutate({ pieces: ids.map((pieceId) => ({ pieceId, ...fault, note: '' })) }),
      )}
      onClose={onClose}
    >
      <TicksIn control={control} name="chosen" label="Pieces that are scrap" choices={idChoices(live)} />
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
        <DefectIn card={card} control={control} name="defect" />
        <OriginIn card={card} control={control} name="originOperationId" />
      </Stack>
    </FoldForm>
  );
}
