import { EACH_PLACE, TOGETHER, type Carrier, type Stage } from '@ample-crane/core';

export { DEMO_ZONES, type DemoZone } from '@ample-crane/devices';

export interface DemoStation {
  code: string;
  name: string;
  stage: Stage;
  zoneId: string;
  kind: 'work' | 'dwell';
  /** benches for work, places for a dwell */
  places: number;
}

const station = (code: string, name: string, stage: Stage, zoneId: string, kind: 'work' | 'dwell', places: number): DemoStation => ({
  code,
  name,
  stage,
  zoneId,
  kind,
  places,
});

export const DEMO_STATIONS: readonly DemoStation[] = [
  station('RM1', 'Cross-cut and rip', 'roughMill', 'mill', 'work', 1),
  station('RM2', 'Blank glue-up', 'roughMill', 'mill', 'work', 1),
  station('RM3', 'Blank clamps', 'roughMill', 'mill', 'dwell', 60),
  station('MC1', 'Body machining centre', 'machining', 'mill', 'work', 1),
  station('MC2', 'Neck machining centre', 'machining', 'mill', 'work', 1),
  station('MC3', 'Rest shelves', 'machining', 'wood', 'dwell', 120),
  station('NK1', 'Fingerboard bench', 'necks', 'bench', 'work', 1),
  station('NK2', 'Neck clamps', 'necks', 'bench', 'dwell', 40),
  station('NK3', 'Fret bench', 'necks', 'bench', 'work', 2),
  station('NK4', 'Neck carving', 'necks', 'bench', 'work', 1),
  station('BD1', 'Top and mould press', 'bodies', 'bench', 'work', 1),
  station('BD2', 'Binding bench', 'bodies', 'bench', 'work', 1),
  station('BD3', 'Body sanding', 'bodies', 'bench', 'work', 1),
  station('BD4', 'Press and binding racks', 'bodies', 'bench', 'dwell', 80),
  station('FT1', 'Fitting bench', 'fitting', 'bench', 'work', 1),
  station('FT2', 'Neck joint clamps', 'fitting', 'bench', 'dwell', 48),
  station('FN1', 'Prep and fill', 'finishing', 'finish', 'work', 1),
  station('FN2', 'Spray booth', 'finishing', 'finish', 'work', 1),
  station('FN3', 'Cure racks', 'finishing', 'finish', 'dwell', 240),
  station('FN4', 'Level sanding', 'finishing', 'finish', 'work', 1),
  station('FN5', 'Buffing', 'finishing', 'finish', 'work', 2),
  station('AS1', 'Electrics and hardware', 'assembly', 'bench', 'work', 2),
  station('AS2', 'Set-up bench', 'assembly', 'bench', 'work', 2),
  station('FR1', 'Rest shelf', 'finalRest', 'bench', 'dwell', 120),
  station('FR2', 'Final inspection', 'finalRest', 'bench', 'work', 1),
  station('DP1', 'Packing', 'dispatch', 'bench', 'work', 1),
];

const carrier = (
  id: string,
  name: string,
  kind: Carrier['kind'],
  places: number,
  zoneId: string,
  outline: string | null = null,
  rig: Carrier['rig'] = null,
): Carrier => ({
  id,
  name,
  kind,
  places,
  zoneId,
  outline,
  rig,
});

const RACKS = 60;

/** What batches sit on and in. */
export const DEMO_CARRIERS: readonly Carrier[] = [
  ...Array.from({ length: RACKS }, (_, i) => carrier(`R${String(i + 1).padStart(2, '0')}`, `Rack ${i + 1}`, 'rack', 12, 'bench')),
  ...Array.from({ length: 2 }, (_, i) =>
    carrier(`CR${i + 1}`, `Clamp rack ${i + 1}`, 'clamp rack', 12, 'mill', null, {
      stationCode: 'RM3',
      cycle: EACH_PLACE,
      handsMinutes: 3,
    }),
  ),
  ...Array.from({ length: 4 }, (_, i) =>
    carrier(`T${i + 1}`, `Neck table ${i + 1}`, 'hose table', 10, 'bench', null, { stationCode: 'NK2', cycle: TOGETHER, handsMinutes: 12 }),
  ),
  carrier('FZ1', 'Freezer shelves', 'freezer shelf', 24, 'finish'),
  carrier('P1', 'Stack press', 'press', 100, 'bench', null, { stationCode: 'BD4', cycle: TOGETHER, handsMinutes: 40 }),
  carrier('VT1', 'Vacuum table', 'vacuum table', 12, 'bench', null, { stationCode: 'BD4', cycle: TOGETHER, handsMinutes: 10 }),
  ...Array.from({ length: 2 }, (_, i) => carrier(`HWF${i + 1}`, `Headwater forms ${i + 1}`, 'form', 6, 'bench', 'headwater')),
  ...Array.from({ length: 2 }, (_, i) => carrier(`SKM${i + 1}`, `Skiff moulds ${i + 1}`, 'mould', 8, 'bench', 'skiff')),
];
