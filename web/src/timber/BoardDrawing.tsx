import { formatLength, lengthIn, objectionsTo, type CuttingSettings, type PlacedBlank } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { boardScale, boardUnder } from './boardScale.ts';
import { snapped } from './snap.ts';

/** What can be done with the blanks of a board. */
export interface BoardActs {
  onChange: (placed: PlacedBlank[]) => void;
  /** a blank is held over a point of another board, or over none */
  onCarry: (index: number, over: { boardId: string; drawing: DOMRect; clientX: number; clientY: number; grab: Grab } | null) => void;
  onLetGo: () => void;
  /** sends a blank to the board drawn so many places further on */
  onSend: (index: number, by: 1 | -1) => void;
}

/** Where in a blank the hand is. */
export interface Grab {
  xMm: number;
  yMm: number;
}

interface Props {
  board: View<'BoardView'>;
  placed: readonly PlacedBlank[];
  settings: CuttingSettings;
  /** a blank of another board that is held over this one, and whether the board is thick enough */
  held?: { at: PlacedBlank; fits: boolean } | undefined;
  acts?: BoardActs | undefined;
}

const STEP_MM = 10;
/** A blank dropped this close to a line that fits is laid on it. */
export const SNAP_SHARE = 0.012;

/** One board to scale: its outline, faults and blanks, which can be dragged or moved with the keys. */
export function BoardDrawing({ board, placed, settings, held, acts }: Props) {
  const { tokens } = useTheme();
  const { units } = useSession();
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<{ index: number; grab: Grab; at: PlacedBlank; away: boolean } | null>(null);
  const { width, height, scale, x, y, mmAt } = boardScale(board);
  const shown = [...placed.map((p, i) => (i === dragged?.index ? dragged.at : p)), ...(held ? [held.at] : [])];
  const objections = objectionsTo(board, shown, settings);
  const bad = new Set([...objections.map((o) => o.index), ...(held && !held.fits ? [placed.length] : [])]);

  const mmOf = (event: PointerEvent) => mmAt(svg.current?.getBoundingClientRect() ?? { left: 0, top: 0, width: 0 }, event);
  const start = (event: PointerEvent<SVGGElement>, index: number) => {
    const blank = placed[index];
    if (!acts || !blank) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = mmOf(event);
    setDragged({ index, grab: { xMm: at.xMm - blank.xMm, yMm: at.yMm - blank.yMm }, at: blank, away: false });
  };
  const move = (event: PointerEvent) => {
    const blank = dragged ? placed[dragged.index] : undefined;
    if (!acts || !dragged || !blank) return;
    const under = boardUnder(event);
    const { index, grab } = dragged;
    if (under && under.boardId !== board.id) {
      setDragged({ ...dragged, at: blank, away: true });
      acts.onCarry(index, { ...under, clientX: event.clientX, clientY: event.clientY, grab });
      return;
    }
    if (dragged.away) acts.onCarry(index, null);
    const at = mmOf(event);
    const others = placed.filter((_, i) => i !== index);
    const wanted = { ...blank, xMm: at.xMm - grab.xMm, yMm: at.yMm - grab.yMm };
    setDragged({ ...dragged, at: snapped(wanted, board, others, settings, board.lengthMm * SNAP_SHARE), away: false });
  };
  const drop = () => {
    if (dragged && acts) {
      if (dragged.away) acts.onLetGo();
      else acts.onChange(placed.map((p, i) => (i === dragged.index ? dragged.at : p)));
    }
    setDragged(null);
  };
  const cancel = () => {
    if (dragged?.away) acts?.onCarry(dragged.index, null);
    setDragged(null);
  };
  const onKey = (event: KeyboardEvent, index: number) => {
    const blank = placed[index];
    if (!acts || !blank) return;
    const step = event.shiftKey ? 1 : STEP_MM;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
    if (event.key === 'Delete') acts.onChange(placed.filter((_, i) => i !== index));
    else if (event.key === 'PageDown') acts.onSend(index, 1);
    else if (event.key === 'PageUp') acts.onSend(index, -1);
    else if (by) acts.onChange(placed.map((p, i) => (i === index ? { ...p, xMm: p.xMm + (by[0] ?? 0), yMm: p.yMm + (by[1] ?? 0) } : p)));
    else return;
    event.preventDefault();
  };

  return (
    <Box sx={{ mb: 1.5 }}>
      <Typography variant="body2" noWrap>
        <Id>{board.id}</Id> {lengthIn(board.lengthMm, units)} × {lengthIn(board.widthMm, units)}
        {board.widthEndMm !== board.widthMm && `/${lengthIn(board.widthEndMm, units)}`} × {formatLength(board.thicknessMm, units)}
        {board.grade !== null && ` · grade ${board.grade}`} · {placed.length === 0 ? 'nothing laid on it' : `${placed.length} laid`}
        {/* Beside the name and not below the drawing: nothing may shift under a blank that is being carried. */}
        {objections[0] && (
          <Box component="span" role="alert" sx={{ color: 'error.main' }}>
            {' '}
            · {objections[0].because}
          </Box>
        )}
      </Typography>
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${height}`}
        width="100%"
        role="group"
        aria-label={`Board ${board.id}`}
        data-board={board.id}
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
            id={blankElementId(board.id, i)}
            tabIndex={acts ? 0 : undefined}
            role={acts ? 'button' : 'img'}
            aria-label={`${p.blankId} at ${Math.round(p.xMm)}, ${Math.round(p.yMm)} mm${bad.has(i) ? ', not as it lies' : ''}`}
            onPointerDown={(event) => start(event, i)}
            onPointerMove={move}
            onPointerUp={drop}
            onPointerCancel={cancel}
            onKeyDown={(event) => onKey(event, i)}
            style={{ cursor: acts ? 'grab' : 'default' }}
            opacity={i === dragged?.index && dragged.away ? 0.35 : 1}
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
              {p.blankId}
              {p.pieces > 1 ? ` × ${p.pieces}` : ''}
            </text>
          </g>
        ))}
      </svg>
    </Box>
  );
}

/** The element that draws a blank, to find it by. */
export const blankElementId = (boardId: string, index: number) => `blank-${boardId}-${index}`;
