import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import type { FretSlot } from './fretSlots.ts';

const HEADING = ['fret', 'bass_mm', 'treble_mm', 'bass_x_mm', 'bass_y_mm', 'treble_x_mm', 'treble_y_mm', 'length_mm', 'angle_deg'];
const figure = (value: number, digits = 4) => String(Number(value.toFixed(digits)));

/** Slots as comma-separated values, a line each: places along the strings, ends, length and angle. */
export const slotsCsv = (slots: readonly FretSlot[]): string =>
  [HEADING.join(','), ...slots.map((s) => [s.fret, ...columns(s).map((v) => figure(v))].join(','))].join('\r\n') + '\r\n';

const columns = ({ bassMm, trebleMm, bass, treble, lengthMm, angleDeg }: FretSlot) => [
  bassMm,
  trebleMm,
  bass.xMm,
  bass.yMm,
  treble.xMm,
  treble.yMm,
  lengthMm,
  angleDeg,
];

/** Slots as a drawing in millimetres for a machine: a line each on the layer SLOTS, the nut's on the layer NUT. */
export function slotsDxf(slots: readonly FretSlot[]): string {
  const drawing = new DxfWriter();
  drawing.setUnits(Units.Millimeters);
  drawing.addLayer('NUT', 1, 'CONTINUOUS');
  drawing.addLayer('SLOTS', 7, 'CONTINUOUS');
  for (const { fret, bass, treble } of slots)
    drawing.addLine(point3d(bass.xMm, bass.yMm), point3d(treble.xMm, treble.yMm), { layerName: fret === 0 ? 'NUT' : 'SLOTS' });
  return drawing.stringify();
}

const MARGIN_MM = 8;
/** Printed beside the slots, to see whether the printer kept the scale. */
const RULER_MM = 100;

/** Slots to be printed at their true size: an SVG in millimetres with a ruler to check it by. */
export function slotsSvg(slots: readonly FretSlot[]): string {
  const ends = slots.flatMap((s) => [s.bass, s.treble]);
  const [left, right] = [Math.min(...ends.map((p) => p.xMm)) - MARGIN_MM, Math.max(...ends.map((p) => p.xMm)) + MARGIN_MM];
  const half = Math.max(...ends.map((p) => Math.abs(p.yMm))) + MARGIN_MM;
  const line = (x1: number, y1: number, x2: number, y2: number, width: number) =>
    `<line x1="${figure(x1)}" y1="${figure(y1)}" x2="${figure(x2)}" y2="${figure(y2)}" stroke="#000" stroke-width="${width}"/>`;
  const text = (x: number, y: number, said: string) =>
    `<text x="${figure(x)}" y="${figure(y)}" font-size="3" text-anchor="middle">${said}</text>`;
  const rulerY = half + MARGIN_MM / 2;
  const [width, height] = [right - left, 2 * half + MARGIN_MM];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${figure(width)}mm" height="${figure(height)}mm" viewBox="${figure(left)} ${figure(-half)} ${figure(width)} ${figure(height)}" font-family="sans-serif">`,
    ...slots.map((s) => line(s.bass.xMm, s.bass.yMm, s.treble.xMm, s.treble.yMm, s.fret === 0 ? 0.4 : 0.15)),
    ...slots.map((s) => text(s.treble.xMm, s.treble.yMm + 4, String(s.fret))),
    line(0, rulerY, RULER_MM, rulerY, 0.2),
    line(0, rulerY - 1, 0, rulerY + 1, 0.2),
    line(RULER_MM, rulerY - 1, RULER_MM, rulerY + 1, 0.2),
    text(RULER_MM / 2, rulerY - 1, `${RULER_MM} mm: measure it before you trust the print`),
    '</svg>',
    '',
  ].join('\n');
}
