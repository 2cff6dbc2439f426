import type { ModelWood, Route, RouteOption, WoodNeed } from '@ample-crane/core';
import { BENDING } from './sheets.ts';
import {
  away,
  band,
  bindBody,
  bindSet,
  buffer,
  burst,
  clampBody,
  coldCheck,
  cure,
  cutBody,
  dwell,
  fingerboards,
  finish,
  glueBody,
  hours,
  join,
  jointAndClamp,
  line,
  machineBody,
  neckLine,
  OILY_BOARD,
  neckWithItsBoard,
  option,
  outfit,
  hardens,
  pictureInlay,
  pressed,
  restBody,
  route,
  sandBody,
  scrapeBinding,
  stainBody,
  work,
} from './steps.ts';

export interface DemoModel {
  id: string;
  code: string;
  name: string;
  construction: string;
  /** share of what is ordered; 0 for small parts made ahead */
  weight: number;
  batchSize: number;
  scaleLengthMm: number;
  clearance: { lowMm: number; targetMm: number; highMm: number };
  wood: ModelWood;
  route: Route;
}

const wood = (species: string, use: WoodNeed['use'], volumeM3: number, thicknessMm: number, more: Partial<WoodNeed> = {}): WoodNeed => ({
  species,
  use,
  volumeM3,
  thicknessMm,
  ...more,
});
/** One board for a body: crosscut in the middle, its halves are glued side by side. */
const bodyBlank = (thicknessMm: number) => ({ lengthMm: 1050, widthMm: 178, thicknessMm, leavesEach: 0 });
const neckBlank = { lengthMm: 720, widthMm: 100, thicknessMm: 27, leavesEach: 0 };
const glued = { lowMm: 0.05, targetMm: 0.1, highMm: 0.2 };
const bolted = { lowMm: 0.05, targetMm: 0.12, highMm: 0.25 };

/** Bolted together at the end; necks are finished ahead and kept until a build calls. */
const millrace: DemoModel = {
  id: 'millrace',
  code: 'MR',
  name: 'Millrace',
  construction: 'bolt-on solid',
  weight: 30,
  batchSize: 8,
  scaleLengthMm: 645,
  clearance: bolted,
  wood: {
    body: wood('red alder', 'body', 0.014, 45, {
      blank: bodyBlank(45),
      weight: { lowG: 3350, highG: 3800, partVolumeCm3: 4200, otherMassG: 1750 },
    }),
    neck: wood('sugar maple', 'neck', 0.006, 27, { blank: neckBlank }),
  },
  route: route(
    'millrace',
    [
      line(
        'body',
        [cutBody(24), glueBody, ...clampBody, machineBody(49), restBody, sandBody(56), ...finish('b', 'poly', 4, 110, 47, 52, 113)],
        'fit',
      ),
      line(
        'neck',
        [
          ...neckLine(56),
          work('n-oil', 'Oil the neck', 'FN1', 'finish prep', 5, 21, { cautions: ['rags'] }),
          cure('n-cure', 'oil'),
          buffer('n-stock', 'Finished necks in stock', 'necks'),
        ],
        'fit',
      ),
    ],
    [work('i-bolt', 'Bolt the neck on', 'FT1', 'neck fitting', 5, 33), ...outfit(0.25, 1.9, 1.6, 125)],
  ),
};

/** A neck of the usual wood, or of a paler and stiffer one. */
const neckWood: RouteOption = {
  id: 'neckwood',
  name: 'Neck',
  values: [
    { id: 'mahogany', name: 'mahogany' },
    { id: 'maple', name: 'sugar maple', wood: { neck: 'sugar maple' }, extraPrice: 60 },
  ],
};

