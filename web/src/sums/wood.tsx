import {
  allotByWeight,
  boardFeet,
  boardFeetToM3,
  CLIMATE_FORTNIGHT_MS,
  correctedMoisturePct,
  coverOf,
  daysToReach,
  DAY_MS,
  DEFAULT_CUTTING,
  dryMassG,
  equilibriumMoisturePct,
  KILN_SCHEDULES,
  kilnDaysLeft,
  kilnStages,
  m3ToBoardFeet,
  moistureFromMassPct,
  movement,
  piecesOf,
  pinlessMoisturePct,
  priorDryingRatePerDay,
  readingsNeeded,
  DEFAULT_MOISTURE_GATE,
  speciesIn,
  type GrainDirection,
} from '@ample-crane/core';
import { MovementPicture } from './MovementPicture.tsx';
import { figure, type FactoryFigures, type SumDefinition } from './Sum.tsx';

const speciesNames = ({ species }: FactoryFigures) => species.map((s) => s.name);
const HANDBOOK = 'Source: Wood Handbook, FPL-GTR-282';
const pct = (value: number) => `${value.toFixed(1)} %`;
const days = (value: number) => (Number.isFinite(value) ? `${value.toFixed(1)} days` : 'never in this air');
const share = (value: number) => value / 100;
const direction = (text: string | undefined): GrainDirection => (text === 'radial' ? 'radial' : 'tangential');

