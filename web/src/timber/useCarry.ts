import { piecesOf, type Board, type BoardPlan, type CuttingSettings, type PlacedBlank, type WantedBlank } from '@ample-crane/core';
import { useState } from 'react';
import { snapped } from './snap.ts';

/** A blank held over another board than its own. */
export interface Carried {
  fromId: string;
  index: number;
  toId: string;
  /** where it would lie there */
  at: PlacedBlank;
}

interface Desk {
  boards: readonly Board[];
  plans: readonly BoardPlan[];
  wanted: readonly WantedBlank[];
  settings: CuttingSettings;
}

/** The blank as it would lie on another board; null when that board is too thin for it. */
export function laidOn(
  { boards, plans, wanted, settings }: Desk,
  { at, toId }: Pick<Carried, 'at' | 'toId'>,
  withinMm = 0,
): PlacedBlank | null {
  const board = boards.find((b) => b.id === toId);
  const kind = wanted.find((w) => w.id === at.blankId);
  const pieces = board && kind ? piecesOf(board, kind, settings) : 0;
  if (!board || pieces === 0) return null;
  const others = plans.find((p) => p.boardId === toId)?.placed ?? [];
  return { ...snapped(at, board, others, settings, withinMm), pieces };
}

/** Plans after a blank has gone from one board to another. */
export function sent(plans: readonly BoardPlan[], { fromId, index, toId, at }: Carried): BoardPlan[] {
  const from = plans.find((p) => p.boardId === fromId)?.placed ?? [];
  const to = plans.find((p) => p.boardId === toId)?.placed ?? [];
  const others = plans.filter((p) => p.boardId !== fromId && p.boardId !== toId);
  return [...others, { boardId: fromId, placed: from.filter((_, i) => i !== index) }, { boardId: toId, placed: [...to, at] }];
}

/** Carries blanks from board to board: what is held where, and what becomes of it when it is let go. */
export function useCarry(desk: Desk, onSend: (plans: BoardPlan[]) => void) {
  const [held, setHeld] = useState<(Carried & { fits: boolean }) | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const send = (carried: Carried) => {
    onSend(sent(desk.plans, carried));
    setHeld(null);
    setRefused(null);
  };
  const tooThin = ({ toId, at }: Pick<Carried, 'toId' | 'at'>) => `Board ${toId} is too thin for ${at.blankId}`;
  /** Holds a blank over a board, or over none. */
  const over = (carried: Carried | null, withinMm = 0) => {
    const at = carried && laidOn(desk, carried, withinMm);
    setHeld(carried && { ...carried, at: at ?? carried.at, fits: at !== null });
    setRefused(carried && !at ? tooThin(carried) : null);
  };
  /** Lets go of what is held; on a board too thin for it, it stays where it was. */
  const drop = () => {
    if (held?.fits) send(held);
    else setHeld(null);
  };
  /** Sends a blank without dragging. @returns whether it went */
  const sendTo = (carried: Carried): boolean => {
    const at = laidOn(desk, carried);
    if (at) send({ ...carried, at });
    else setRefused(tooThin(carried));
    return at !== null;
  };
  return { held, refused, over, drop, sendTo };
}
