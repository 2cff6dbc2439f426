import { checkSlots, fretSlots, slotsCsv, slotsDxf, slotsSvg, type FretBoard, type FretSlot } from '@ample-crane/core';
import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { parseNumbers } from '../parts/QuickEntry.tsx';
import type { Inputs, SumDefinition } from './Sum.tsx';

type Figures = (name: string) => number;

const boardOf = (n: Figures): FretBoard => ({
  bassScaleMm: n('bass'),
  trebleScaleMm: n('treble'),
  frets: n('frets'),
  squareFret: n('square'),
  nutSpreadMm: n('nut'),
  saddleSpreadMm: n('saddle'),
  nutOverhangMm: n('over'),
  endOverhangMm: n('over'),
  blindMm: n('blind'),
});
const slotsOf = (_: Inputs, n: Figures) => fretSlots(boardOf(n));

/** Places on the strings; one where both scales are the same. */
const placeOf = ({ bassMm, trebleMm }: FretSlot) =>
  Math.abs(bassMm - trebleMm) < 0.005 ? `${bassMm.toFixed(2)} mm` : `${bassMm.toFixed(2)} mm bass, ${trebleMm.toFixed(2)} mm treble`;

function Board({ slots }: { slots: readonly FretSlot[] }) {
  const { tokens } = useTheme();
  const ends = slots.flatMap((s) => [s.bass, s.treble]);
  const [left, right] = [Math.min(...ends.map((p) => p.xMm)) - 10, Math.max(...ends.map((p) => p.xMm)) + 10];
  const half = Math.max(...ends.map((p) => Math.abs(p.yMm))) + 10;
  return (
    <svg
      viewBox={`${left} ${-half} ${right - left} ${2 * half}`}
      role="img"
      aria-label={`A fingerboard with ${slots.length - 1} slots, the nut at the left`}
      style={{ display: 'block', width: '100%', maxWidth: 900, height: 'auto' }}
    >
      {slots.map(({ fret, bass, treble }) => (
        <g key={fret}>
          <path
            d={`M${bass.xMm} ${bass.yMm}L${treble.xMm} ${treble.yMm}`}
            stroke={fret === 0 ? tokens.ink : tokens.neck}
            strokeWidth={fret === 0 ? 2 : 1}
          />
          <text x={treble.xMm} y={treble.yMm + 8} fontSize={7} textAnchor="middle" fill={tokens.quiet}>
            {fret === 0 ? 'nut' : fret}
          </text>
        </g>
      ))}
    </svg>
  );
}

const angleSaid = (deg: number) => `${Math.abs(deg) < 0.005 ? '0.00' : deg.toFixed(2).replace('-', '−')}°`;

const COLUMNS = ['Fret', 'Bass, mm', 'Treble, mm', 'Slot, mm', 'Angle'];

function SlotTable({ slots }: { slots: readonly FretSlot[] }) {
  return (
    <Box
      component="table"
      sx={{
        borderCollapse: 'collapse',
        mt: 1.5,
        fontVariantNumeric: 'tabular-nums',
        '& th, & td': { px: 1.25, py: 0.4, textAlign: 'right', borderBottom: 1, borderColor: 'divider' },
      }}
    >
      <thead>
        <tr>
          {COLUMNS.map((c) => (
            <th key={c} scope="col">
              {c}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {slots.map(({ fret, bassMm, trebleMm, lengthMm, angleDeg }) => (
          <tr key={fret}>
            <th scope="row">{fret === 0 ? 'nut' : fret}</th>
            <td>{bassMm.toFixed(2)}</td>
            <td>{trebleMm.toFixed(2)}</td>
            <td>{lengthMm.toFixed(2)}</td>
            <td>{angleSaid(angleDeg)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

function measuredIn(text: string, scaleMm: number): number[] {
  const { values, problems } = parseNumbers(text, 2);
  const [problem] = problems;
  if (problem !== undefined) throw new RangeError(problem);
  if (values.length === 0) throw new RangeError('Type what you measured from the nut, fret after fret');
  if (values.some((v) => v.value >= scaleMm)) throw new RangeError('A fret lies beyond the saddle');
  return values.map((v) => v.value);
}

const SLOT_TOLERANCE_MM = 0.1;

/** Sums of the fingerboard. */
export const FRET_SUMS: readonly SumDefinition[] = [
  {
    id: 'frets',
    title: 'Fret slots',
    fields: [
      { name: 'bass', label: 'Bass scale, mm', value: '648' },
      { name: 'treble', label: 'Treble scale, mm', value: '648' },
      { name: 'frets', label: 'Frets', value: '22', width: 110 },
      { name: 'square', label: 'Square fret', value: '0', width: 120 },
      { name: 'nut', label: 'Strings at the nut, mm', value: '35.5', width: 190 },
      { name: 'saddle', label: 'At the saddle, mm', value: '52' },
      { name: 'over', label: 'String to edge, mm', value: '3.5' },
      { name: 'blind', label: 'Blind at each end, mm', value: '0', width: 190 },
    ],
    formula:
      'Nut to fret n: L · (1 − 2^(−n/12)), for each outer string its own L. With two scales the slots fan around the fret that stays square.',
    source:
      'Equal temperament, twelve steps to the octave. Places are told along the strings, ends at the board’s edge less what is blind.',
    work: (input, n) => {
      const slots = slotsOf(input, n);
      return [12, slots.length - 1].flatMap((fret, i, all) => {
        const slot = slots[fret];
        return slot && all.indexOf(fret) === i ? [{ label: `Fret ${fret}`, value: placeOf(slot) }] : [];
      });
    },
    picture: (input, n) => {
      const slots = slotsOf(input, n);
      return (
        <>
          <Board slots={slots} />
          <SlotTable slots={slots} />
        </>
      );
    },
    files: {
      'fret-slots.csv': (input, n) => ({ text: slotsCsv(slotsOf(input, n)), type: 'text/csv' }),
      'fret-slots.dxf': (input, n) => ({ text: slotsDxf(slotsOf(input, n)), type: 'image/vnd.dxf' }),
      'fret-slots.svg': (input, n) => ({ text: slotsSvg(slotsOf(input, n)), type: 'image/svg+xml' }),
    },
  },
  {
    id: 'slot-check',
    title: 'Check of fret slots',
    fields: [
      { name: 'scale', label: 'Scale length, mm', value: '648' },
      { name: 'measured', label: 'Nut to fret 1, 2, 3 … as measured, mm', value: '36.37 70.70 103.10', width: 420 },
    ],
    formula: `Off = measured − L · (1 − 2^(−n/12)); cents = 1200 · log2 of the string that is left over the one there should be. Told from ${SLOT_TOLERANCE_MM} mm on.`,
    source: 'Equal temperament; what the string’s own stiffness and stretch add is the saddle’s',
    work: (input, n) => {
      const scale = n('scale');
      const checks = checkSlots(scale, measuredIn(input['measured'] ?? '', scale), SLOT_TOLERANCE_MM);
      const bad = checks.filter((c) => !c.isGood);
      return [
        ...bad.map(({ fret, offMm, cents }) => ({
          label: `Fret ${fret}`,
          value: `${Math.abs(offMm).toFixed(2)} mm too ${offMm > 0 ? 'far' : 'near'}, ${Math.abs(cents).toFixed(1)} cents ${cents > 0 ? 'sharp' : 'flat'}`,
        })),
        { label: `Within ${SLOT_TOLERANCE_MM} mm`, value: `${checks.length - bad.length} of ${checks.length} slots` },
      ];
    },
  },
];