/** The wood room's arithmetic, each piece on its own. */
export const WOOD_SUMS: readonly SumDefinition[] = [
  {
    id: 'emc',
    title: 'Equilibrium moisture',
    fields: [
      { name: 'temp', label: 'Air, °C', value: '21' },
      { name: 'humidity', label: 'Humidity, %', value: '45' },
    ],
    formula: 'Hailwood–Horrobin with two hydrates: what wood tends to in air of this temperature and humidity.',
    source: `${HANDBOOK}, eq. 4-5`,
    work: (_, n) => [{ label: 'Wood tends to', value: pct(equilibriumMoisturePct(n('temp'), share(n('humidity')))) }],
  },
  {
    id: 'meter',
    title: 'Meter correction',
    fields: [
      { name: 'reading', label: 'Reading, %', value: '10' },
      { name: 'temp', label: 'Wood, °C', value: '20' },
      { name: 'a', label: 'Species a', value: '1', width: 110 },
      { name: 'b', label: 'Species b', value: '0', width: 110 },
      { name: 'offset', label: 'Pinless: points too high', value: '0' },
    ],
    formula:
      '((R + 0.567 − 0.0260x + 0.000051x²) / (0.881 · 1.0056^x) − b) / a, with x = t + 2.8. Pinless: the reading less the offset for density.',
    source: 'Source: Pfaff & Garrahan, Forest Products Journal 36(3), 1986; a and b from the meter’s handbook',
    work: (_, n) => [
      { label: 'Pin meter', value: pct(correctedMoisturePct(n('reading'), n('temp'), { a: n('a'), b: n('b') })) },
      { label: 'Pinless meter', value: pct(pinlessMoisturePct(n('reading'), n('offset'))) },
    ],
  },
  {
    id: 'oven',
    title: 'Oven test and sample board',
    fields: [
      { name: 'wet', label: 'Slice wet, g', value: '52.3' },
      { name: 'dry', label: 'Slice oven-dry, g', value: '46.2' },
      { name: 'board', label: 'Board then, g', value: '1190' },
      { name: 'now', label: 'Board now, g', value: '1100' },
    ],
    formula:
      '(wet − dry) / dry; the board’s dry mass is its mass then / (1 + that moisture), and its moisture now follows from its mass now.',
    source: HANDBOOK,
    work: (_, n) => {
      const then = moistureFromMassPct(n('wet'), n('dry'));
      const dry = dryMassG(n('board'), then);
      return [
        { label: 'Moisture then', value: pct(then) },
        { label: 'Board oven-dry', value: `${dry.toFixed(0)} g` },
        { label: 'Moisture now', value: pct(moistureFromMassPct(n('now'), dry)) },
      ];
    },
  },
  {
    id: 'drying',
    title: 'Drying time',
    fields: [
      { name: 'species', label: 'Species', value: 'mahogany', options: speciesNames },
      { name: 'thickness', label: 'Thickness, mm', value: '50' },
      { name: 'from', label: 'From, %', value: '12' },
      { name: 'to', label: 'To, %', value: '9.5' },
      { name: 'temp', label: 'Air, °C', value: '21' },
      { name: 'humidity', label: 'Humidity, %', value: '45' },
      { name: 'rate', label: 'Rate a day, if known', value: '' },
    ],
    formula:
      'dM/dt = −k (M − EMC): t = ln((from − EMC) / (to − EMC)) / k; k by species and (25 / thickness)^1.5 until a lot has told its own.',
    source: 'Source: first-order drying in steady air; the rates are starting points only',
    work: (input, n, { species }) => {
      const emc = equilibriumMoisturePct(n('temp'), share(n('humidity')));
      const wood = speciesIn(species, input['species'] ?? '');
      const rate = input['rate']?.trim() ? n('rate') : priorDryingRatePerDay(wood, n('thickness'));
      if (rate === null) throw new RangeError(`How fast ${wood.name} dries is not on record (Setup, Species): type a rate`);
      // Air on the other side takes the wood further away.
      const towards = (n('to') - n('from')) * (emc - n('from')) >= 0;
      return [
        { label: 'The air tends to', value: pct(emc) },
        { label: 'Rate', value: `${rate.toFixed(3)} a day` },
        { label: 'Time', value: days(towards ? daysToReach(n('from'), emc, rate, n('to')) : Infinity) },
        { label: 'A forecast goes on with', value: `the mean air of the last ${CLIMATE_FORTNIGHT_MS / DAY_MS} days`, remark: true },
      ];
    },
  },
  {
    id: 'readings',
    title: 'Readings a lot needs',
    fields: [
      { name: 'volume', label: 'Volume, m³', value: '0.5' },
      { name: 'least', label: 'At least', value: String(DEFAULT_MOISTURE_GATE.readingsNeeded) },
      { name: 'per', label: 'More for each m³', value: String(DEFAULT_MOISTURE_GATE.readingsPerM3) },
    ],
    formula: 'The least, and more with size, up to twenty.',
    source: 'The factory’s own rule: Setup, Bands and rules',
    work: (_, n) => [
      { label: 'Readings', value: String(readingsNeeded({ readingsNeeded: n('least'), readingsPerM3: n('per') }, n('volume'))) },
    ],
  },
  {
    id: 'kiln',
    title: 'Kiln schedule',
    fields: [
      { name: 'schedule', label: 'Schedule', value: KILN_SCHEDULES[0]?.name ?? '', options: KILN_SCHEDULES.map((k) => k.name), width: 240 },
      { name: 'moisture', label: 'Wettest sample, %', value: '15' },
      { name: 'rate', label: 'Rate in the room, a day', value: '0.03' },
    ],
    formula: 'Each step dries from its moisture to the next one’s in its own air; the rate doubles with each 20 °C.',
    source: 'For planning only: the kiln’s maker and the wood on the day decide',
    work: (input, n) => {
      const schedule = KILN_SCHEDULES.find((k) => k.name === input['schedule']) ?? KILN_SCHEDULES[0];
      if (!schedule) throw new RangeError('There is no schedule');
      const stages = kilnStages(schedule, n('moisture'), n('rate'));
      const left = kilnDaysLeft(stages);
      return [
        ...stages.map((s) => ({
          label: s.index === schedule.steps.length ? 'Conditioning' : `${pct(s.fromPct)} to ${pct(s.toPct)}, tending to ${pct(s.emcPct)}`,
          value: s.days === null ? 'never' : days(s.days),
        })),
        { label: 'In all', value: left === null ? 'never' : days(left) },
      ];
    },
  },
  {
    id: 'movement',
    title: 'Movement',
    fields: [
      { name: 'species', label: 'Species', value: 'Sitka spruce', options: speciesNames },
      { name: 'direction', label: 'Across the grain', value: 'radial', options: ['radial', 'tangential'] },
      { name: 'size', label: 'Size, mm', value: '330' },
      { name: 'temp1', label: 'Made at, °C', value: '21', width: 120 },
      { name: 'rh1', label: 'and humidity, %', value: '45', width: 140 },
      { name: 'temp2', label: 'Lives at, °C', value: '22', width: 120 },
      { name: 'rh2', label: 'and humidity, %', value: '25', width: 140 },
    ],
    formula:
      'Size × coefficient × change in moisture. The coefficients were measured for 6 to 14 %; beyond that it goes on in a straight line, less surely.',
    source: 'The coefficient is the register’s: Setup, Species; the limits of joints are the factory’s: Setup, Bands and rules',
    work: (input, n, { movementLimits, species }) => {
      const from = equilibriumMoisturePct(n('temp1'), share(n('rh1')));
      const to = equilibriumMoisturePct(n('temp2'), share(n('rh2')));
      const wood = speciesIn(species, input['species'] ?? '');
      const across = direction(input['direction']);
      const moved = movement(wood, across, n('size'), from, to, movementLimits);
      return [
        { label: 'Moisture', value: `${pct(from)} to ${pct(to)}` },
        {
          label: 'Coefficient',
          value: `${((wood[across] ?? 0) * 100).toFixed(3)} % a point, from: ${wood.sources.movement}`,
          remark: true,
        },
        {
          label: moved.changeMm < 0 ? 'It shrinks by' : 'It grows by',
          value: `${Math.abs(moved.changeMm).toFixed(2)} mm, give or take ${moved.giveOrTakeMm.toFixed(2)}`,
        },
        ...(moved.beyondPct > 0
          ? [{ label: 'Beyond 6 to 14 %', value: `${moved.beyondPct.toFixed(1)} points of it, where nobody measured`, remark: true }]
          : []),
        ...moved.endangered.map((l) => ({ label: `${l.name} (bears ${l.limitMm} mm)`, value: l.because, remark: true })),
      ];
    },
    picture: (input, _, { species }) => {
      const value = (name: string) => figure(input[name]);
      const from = equilibriumMoisturePct(value('temp1'), share(value('rh1')));
      const to = equilibriumMoisturePct(value('temp2'), share(value('rh2')));
      const { changeMm } = movement(speciesIn(species, input['species'] ?? ''), direction(input['direction']), value('size'), from, to);
      return <MovementPicture sizeMm={value('size')} changeMm={changeMm} direction={direction(input['direction'])} />;
    },
  },
  {
    id: 'board-feet',
    title: 'Board feet and yield',
    fields: [
      { name: 'thickness', label: 'Thickness, in', value: '2' },
      { name: 'width', label: 'Width, in', value: '8' },
      { name: 'length', label: 'Length, ft', value: '8' },
      { name: 'blanks', label: 'Blanks from it', value: '4' },
      { name: 'blank', label: 'One blank, mm: length × width × thickness', value: '520 178 45', width: 300 },
    ],
    formula: 'Thickness × width × length / 12, nominal thickness for rough lumber. Yield is the blanks’ volume over the board’s.',
    source: '1 board foot = 0.002359737 m³',
    work: (input, n) => {
      const bf = boardFeet(n('thickness'), n('width'), n('length'));
      const [length = NaN, width = NaN, thickness = NaN] = (input['blank'] ?? '').split(/[\s×x]+/).map(figure);
      const blank = (length * width * thickness) / 1e9;
      if (!(blank > 0)) throw new RangeError('One blank: three figures in mm');
      const m3 = boardFeetToM3(bf);
      return [
        { label: 'Board', value: `${bf.toFixed(2)} bf, ${m3.toFixed(4)} m³` },
        { label: 'Yield', value: `${((100 * n('blanks') * blank) / m3).toFixed(0)} %` },
        { label: 'Waste', value: `${m3ToBoardFeet(Math.max(0, m3 - n('blanks') * blank)).toFixed(2)} bf` },
      ];
    },
  },
  {
    id: 'resaw',
    title: 'Leaves from a billet',
    fields: [
      { name: 'billet', label: 'Billet, mm thick', value: '52' },
      { name: 'leaf', label: 'Leaf, mm', value: '4' },
      { name: 'each', label: 'Leaves for one piece', value: '2' },
      { name: 'planing', label: 'Planed off, mm', value: String(DEFAULT_CUTTING.planingMm) },
      { name: 'kerf', label: 'Resaw’s cut, mm', value: String(DEFAULT_CUTTING.resawKerfMm) },
    ],
    formula: 'n leaves take n × (leaf + planing) + (n − 1) × cut.',
    source: 'Geometry',
    work: (_, n) => {
      const settings = { planingMm: n('planing'), resawKerfMm: n('kerf') };
      const of = (leavesEach: number) => piecesOf({ thicknessMm: n('billet') }, { thicknessMm: n('leaf'), leavesEach }, settings);
      return [
        { label: 'Leaves', value: String(of(1)) },
        { label: 'Pieces', value: String(of(Math.max(1, Math.round(n('each'))))) },
      ];
    },
  },
  {
    id: 'weight',
    title: 'Finished weight of a blank',
    fields: [
      { name: 'mass', label: 'Blank, g', value: '4300' },
      { name: 'volume', label: 'Blank, cm³', value: '8411' },
      { name: 'moisture', label: 'Its moisture, %', value: '9.5' },
      { name: 'emc', label: 'The shop’s, %', value: '8.5' },
      { name: 'left', label: 'Wood left of it, cm³', value: '4200' },
      { name: 'other', label: 'The rest, g', value: '1750' },
      { name: 'low', label: 'Should weigh from, g', value: '3350' },
      { name: 'high', label: 'to, g', value: '3800' },
    ],
    formula: 'Density once settled × wood left + the rest; chambering takes out the excess over the middle of the band / density.',
    source: 'Mass balance',
    work: (_, n) => {
      const blank = {
        id: '1',
        kind: '',
        massG: n('mass'),
        volumeCm3: n('volume'),
        moisturePct: n('moisture'),
        look: 'clear' as const,
        reservedFor: null,
      };
      const slot = {
        id: '1',
        kind: '',
        orderId: null,
        finish: 'solid' as const,
        lowG: n('low'),
        highG: n('high'),
        partVolumeCm3: n('left'),
        otherMassG: n('other'),
      };
      const [only] = allotByWeight([blank], [slot], n('emc')).allotted;
      if (!only) throw new RangeError('The blank cannot be taken');
      return [
        { label: 'Would weigh', value: `${only.predictedG.toFixed(0)} g, ${only.inBand ? 'in band' : 'out of band'}` },
        { label: 'Chamber out', value: `${only.chamberCm3.toFixed(0)} cm³` },
      ];
    },
  },
  {
    id: 'cover',
    title: 'Cover',
    fields: [
      { name: 'ready', label: 'Ready, m³', value: '0.8' },
      { name: 'drying', label: 'Drying, m³', value: '0.5' },
      { name: 'dryDays', label: 'ready in, days', value: '40' },
      { name: 'use', label: 'Used a day, m³', value: '0.02' },
      { name: 'lead', label: 'From buying to dry, days', value: '70' },
    ],
    formula: 'The first day on which more has been asked for than was ready by then; bought so many days before it.',
    source: 'Stock in time',
    work: (_, n) => {
      const horizon = 365;
      const needs = Array.from({ length: horizon }, (__, i) => ({ atMs: (i + 1) * DAY_MS, volumeM3: n('use') }));
      const supplies = [
        { volumeM3: n('ready'), readyMs: 0 },
        { volumeM3: n('drying'), readyMs: n('dryDays') * DAY_MS },
      ];
      const cover = coverOf(supplies, needs, 0, n('lead'), horizon);
      const buyIn = cover.buyByMs === null ? null : cover.buyByMs / DAY_MS;
      return [
        { label: 'Lasts', value: cover.days === null ? 'more than a year' : `${Math.floor(cover.days)} days` },
        ...(buyIn === null
          ? []
          : [{ label: 'Buy', value: buyIn < 0 ? `${Math.ceil(-buyIn)} days ago` : `within ${Math.floor(buyIn)} days` }]),
      ];
    },
  },
];
