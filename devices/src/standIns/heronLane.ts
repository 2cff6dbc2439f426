import type { DeviceKind, DevicePlace } from '@ample-crane/core';
import type { RoomProfile } from '../climateSensors.ts';

export interface DemoZone extends RoomProfile {
  id: string;
  name: string;
}

/** Rooms of the demo, and how their air answers to the weather. */
export const DEMO_ZONES: readonly DemoZone[] = [
  { id: 'wood', name: 'Wood room', setTempC: 21, setHumidity: 0.45, leak: 0.1 },
  { id: 'mill', name: 'Machine hall', setTempC: 19.5, setHumidity: 0.47, leak: 0.3 },
  { id: 'bench', name: 'Bench hall', setTempC: 20.5, setHumidity: 0.46, leak: 0.2 },
  { id: 'finish', name: 'Finish room', setTempC: 22, setHumidity: 0.48, leak: 0.16 },
  { id: 'cabinet', name: 'Drying cabinet', setTempC: 32, setHumidity: 0.4, leak: 0.03 },
  { id: 'shed', name: 'Yard shed', setTempC: 13, setHumidity: 0.82, leak: 0.45 },
];

/** Seeds the stand-in weather, in the demo's history and in what its sensors go on to report. */
export const DEMO_WEATHER_SEED = 41;

/** Every device of the demo signs in with this, as its people do. */
export const DEMO_DEVICE_PASSWORD = 'heron-lane';

export interface DemoDevice extends DevicePlace {
  id: string;
  name: string;
  kind: DeviceKind;
}

const at = (stationCode: string, bench: number | null = null): DevicePlace => ({ stationCode, bench, zoneId: null });
const inZone = (zoneId: string): DevicePlace => ({ stationCode: null, bench: null, zoneId });

/** The devices of the demo; each has a stand-in. */
export const DEMO_DEVICES: readonly DemoDevice[] = [
  { id: 'CAL1', name: 'Caliper at the body machine', kind: 'caliper', ...at('MC1') },
  { id: 'CAL2', name: 'Caliper at the fitting bench', kind: 'caliper', ...at('FT1') },
  { id: 'SCL1', name: 'Scale at the set-up bench', kind: 'scale', ...at('AS2') },
  { id: 'MTR1', name: 'Moisture meter of the wood room', kind: 'moisture meter', ...inZone('wood') },
  { id: 'CTL1', name: 'Controller of the body machine', kind: 'machine controller', ...at('MC1', 1) },
  { id: 'CTL2', name: 'Controller of the neck machine', kind: 'machine controller', ...at('MC2', 1) },
  ...DEMO_ZONES.map(({ id, name }): DemoDevice => ({
    id: `AIR-${id.toUpperCase()}`,
    name: `Air of the ${name.toLowerCase()}`,
    kind: 'climate sensor',
    ...inZone(id),
  })),
];
