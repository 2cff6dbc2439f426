import { DEVICE_KINDS, KINDS } from '@ample-crane/core';
import { Button } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ChoiceIn, FigureIn, figureIn, FlagIn, idChoices, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface Props {
  device: View<'DeviceView'> | null;
  setup: View<'SetupView'>;
  onClose: () => void;
  onPassword: (told: View<'DevicePasswordView'>) => void;
}

/** A device: what it is, where it belongs, and whether it is listened to. */
export function DeviceDialog({ device, setup, onClose, onPassword }: Props) {
  const { control, handleSubmit } = useForm({
    defaultValues: {
      id: device?.id ?? '',
      name: device?.name ?? '',
      kind: device?.kind ?? 'caliper',
      stationCode: device?.stationCode ?? setup.stations[0]?.code ?? '',
      bench: String(device?.bench ?? 1),
      zoneId: device?.zoneId ?? setup.zones[0]?.id ?? '',
      active: device?.active ?? true,
    },
  });
  const { kind } = useTyped(control);
  const { place } = KINDS[device?.kind ?? kind];
  const add = useCommand((body: View<'DeviceDto'>, headers) => ask(client.POST('/api/devices', { body, headers })), onPassword);
  const path = { id: device?.id ?? '' };
  const change = useCommand(
    (body: View<'ChangeDeviceDto'>, headers) => ask(client.PUT('/api/devices/{id}', { params: { path }, body, headers })),
    onClose,
  );
  const renew = useCommand(
    (body: View<'VersionDto'>, headers) => ask(client.POST('/api/devices/{id}/password', { params: { path }, body, headers })),
    onPassword,
  );
  const submit = handleSubmit(({ id, name, kind: of, stationCode, bench, zoneId, active }) => {
    const where = {
      stationCode: place === 'zone' ? null : stationCode,
      bench: place === 'machine' ? figureIn(bench) : null,
      zoneId: place === 'zone' ? zoneId : null,
    };
    if (device) change.mutate({ version: device.version, name, active, ...where });
    else add.mutate({ id, name, kind: of, ...where });
  });
  return (
    <FormDialog
      title={device ? device.name : 'Add a device'}
      submit={device ? 'Save' : 'Add'}
      pending={add.isPending || change.isPending || renew.isPending}
      error={add.error ?? change.error ?? renew.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      {...(device ? { changes: 'What it sent before stays where it is. Put away, it is not let in.' } : {})}
      {...(device ? { beside: <Button onClick={() => renew.mutate({ version: device.version })}>Make another password</Button> } : {})}
    >
      {!device && (
        <>
          <TextIn control={control} name="id" label="Signs in as" rules={{ required: 'Type its name at the broker' }} autoFocus />
          <ChoiceIn control={control} name="kind" label="Kind" choices={idChoices(DEVICE_KINDS)} />
        </>
      )}
      <TextIn control={control} name="name" label="Called" rules={{ required: 'Type its name' }} />
      {place === 'zone' ? (
        <ChoiceIn control={control} name="zoneId" label="Climate zone" choices={setup.zones.map((z) => [z.id, z.name])} />
      ) : (
        <ChoiceIn control={control} name="stationCode" label="Station" choices={setup.stations.map((s) => [s.code, s.name])} />
      )}
      {place === 'machine' && <FigureIn control={control} name="bench" label="Machine of the station" min={1} max={500} whole />}
      {device && <FlagIn control={control} name="active" label="Listened to" />}
    </FormDialog>
  );
}
