import { formatDuration } from '@ample-crane/core';
import { Box, Button, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { Link } from 'react-router';
import type { View } from '../ground/api.ts';
import { useDevices, useSetup } from '../ground/queries.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { DataTable, HEADER_PX, ROW_PX } from '../parts/DataTable.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { DeviceDialog } from './DeviceDialog.tsx';
import { PasswordDialog } from './PasswordDialog.tsx';

type Device = View<'DeviceView'>;

/** Instruments and machines that speak for themselves: what they told last, who is silent, what was refused and why. */
export default function DevicesScreen() {
  const query = useDevices();
  const setup = useSetup();
  const { may } = useSession();
  const [edited, setEdited] = useState<Device | 'new' | null>(null);
  const [told, setTold] = useState<View<'DevicePasswordView'> | null>(null);
  return (
    <Screen
      title="Devices"
      query={query}
      actions={
        <>
          {may('manager') && (
            <Button variant="outlined" onClick={() => setEdited('new')} disabled={!setup.data}>
              Add a device
            </Button>
          )}
          <Button component={Link} to="/setup">
            Setup
          </Button>
        </>
      }
    >
      {({ line, devices, refusals }) => (
        <>
          <Headline line={line} devices={devices} />
          {devices.length === 0 ? (
            <Empty>No device is on record. Add one: it gets a password, and its values go into the fields of its station.</Empty>
          ) : (
            <Devices devices={devices} {...(may('manager') ? { onOpen: setEdited } : {})} />
          )}
          <Box sx={{ mt: 3 }}>
            <Section title="Refused messages">
              <Refusals refusals={refusals} devices={devices} />
            </Section>
          </Box>
          {edited !== null && setup.data && (
            <DeviceDialog
              device={edited === 'new' ? null : edited}
              setup={setup.data}
              onClose={() => setEdited(null)}
              onPassword={(password) => {
                setEdited(null);
                setTold(password);
              }}
            />
          )}
          {told && <PasswordDialog told={told} onClose={() => setTold(null)} />}
        </>
      )}
    </Screen>
  );
}

function Headline({ line, devices }: Pick<View<'DevicesView'>, 'line' | 'devices'>) {
  const { dateTime } = useSession();
  const inUse = devices.filter((d) => d.active);
  const on = inUse.filter((d) => d.standing === 'on');
  const troubled = inUse.filter((d) => d.troubles.length > 0);
  return (
    <>
      <Answer>
        <Figure>{on.length}</Figure> of {counted(inUse.length, 'device')} can be heard.{' '}
        {line.state === 'on' && troubled.length === 0 && inUse.length > 0 && 'None gives trouble.'}
      </Answer>
      {line.state === 'none' && (
        <Finding
          severity="waiting"
          sentence="This server listens to no broker: nothing that a device says reaches it."
          remedy="Name one in MQTT_URL, or start the broker that ships with npm start"
        />
      )}
      {line.state === 'off' && <Finding severity="stop" sentence={`The broker is not on the line since ${dateTime(line.sinceMs)}.`} />}
      {line.state === 'on' &&
        troubled.map((d) => <Finding key={d.id} severity="attention" sentence={`${d.name}: ${d.troubles.join('; ')}.`} />)}
    </>
  );
}

const STANDING_WORDS: Readonly<Record<Device['standing'], string>> = {
  'put away': 'put away',
  never: 'never heard',
  silent: 'silent',
  off: 'not on the line',
  on: 'on the line',
};
const MOST_ROWS = 14;
/** What a message takes on its way is no fault of a clock. */
const EXACT_MS = 2000;

function clockInWords(aheadMs: number | null): string {
  if (aheadMs === null) return 'has none';
  return Math.abs(aheadMs) < EXACT_MS ? 'right' : `${formatDuration(Math.abs(aheadMs))} ${aheadMs > 0 ? 'ahead' : 'behind'}`;
}

function Devices({ devices, onOpen }: { devices: readonly Device[]; onOpen?: (device: Device) => void }) {
  const { dateTime } = useSession();
  const tell = useTell();
  const columns: GridColDef<Device>[] = [
    { field: 'name', headerName: 'Device', flex: 1, minWidth: 220 },
    { field: 'standing', headerName: 'State', width: 110, valueFormatter: (value: Device['standing']) => STANDING_WORDS[value] },
    { field: 'told', headerName: 'Last word', flex: 1, minWidth: 190, valueFormatter: (value: string | null) => tell(value ?? '') },
    {
      field: 'toldMs',
      headerName: 'Measured',
      width: 140,
      valueFormatter: (value: number | null) => (value === null ? '' : dateTime(value)),
    },
    { field: 'place', headerName: 'Where', width: 240 },
    { field: 'refused', headerName: 'Refused', type: 'number', width: 85 },
    { field: 'taken', headerName: 'Taken', type: 'number', width: 75 },
    { field: 'doubled', headerName: 'Again', type: 'number', width: 75, description: 'Came more than once, and counted once' },
    {
      field: 'heldBack',
      headerName: 'Too fast',
      type: 'number',
      width: 90,
      description: 'Came too fast, and is taken when it comes again',
    },
    {
      field: 'aheadMs',
      headerName: 'Its clock',
      width: 130,
      valueGetter: (value: number | null, row) => (row.heardMs === null ? '' : clockInWords(value)),
    },
    { field: 'id', headerName: 'Signs in as', width: 120 },
    { field: 'kind', headerName: 'Kind', width: 140 },
  ];
  return (
    <DataTable
      label="Devices"
      rows={devices}
      columns={columns}
      getRowId={(d) => d.id}
      height={HEADER_PX + (Math.min(devices.length, MOST_ROWS) + 2) * ROW_PX}
      {...(onOpen ? { onOpen } : {})}
    />
  );
}

function Refusals({ refusals, devices }: Pick<View<'DevicesView'>, 'refusals' | 'devices'>) {
  const { dateTime } = useSession();
  if (refusals.length === 0) return <Typography color="text.secondary">No message has been refused these eight days.</Typography>;
  const nameOf = new Map(devices.map((d) => [d.id, d.name]));
  const columns: GridColDef<View<'DeviceRefusalView'>>[] = [
    { field: 'heardMs', headerName: 'When', width: 140, valueFormatter: (value: number) => dateTime(value) },
    { field: 'deviceId', headerName: 'Device', width: 220, valueFormatter: (value: string) => nameOf.get(value) ?? value },
    { field: 'why', headerName: 'Why', flex: 1, minWidth: 300 },
    { field: 'said', headerName: 'It said', flex: 1, minWidth: 300 },
  ];
  return (
    <DataTable
      label="Refused messages"
      rows={refusals}
      columns={columns}
      getRowId={(r) => r.id}
      height={HEADER_PX + (Math.min(refusals.length, MOST_ROWS) + 2) * ROW_PX}
    />
  );
}
