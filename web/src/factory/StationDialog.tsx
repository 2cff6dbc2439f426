import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

export function StationDialog({ station, onClose }: { station: View<'StationView'>; onClose: () => void }) {
  const { control, handleSubmit } = useForm({ defaultValues: { name: station.name, places: String(station.places) } });
  const save = useCommand(
    (body: View<'ChangeStationDto'>, headers) =>
      ask(client.PUT('/api/stations/{code}', { params: { path: { code: station.code } }, body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ name, places }) => save.mutate({ version: station.version, name, places: figureIn(places) }));
  return (
    <FormDialog
      title={`Station ${station.code}`}
      submit="Save"
      pending={save.isPending}
      error={save.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes={
        station.kind === 'work'
          ? 'What is being worked on here goes on, also where more is at work than there will be benches. From now on no more is begun here than fits; hours queued, earliest dates and what limits the factory follow at once.'
          : 'What waits here stays, also where more waits than there will be places. From now on no more comes than fits.'
      }
    >
      <TextIn control={control} name="name" label="Name" rules={{ required: 'Type a name' }} />
      <FigureIn control={control} name="places" label={station.kind === 'work' ? 'Benches in use' : 'Places'} min={1} max={500} whole />
    </FormDialog>
  );
}
