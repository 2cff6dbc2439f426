import { ceilingOf, cheaperFrom, CYCLES, methodCost, type WorkMethod } from '@ample-crane/core';
import type { SumDefinition } from './Sum.tsx';

const ways = [
  ['a', 'Machine head'],
  ['b', 'Gang saw'],
] as const;

type Figures = (name: string) => number;
const methodOf = (way: string, n: Figures): WorkMethod => ({
  setUpMinutes: n(`${way}-setup`),
  minutesEach: n(`${way}-each`),
  toolPrice: n(`${way}-price`),
  toolPieces: n(`${way}-lasts`),
});

const minutes = (m: number): string => `${m.toFixed(m < 10 && m > 0 ? 1 : 0)} min`;

/** Sums of machines and rigs. */
export const MACHINE_SUMS: readonly SumDefinition[] = [
  {
    id: 'ceiling',
    title: 'What a rig can give',
    fields: [
      { name: 'cycle', label: 'It goes round', value: 'tables under one spindle', options: CYCLES, width: 240 },
      { name: 'places', label: 'Places (of a table)', value: '10' },
      { name: 'tables', label: 'Tables', value: '2' },
      { name: 'dwell', label: 'Clamped or running, min', value: '35' },
      { name: 'hands', label: 'To empty and fill, min', value: '12' },
    ],
    formula:
      'Pieces an hour = pieces of a round × 60 / round. A round is the dwell and the filling; under one spindle with several tables the longer of the two, since one is filled while the other runs. One person fills all.',
    source: 'Worked by hand. A timer for each place: filling is of one place; else of a table, or of the whole rig.',
    work: (input, n) => {
      const cycle = CYCLES.find((c) => c === input['cycle']) ?? CYCLES[0];
      const rig = { cycle, places: n('places'), tables: n('tables'), dwellMinutes: n('dwell'), handsMinutes: n('hands') };
      const { piecesAnHour, cycleMinutes, handsWaitMinutes, idleMinutes } = ceilingOf(rig);
      return [
        { label: 'At most', value: `${piecesAnHour.toFixed(1)} an hour` },
        { label: 'Hands wait', value: `${minutes(handsWaitMinutes)} of every ${minutes(cycleMinutes)}` },
        { label: 'Each place or spindle stands empty', value: `${minutes(idleMinutes)} of every ${minutes(cycleMinutes)}` },
      ];
    },
  },
  {
    id: 'worn-head',
    title: 'A worn head against the gang saw',
    fields: [
      { name: 'pieces', label: 'Pieces in one go', value: '8' },
      { name: 'rate', label: 'An hour costs', value: '48' },
      ...ways.flatMap(([key, name], i) => [
        { name: `${key}-setup`, label: `${name}: set-up, min`, value: ['12', '25'][i] ?? '0' },
        { name: `${key}-each`, label: `${name}: min a piece`, value: ['10', '1.5'][i] ?? '0' },
        { name: `${key}-price`, label: `${name}: a sharp tool costs`, value: ['90', '240'][i] ?? '0' },
        { name: `${key}-lasts`, label: `${name}: and lasts for, pieces`, value: ['60', '400'][i] ?? '1' },
      ]),
    ],
    formula: 'Cost = (set-up + minutes a piece × pieces) × rate / 60 + pieces × price of a tool / pieces that it lasts for.',
    source: 'Type your own figures: those that stand here at first are an example.',
    work: (_, n) => {
      const [machine, gang] = [methodOf('a', n), methodOf('b', n)];
      const [pieces, rate] = [n('pieces'), n('rate')];
      if (!(n('a-lasts') > 0) || !(n('b-lasts') > 0)) throw new RangeError('A tool lasts for some pieces at least');
      const from = cheaperFrom(gang, machine, rate);
      return [
        ...ways.map(([key, name]) => ({ label: name, value: methodCost(methodOf(key, n), pieces, rate).toFixed(2) })),
        {
          label: 'The gang saw is cheaper',
          value: from === null ? 'never' : from === 1 ? 'always' : `from ${from} pieces in one go`,
          remark: true,
        },
      ];
    },
  },
];