/** Glued before finishing; may be cold-checked as often as it takes. */
const weirstone: DemoModel = {
  id: 'weirstone',
  code: 'WS',
  name: 'Weirstone',
  construction: 'set-neck carved',
  weight: 24,
  batchSize: 8,
  scaleLengthMm: 628,
  clearance: glued,
  wood: {
    body: wood('mahogany', 'body', 0.015, 50, {
      blank: bodyBlank(50),
      weight: { lowG: 3600, highG: 4050, partVolumeCm3: 3500, otherMassG: 1980 },
    }),
    neck: wood('mahogany', 'neck', 0.008, 27),
  },
  route: route(
    'weirstone',
    [
      line(
        'body',
        [cutBody(28), glueBody, ...clampBody, machineBody(78), restBody, bindBody(76), bindSet('b-bindset'), sandBody(69)],
        'fit',
      ),
      line('neck', neckLine(67), 'fit'),
    ],
    [...jointAndClamp, ...finish('i', 'lacquer', 5, 105, 66, 87, 188, [burst, scrapeBinding]), coldCheck, ...outfit(0.22, 1.8, 1.5, 131)],
    [option('ageing', 'Ageing', ['none', 'not aged'], ['checked', 'cold-checked']), neckWood],
  ),
};

/** One piece from end to end; its blanks come over from the mill in the yard. */
const towpath: DemoModel = {
  id: 'towpath',
  code: 'TP',
  name: 'Towpath',
  construction: 'neck-through bass',
  weight: 12,
  batchSize: 8,
  scaleLengthMm: 864,
  clearance: glued,
  wood: { body: wood('black walnut', 'body', 0.022, 45) },
  route: route(
    'towpath',
    [
      line(
        'body',
        [
          cutBody(50),
          work('b-glue', 'Glue wings to the core', 'RM2', 'gluing', 15, 71),
          ...clampBody,
          away('b-carry', 'Carry over from the mill', 'transfer', 'RM3', 1),
          work('b-machine', 'Machine through-neck body', 'MC1', 'body machining', 30, 94, {
            cautions: ['cutting', 'dust'],
            needs: [{ kind: 'program', what: 'Through-neck body', checked: true }],
          }),
          restBody,
          work('b-board', 'Truss rod and fingerboard', 'NK1', 'fingerboards', 10, 66),
          dwell('b-boardset', 'Fingerboard in clamps', 'NK2', hours('Clamped', 24)),
          work('b-fret', 'Radius and fret', 'NK3', 'fretting', 10, 129),
          work('b-carve', 'Carve and sand the neck', 'NK4', 'neck carving', 5, 58, { cautions: ['dust'] }),
          sandBody(79),
        ],
        'fit',
      ),
    ],
    [
      work('i-fill', 'Fill the open pores', 'FN1', 'finish prep', 5, 12, {
        cautions: ['solvents', 'rags'],
        when: { kind: 'species', component: 'body', in: ['black walnut', 'mahogany', 'white ash'] },
      }),
      ...finish('i', 'oil', 3, 12, 32, 29, 63),
      ...outfit(0.35, 2.4, 2.0, 121),
    ],
  ),
};

/** Pressed, bound on one face or both; each fingerboard is cut from its own neck's block. */
const lockkeeper: DemoModel = {
  id: 'lockkeeper',
  code: 'LK',
  name: 'Lockkeeper',
  construction: 'semi-hollow, bound on both faces',
  weight: 14,
  batchSize: 8,
  scaleLengthMm: 628,
  clearance: glued,
  wood: {
    body: wood('sugar maple', 'body', 0.012, 27),
    neck: wood('sugar maple', 'neck', 0.007, 27),
    fingerboard: wood('sugar maple', 'neck', 0.001, 27),
  },
  route: route(
    'lockkeeper',
    [
      line(
        'body',
        [
          cutBody(35),
          work('b-press', 'Press top and back', 'BD1', 'top pressing', 20, 83, {
            cautions: ['hot'],
            settings: [
              { id: 'pressure', name: 'Gauge pressure', figure: { unit: 'bar', low: 3, high: 5 } },
              { id: 'cauls', name: 'Cauls' },
            ],
          }),
          pressed('b-pressset', 'In the press', 'BD4', 'press', 'Pressed', 'epoxy'),
          hardens('b-hard', 'epoxy'),
          machineBody(61),
          restBody,
          bindBody(70),
          {
            ...bindSet('b-bindset'),
            repeat: { kind: 'count', backTo: 'b-bind', times: 2, timesByOption: { option: 'faces', times: { one: 1, both: 2 } } },
          },
          sandBody(74),
        ],
        'fit',
      ),
      line('fingerboard', fingerboards, 'n-lay'),
      line('neck', [...neckWithItsBoard(67), pictureInlay], 'fit'),
    ],
    [...jointAndClamp, ...finish('i', 'lacquer', 5, 105, 53, 87, 188, [stainBody, scrapeBinding]), ...outfit(0.22, 1.8, 1.5, 162)],
    [
      option('faces', 'Binding', ['both', 'both faces'], ['one', 'top only']),
      option('inlay', 'Inlay', ['dots', 'dots'], ['picture', 'picture, by the inlay house']),
    ],
  ),
};

