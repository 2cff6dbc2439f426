import { boardFeetToM3, inchToMm, LOT_USES, SPECIES, speciesIn, type LotUse } from '@ample-crane/core';
import { useEffect } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useLots, useSetup, useZones } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, FieldRow, FigureIn, figureIn, FlagIn, idChoices, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

const FIRST = {
  species: 'mahogany',
  form: 'rough lumber',
  use: 'body' as LotUse,
  thickness: '',
  volume: '',
  supplier: '',
  origin: '',
  permit: '',
  restricted: false,
  zoneId: '',
  place: '',
  grade: '',
  papers: '',
};
type Fields = typeof FIRST;

/** Wood comes in: what, how much, from whom; volume in m³ or board feet as the person reads. */
export function ReceiveDialog({ zoneId, onClose }: { zoneId: string; onClose: () => void }) {
  const { units } = useSession();
  const zones = useZones();
  const lots = useLots().data ?? [];
  const known = (of: (lot: View<'LotView'>) => string | null) => [...new Set(lots.flatMap((lot) => of(lot) ?? []))].sort();
  const register = useSetup().data?.species ?? SPECIES;
  const navigate = useNavigate();
  const receive = useCommand(
    (body: View<'ReceiveLotDto'>, headers) => ask(client.POST('/api/lots', { body, headers })),
    ({ id }) => {
      onClose();
      void navigate(`/lots/${id}`);
    },
  );
  const { control, handleSubmit, setValue } = useForm<Fields>({ defaultValues: { ...FIRST, zoneId } });
  const typed = useTyped(control);
  const { species, restricted } = typed;
  const { restricted: asksForPapers, restrictedBecause } = speciesIn(register, species);
  useEffect(() => setValue('restricted', asksForPapers), [setValue, species, asksForPapers]);
  const orNothing = (text: string) => (text.trim() === '' ? null : text.trim());
  const submit = ({ thickness, volume, permit, place, grade, papers, ...said }: Fields) =>
    receive.mutate({
      ...said,
      thicknessMm: units.length === 'mm' ? figureIn(thickness) : inchToMm(figureIn(thickness)),
      volumeM3: units.lumber === 'm3' ? figureIn(volume) : boardFeetToM3(figureIn(volume)),
      permit: orNothing(permit),
      place: orNothing(place),
      grade: orNothing(grade),
      papersPct: papers.trim() === '' ? null : figureIn(papers),
    });
  return (
    <FormDialog
      title="Receive a lot"
      submit="Receive"
      width="sm"
      pending={receive.isPending}
      error={receive.error}
      onSubmit={() => void handleSubmit(submit)()}
      onClose={onClose}
    >
      <FieldRow>
        <ChoiceIn control={control} name="species" label="Species" choices={idChoices(register.map((s) => s.name))} />
        <ChoiceIn control={control} name="use" label="For" choices={idChoices(LOT_USES)} />
      </FieldRow>
      <FieldRow>
        <TextIn control={control} name="form" label="Form" known={known((l) => l.form)} rules={{ required: 'Say what form it has' }} />
        <FigureIn control={control} name="thickness" label={`Thickness, ${units.length}`} positive />
        <FigureIn control={control} name="volume" label={`Volume, ${units.lumber === 'm3' ? 'm³' : 'board feet'}`} positive />
      </FieldRow>
      <FieldRow>
        <TextIn
          control={control}
          name="supplier"
          label="Supplier"
          known={known((l) => l.supplier)}
          rules={{ required: 'Name the supplier' }}
        />
        <TextIn control={control} name="origin" label="Origin" known={known((l) => l.origin)} rules={{ required: 'Say where it grew' }} />
      </FieldRow>
      <FieldRow>
        <ChoiceIn
          control={control}
          name="zoneId"
          label="Where it lies"
          rules={{ required: 'Say where it lies' }}
          choices={(zones.data ?? []).map((z) => [z.id, z.name])}
        />
        <TextIn control={control} name="place" label="Bay" known={known((l) => l.place)} />
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="papers" label="Moisture by its papers, %" min={0} max={200} optional />
        <TextIn control={control} name="grade" label="Grade" known={known((l) => l.grade)} />
      </FieldRow>
      <FlagIn control={control} name="restricted" label="Restricted species: permit papers follow the wood" />
      {restricted && (
        <TextIn
          control={control}
          name="permit"
          label="Permit number"
          helperText={`Without it the lot cannot be released.${restrictedBecause === '' ? '' : ` ${restrictedBecause}.`}`}
        />
      )}
    </FormDialog>
  );
}
