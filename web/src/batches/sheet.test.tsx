import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { aCard } from '../test/card.ts';
import { render, wordsOf } from '../test/render.tsx';
import { FinishForm } from './FinishForm.tsx';
import { emptySheet, sheetBack } from './SheetFields.tsx';
import { SheetPanel } from './SheetPanel.tsx';

const SHEET: View<'SheetView'> = {
  instructions: ['Long grain first'],
  pictures: [{ id: 'p1', caption: 'A clean edge' }],
  ticks: [
    { key: 'dust', text: 'Dust port open' },
    { key: 'edge', text: 'Edges looked at' },
  ],
  notes: [
    { id: 'feed', name: 'Feed', figure: { unit: 'm/min', low: 3, high: 6 } },
    { id: 'belt', name: 'Belt', figure: null },
  ],
  lookFor: ['Tear-out'],
  looksBadNow: [],
  endsPiece: ['A split'],
};
const told = { ticks: ['dust', 'edge'], settings: [{ text: '4,5' }, { text: ' P120 ' }] };

describe('a step sheet', () => {
  test('is read in order, with what is seen on its pictures; what it does not say has no heading', () => {
    const html = render(<SheetPanel sheet={SHEET} step="Sand" />);
    expect(wordsOf(html)).toMatch(/Step sheet Long grain first A clean edge Look for Tear-out Ends the piece A split/);
    expect(html).toContain('src="/api/sheet-pictures/p1"');
    expect(wordsOf(html)).not.toContain('Looks bad now');
    expect(render(<SheetPanel sheet={{ ...SHEET, instructions: [], pictures: [], lookFor: [], endsPiece: [] }} step="Sand" />)).toBe('');
  });
  test('is asked for when the step is finished, and not before it is whole', () => {
    const words = wordsOf(render(<FinishForm card={aCard({ batch: { status: 'running' }, sheet: SHEET })} act="finish" />));
    expect(words).toMatch(/Dust port open.*Edges looked at.*Feed, m\/min.*3 to 6.*Belt.*Finish/);
    expect(words).toContain('The sheet is given back whole');
    const without = wordsOf(render(<FinishForm card={aCard({ batch: { status: 'running' } })} act="finish" />));
    expect(without).not.toMatch(/given back|Noted of how it went/);
  });
  test.each([
    ['nothing yet', emptySheet(SHEET), true, []],
    ['all but a tick', { ...told, ticks: ['dust'] }, true, []],
    ['all but a figure', { ...told, settings: [{ text: 'fast' }, { text: 'P120' }] }, true, []],
    ['all of it', told, false, []],
    [
      'a figure out of its bounds',
      { ...told, settings: [{ text: '9' }, { text: 'P120' }] },
      false,
      ['Feed: 9 m/min was noted, 3–6 m/min is asked for'],
    ],
  ])('with %s', (_, typed, isIncomplete, off) => {
    expect(sheetBack(SHEET, typed)).toMatchObject({ isIncomplete, off });
  });
  test('is sent as it is judged; a step without one sends none', () => {
    expect(sheetBack(SHEET, told).said).toEqual({
      ticks: ['dust', 'edge'],
      notes: [
        { id: 'feed', figure: 4.5 },
        { id: 'belt', words: 'P120' },
      ],
    });
    expect(sheetBack(null, told)).toEqual({ said: undefined, isIncomplete: false, off: [] });
    expect(sheetBack({ ...SHEET, ticks: [], notes: [] }, told).said).toBeUndefined();
  });
});