/** Sides, back and top meet as a box; fitted dry, finished apart, and only then glued to its neck. */
const headwater: DemoModel = {
  id: 'headwater',
  code: 'HW',
  name: 'Headwater',
  construction: 'flat-top acoustic',
  weight: 12,
  batchSize: 6,
  scaleLengthMm: 645,
  clearance: glued,
  wood: {
    body: wood('black walnut', 'sides', 0.0025, 10),
    back: wood('black walnut', 'sides', 0.003, 10),
    top: wood('Sitka spruce', 'top', 0.0035, 10),
    neck: wood('mahogany', 'neck', 0.008, 27),
  },
  route: route(
    'headwater',
    [
      line(
        'body',
        [
          work('b-bend', 'Bend the sides', 'BD1', 'top pressing', 20, 68, { sheet: BENDING, cautions: ['hot'], noWait: true }),
          dwell(
            'b-form',
            'Sides in their form',
            'BD4',
            // Longer than a week and they take the form's own bow.
            [{ kind: 'elapsed', what: 'Set', minimumMinutes: 24 * 60, maximumMinutes: 14 * 24 * 60 }],
            { place: { kind: 'form', outline: true } },
          ),
          work('b-line', 'Line the sides, and let the steam out', 'BD2', 'binding', 5, 14, {
            characteristics: [band('moisture', 'Moisture', '%', 6, 8.5, 11)],
          }),
          dwell('b-dry', 'Dry after steaming', 'MC3', [
            { kind: 'elapsed', what: 'Rested', minimumMinutes: 24 * 60 },
            {
              kind: 'inBand',
              what: 'moisture readings',
              characteristic: 'moisture',
              low: 6,
              high: 11,
              needed: 3,
              unit: '%',
              tooLow: 'Too dry: it will split at the bends',
              tooHigh: 'Too wet: leave it on the shelf and read it again',
            },
          ]),
          join('b-back', 'Close the back', 'BD1', 'top pressing', { matchedSet: true }),
          join('b-top', 'Close the top', 'BD1', 'top pressing'),
          dwell('b-boxset', 'Box in clamps', 'BD4', hours('Set', 24)),
          machineBody(24),
          bindBody(64),
          bindSet('b-bindset'),
          sandBody(60),
        ],
        'fit',
      ),
      line('back', [work('k-joint', 'Joint the backs', 'RM1', 'milling', 10, 15, { cautions: ['cutting', 'dust'] })], 'b-back'),
      line(
        'top',
        [
          work('t-joint', 'Joint the tops', 'RM1', 'milling', 10, 17, { cautions: ['cutting', 'dust'] }),
          work('t-brace', 'Brace the tops', 'BD1', 'top pressing', 15, 78, { draws: [{ modelId: 'headwater-braces', perPiece: 1 }] }),
          pressed('t-set', 'Braces under vacuum', 'BD4', 'vacuum table', 'Pressed', 'pva', 'light parts'),
        ],
        'b-top',
      ),
      line('neck', neckLine(60, OILY_BOARD), 'fit'),
      [
        ...line('body', finish('b', 'water', 5, 80, 57, 75, 154), 'refit'),
        ...line(
          'neck',
          [work('n-oil', 'Oil the neck', 'FN1', 'finish prep', 5, 16, { cautions: ['rags'] }), cure('n-cure', 'oil')],
          'refit',
        ),
      ],
    ],
    [],
  ),
};

