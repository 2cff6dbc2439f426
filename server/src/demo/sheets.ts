import { readFileSync } from 'node:fs';
import type { StepSheet } from '@ample-crane/core';
import type { SheetPictureEntity } from '../routing/sheetPicture.entity.ts';
import { sheetPictureId } from '../routing/sheetPictures.ts';

/** Drawn, not photographed: what to look for at some steps of our made-up factory. */
const DRAWN = new URL('../../assets/demo/sheets/', import.meta.url);
const drawing = (name: string): { id: string; bytes: Buffer } => {
  const bytes = readFileSync(new URL(`${name}.png`, DRAWN));
  return { id: sheetPictureId(bytes), bytes };
};
const [fretSlot, bentSide, levelSand] = [drawing('fret-slot'), drawing('bent-side'), drawing('level-sand')];

export const demoSheetPictures = (): SheetPictureEntity[] =>
  [fretSlot, bentSide, levelSand].map(({ id, bytes }) => ({ id, mediaType: 'image/png', bytes }));

/** How the sides are bent: what the iron ran at stays with them. */
export const BENDING: StepSheet = {
  instructions: [
    'Mark the waist and the inside face before the side is wetted',
    'Wet both faces, wrap in the slip, and wait until steam comes',
    'Bend the waist first, then the upper bout, then the lower',
    'Clamp to the form at once and leave it there warm',
  ],
  pictures: [{ id: bentSide.id, caption: 'Where a bent side cracks first: outside of the waist' }],
  ticks: [{ key: 'waist', text: 'Outside of the waist looked at under the lamp' }],
  notes: [
    { id: 'heat', name: 'Temperature of the blanket', figure: { unit: '°C', low: 140, high: 170 } },
    { id: 'water', name: 'Water on each side', figure: { unit: 'ml', low: 5, high: 15 } },
    { id: 'minutes', name: 'Time to the form', figure: { unit: 'min', low: 3, high: 8 } },
  ],
  lookFor: ['Flats between the bends', 'Twist: both edges lie on the bench'],
  looksBadNow: ['Dark marks of steam: they are sanded out with the lining', 'Fuzz on the wet face'],
  endsPiece: ['A crack across the grain'],
};

/** How the slots are sawn, by machine or by the gang saw. */
export const SLOTTING: StepSheet = {
  instructions: ['Board face down on the vacuum, nut end to the stop', 'Blow the slots out before the next board'],
  pictures: [{ id: fretSlot.id, caption: 'A slot as it should be, and one whose lip has crumbled' }],
  ticks: [
    { key: 'gauge', text: 'Feeler gauge goes to the bottom of the first and the last slot' },
    { key: 'nut', text: 'Nut slot is at the stop' },
  ],
  notes: [{ id: 'blade', name: 'Blade' }],
  lookFor: ['Crumbled lips at the edges', 'A slot that does not reach both edges'],
  looksBadNow: ['Dust packed in the slots'],
  endsPiece: ['A slot that is too wide to hold a tang'],
};

/** How a cured film is brought level. */
export const LEVELLING: StepSheet = {
  instructions: ['By hand at the edges, by block on the faces', 'Change paper when it loads, not when it tears'],
  pictures: [{ id: levelSand.id, caption: 'Bright spots lie lower and are not sanded yet' }],
  ticks: [{ key: 'edges', text: 'Edges and horns looked at: no wood shows' }],
  lookFor: ['Bright spots that are left', 'Wood showing where colour lies in the film: it goes back for a coat'],
  looksBadNow: ['Dull all over: the shine comes from buffing'],
  endsPiece: ['Binding sanded through'],
};
