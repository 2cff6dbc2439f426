import { objectionsTo, type CuttingSettings, type PlacedBlank } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { View } from '../app/api.ts';
import { Id } from '../parts/Answer.tsx';
import { snapped } from './snap.ts';

interface Props {
  board: View<'BoardView'>;
  placed: readonly PlacedBlank[];
  settings: CuttingSettings;
  /** what a blank is called on the drawing */
  nameOf: (blankId: string) => string;
  onChange?: (placed: PlacedBlank[]) => void;
}

const VIEW_WIDTH = 1000;
const PAD = 6;
const STEP_MM = 10;
/** A blank dropped this close to a line that fits is laid on it. */
const SNAP_SHARE = 0.012;

/** One board to scale: its outline, faults and blanks, which can be dragged or moved with the arrow keys. */
export function BoardDrawing({ board, placed, settings, nameOf, onChange }: Props) {
  const { tokens } = useTheme();
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<{ index: number; fromX: number; fromY: number; at: PlacedBlank } | null>(null);
  const across = Math.max(board.widthMm, board.widthEndMm);
  const scale = (VIEW_WIDTH - 2 * PAD) / board.lengthMm;
  const height = across * scale + 2 * PAD;
  const x = (mm: number) => PAD + mm * scale;
  const y = (mm: number) => height - PAD - mm * scale;
  const shown = placed.map((p, i) => (i === dragged?.index ? dragged.at : p));
  const objections = objectionsTo(board, shown, settings);
  const bad = new Set(objections.map((o) => o.index));

  const mmOf = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    const perPixel = box && box.width > 0 ? VIEW_WIDTH / box.width / scale : 1;
    return { x: event.clientX * perPixel, y: -event.clientY * perPixel };
  };
  const start = (event: PointerEvent<SVGGElement>, index: number) => {
    const blank = placed[index];
    if (!onChange || !blank) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = mmOf(event);
    setDragged({ index, fromX: at.x, fromY: at.y, at: blank });
  };
  const move = (event: PointerEvent) => {
    const blank = dragged ? placed[dragged.index] : undefined;
    if (!dragged || !blank) return;
    const at = mmOf(event);
    const others = placed.filter((_, i) => i !== dragged.index);
    const wanted = { ...blank, xMm: blank.xMm + at.x - dragged.fromX, yMm: blank.yMm + at.y - dragged.fromY };
    setDragged({ ...dragged, at: snapped(wanted, board, others, settings, board.lengthMm * SNAP_SHARE) });
  };
  const drop = () => {
    if (dragged && onChange) onChange(shown);
    setDragged(null);
  };
  const onKey = (event: KeyboardEvent, index: number) => {
    const blank = placed[index];
    if (!onChange || !blank) return;
    const step = event.shiftKey ? 1 : STEP_MM;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
    if (event.key === 'Delete') onChange(placed.filter((_, i) => i !== index));
    else if (by) onChange(placed.map((p, i) => (i === index ? { ...p, xMm: p.xMm + (by[0] ?? 0), yMm: p.yMm + (by[1] ?? 0) } : p)));
    else return;
    event.preventDefault();
  };

  return (
    <Box sx={{ mb: 1.5 }}>
      <Typography variant="body2">
        <Id>{board.id}</Id> {board.lengthMm} × {board.widthMm}
        {board.widthEndMm !== board.widthMm && `/${board.widthEndMm}`} × {board.thicknessMm} mm
        {board.grade !== null && ` · grade ${board.grade}`} · {placed.length === 0 ? 'nothing laid on it' : `${placed.length} laid`}
      </Typography>
      <svg
        ref={svg}
        viewBox={`0 0 ${VIEW_WIDTH} ${height}`}
        width="100%"
        role="group"
        aria-label={`Board ${board.id}`}
        style={{ display: 'block', touchAction: 'none' }}
      >
        <defs>
          <pattern id={`fault-${board.id}`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="6" stroke={tokens.quiet} strokeWidth="2.5" />
          </pattern>
        </defs>
        <path
          d={`M${x(0)} ${y(0)}L${x(board.lengthMm)} ${y(0)}L${x(board.lengthMm)} ${y(board.widthEndMm)}L${x(0)} ${y(board.widthMm)}Z`}
          fill={tokens.raised}
          stroke={tokens.ink}
          strokeWidth={1.2}
        />
        {board.faults.map((f, i) => (
          <rect
            key={i}
            x={x(f.xMm)}
            y={y(f.yMm + f.widthMm)}
            width={f.lengthMm * scale}
            height={f.widthMm * scale}
            fill={`url(#fault-${board.id})`}
            stroke={tokens.quiet}
          >
            <title>{`fault ${f.lengthMm} × ${f.widthMm} mm`}</title>
          </rect>
        ))}
        {shown.map((p, i) => (
          <g
            key={i}
            tabIndex={onChange ? 0 : undefined}
            role={onChange ? 'button' : 'img'}
            aria-label={`${nameOf(p.blankId)} at ${Math.round(p.xMm)}, ${Math.round(p.yMm)} mm${bad.has(i) ? ', not as it lies' : ''}`}
            onPointerDown={(event) => start(event, i)}
            onPointerMove={move}
            onPointerUp={drop}
            onPointerCancel={() => setDragged(null)}
            onKeyDown={(event) => onKey(event, i)}
            style={{ cursor: onChange ? 'grab' : 'default' }}
          >
            <rect
              x={x(p.xMm)}
              y={y(p.yMm + p.widthMm)}
              width={p.lengthMm * scale}
              height={p.widthMm * scale}
              fill={bad.has(i) ? tokens.stop : tokens.body}
              fillOpacity={0.16}
              stroke={bad.has(i) ? tokens.stop : tokens.body}
              strokeWidth={1.6}
              strokeDasharray={bad.has(i) ? '6 4' : undefined}
            />
            <text x={x(p.xMm) + 6} y={y(p.yMm + p.widthMm) + 22} fontSize={19} fill={tokens.ink} pointerEvents="none">
              {nameOf(p.blankId)}
              {p.pieces > 1 ? ` × ${p.pieces}` : ''}
            </text>
          </g>
        ))}
      </svg>
      {[...new Set(objections.map((o) => o.because))].map((because) => (
        <Typography key={because} variant="body2" color="error" role="alert">
          {because}
        </Typography>
      ))}
    </Box>
  );
}