const dryFit = {
  ...work('part', 'Take apart for finishing', 'FT1', 'neck fitting', 10, 5),
  kind: 'part' as const,
  component: 'instrument' as const,
  next: ['b-prep', 'n-oil'],
};

/** Between dry fitting and glueing, body and neck go their own ways and stay a pair. */
function fittedDry(model: DemoModel): DemoModel {
  const set = line(
    'instrument',
    [
      { ...work('refit', 'Bring each pair together', 'FT1', 'neck fitting', 10, 5), kind: 'refit' as const },
      work('i-set', 'Set the neck', 'FT1', 'neck fitting', 10, 71, {
        skillLevel: 2,
        gate: [{ kind: 'signOff', skill: 'neck fitting' }],
      }),
      dwell('i-clamp', 'Joint in clamps', 'FT2', hours('Clamped', 24)),
      ...outfit(0.25, 2.4, 1.9, 63),
    ],
    'ship',
  );
  const operations = model.route.operations.map((o) => (o.id === 'fit' ? { ...o, name: 'Fit dry and give a serial', next: ['part'] } : o));
  return { ...model, route: { ...model.route, operations: [...operations.slice(0, -1), dryFit, ...set, ...operations.slice(-1)] } };
}

/** Moulded in one; a small kit and a small case. */
const skiff: DemoModel = {
  id: 'skiff',
  code: 'SK',
  name: 'Skiff',
  construction: 'moulded travel instrument',
  weight: 8,
  batchSize: 8,
  scaleLengthMm: 580,
  clearance: bolted,
  wood: { body: wood('basswood', 'body', 0.006, 8) },
  route: route(
    'skiff',
    [
      line(
        'body',
        [
          work('b-cut', 'Slice leaves', 'RM1', 'milling', 10, 18, { cautions: ['cutting', 'dust'] }),
          work('b-mould', 'Mould the shell', 'BD1', 'top pressing', 20, 83, {
            cautions: ['hot'],
            noWait: true,
            needs: [{ kind: 'fixture', what: 'Skiff mould, second outline' }],
          }),
          dwell('b-mouldset', 'Shell in its mould', 'BD4', hours('Set', 14), { place: { kind: 'mould', outline: true } }),
          work('b-machine', 'Trim and slot', 'MC2', 'neck machining', 20, 43, {
            cautions: ['cutting', 'dust'],
            needs: [{ kind: 'program', what: 'Shell, trim and slots', checked: true }],
          }),
          work('b-fret', 'Fret', 'NK3', 'fretting', 10, 90),
          sandBody(33),
        ],
        'fit',
      ),
    ],
    [...finish('i', 'oil', 3, 12, 20, 17, 38), ...outfit(0.25, 2.2, 1.8, 36, { needs: [{ kind: 'kit', what: 'Travel tuner set' }] })],
  ),
};

/** Small parts, made ahead in campaigns and drawn from their boxes. */
const braces: DemoModel = {
  id: 'headwater-braces',
  code: 'HB',
  name: 'Headwater braces',
  construction: 'small parts',
  weight: 0,
  batchSize: 36,
  scaleLengthMm: 645,
  clearance: glued,
  wood: { 'small part': wood('Sitka spruce', 'top', 0.0006, 10) },
  route: {
    id: 'headwater-braces-1',
    modelId: 'headwater-braces',
    version: 1,
    operations: line(
      'small part',
      [work('p-split', 'Split and shape sets of braces', 'RM1', 'milling', 15, 6, { cautions: ['cutting', 'dust'] })],
      'p-box',
    ).concat({ ...buffer('p-box', 'Braces in their boxes', 'bodies'), component: 'small part', next: [] }),
  },
};

export const DEMO_MODELS: readonly DemoModel[] = [millrace, weirstone, towpath, lockkeeper, fittedDry(headwater), skiff, braces];
