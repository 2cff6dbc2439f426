/**
 * Distance from the nut to a fret.
 *
 * @param scaleLengthMm open string length
 * @param fret 0 (the nut) …
 * @source equal temperament: L·(1 − 2^(−n/12))
 */
export const fretPositionMm = (scaleLengthMm: number, fret: number) => scaleLengthMm * (1 - 2 ** (-fret / 12));

/** A fingerboard as far as its slots go. The neck's axis runs from the nut; bass is to the left of who plays towards the saddle. */
export interface FretBoard {
  /** scale of the outer bass string; the same as the treble one where the frets are parallel */
  bassScaleMm: number;
  trebleScaleMm: number;
  frets: number;
  /** the fret that stands square to the axis, 0 for the nut; of no weight where both scales are the same */
  squareFret: number;
  /** between the outer strings, at the nut and at the saddle */
  nutSpreadMm: number;
  saddleSpreadMm: number;
  /** from each outer string to the board's edge, at the nut and at the last fret */
  nutOverhangMm: number;
  endOverhangMm: number;
  /** wood left at each end of a blind slot; 0 for slots that go through */
  blindMm: number;
}

export interface SlotEnd {
  /** along the axis from where the nut crosses it */
  xMm: number;
  /** across, bass below 0 */
  yMm: number;
}

/** One slot; 0 is the nut's own line. */
export interface FretSlot {
  fret: number;
  bass: SlotEnd;
  treble: SlotEnd;
  /** from the nut along the bass and the treble string */
  bassMm: number;
  trebleMm: number;
  lengthMm: number;
  /** from square to the axis; positive where the bass end lies nearer the saddle */
  angleDeg: number;
}

const MOST_FRETS = 36;

/** What is wrong with a board, in words; none when its slots can be told. */
export function checkFretBoard(board: FretBoard): string[] {
  const problems: string[] = [];
  const positive: readonly (readonly [number, string])[] = [
    [board.bassScaleMm, 'The bass scale'],
    [board.trebleScaleMm, 'The treble scale'],
    [board.nutSpreadMm, 'The spread at the nut'],
    [board.saddleSpreadMm, 'The spread at the saddle'],
  ];
  for (const [value, name] of positive) if (!(value > 0)) problems.push(`${name} must be above zero`);
  if (!Number.isInteger(board.frets) || board.frets < 1 || board.frets > MOST_FRETS) problems.push(`A board has 1 to ${MOST_FRETS} frets`);
  if (board.trebleScaleMm > board.bassScaleMm) problems.push('The bass scale is the longer one, or they are the same');
  if (!(board.squareFret >= 0 && board.squareFret <= board.frets)) problems.push('The square fret is the nut or one of its frets');
  if (!(board.nutOverhangMm >= 0 && board.endOverhangMm >= 0)) problems.push('The strings lie on the board');
  if (!(board.blindMm >= 0 && board.blindMm * 2 < board.nutSpreadMm)) problems.push('More wood is left at the ends than there is slot');
  return problems;
}

/**
 * The slots of a fingerboard, straight or fanned: each goes through its place on the two outer strings, to the board's edges
 * less what is left where it is blind. Places are told along the axis; that a string runs a little slanted changes the scale
 * by less than 0.05 %.
 *
 * @returns the nut's line first, then each fret's
 * @throws RangeError for a board that cannot be
 */
export function fretSlots(board: FretBoard): FretSlot[] {
  const [problem] = checkFretBoard(board);
  if (problem !== undefined) throw new RangeError(problem);
  const { bassScaleMm, trebleScaleMm, squareFret, frets, blindMm } = board;
  // The two scales are laid so that they share the square fret; the axis begins halfway between their nuts.
  const apart = fretPositionMm(bassScaleMm, squareFret) - fretPositionMm(trebleScaleMm, squareFret);
  const from = { bass: -apart / 2, treble: apart / 2 };
  const end = { bass: from.bass + bassScaleMm, treble: from.treble + trebleScaleMm };
  const across = (side: 'bass' | 'treble', xMm: number) => {
    const half = board.nutSpreadMm / 2 + ((board.saddleSpreadMm - board.nutSpreadMm) / 2) * ((xMm - from[side]) / (end[side] - from[side]));
    return side === 'bass' ? -half : half;
  };
  const edgeEndMm = (from.bass + from.treble) / 2 + (fretPositionMm(bassScaleMm, frets) + fretPositionMm(trebleScaleMm, frets)) / 2;
  const overhang = (xMm: number) => board.nutOverhangMm + (board.endOverhangMm - board.nutOverhangMm) * (xMm / edgeEndMm);
  return Array.from({ length: frets + 1 }, (_, fret): FretSlot => {
    const bassMm = fretPositionMm(bassScaleMm, fret);
    const trebleMm = fretPositionMm(trebleScaleMm, fret);
    const on = {
      bass: { xMm: from.bass + bassMm, yMm: across('bass', from.bass + bassMm) },
      treble: { xMm: from.treble + trebleMm, yMm: across('treble', from.treble + trebleMm) },
    };
    const [dx, dy] = [on.treble.xMm - on.bass.xMm, on.treble.yMm - on.bass.yMm];
    const long = Math.hypot(dx, dy);
    const along = (point: SlotEnd, mm: number): SlotEnd => ({ xMm: point.xMm + (dx / long) * mm, yMm: point.yMm + (dy / long) * mm });
    // Across the board an overhang is measured square to the axis; along the slot it is a little more.
    const beyond = (xMm: number) => (overhang(xMm) * long) / dy - blindMm;
    const bass = along(on.bass, -beyond(on.bass.xMm));
    const treble = along(on.treble, beyond(on.treble.xMm));
    return {
      fret,
      bass,
      treble,
      bassMm,
      trebleMm,
      lengthMm: Math.hypot(treble.xMm - bass.xMm, treble.yMm - bass.yMm),
      angleDeg: (Math.atan2(on.bass.xMm - on.treble.xMm, dy) * 180) / Math.PI,
    };
  });
}

/** How a measured place of a fret compares with where it should be. */
export interface SlotCheck {
  fret: number;
  shouldMm: number;
  measuredMm: number;
  offMm: number;
  /** what it does to the pitch of the stopped string; positive is sharp */
  cents: number;
  isGood: boolean;
}

/**
 * Measured distances from the nut, fret after fret, against where they should be.
 *
 * @param toleranceMm how far off one may be
 */
export const checkSlots = (scaleMm: number, measuredMm: readonly number[], toleranceMm: number): SlotCheck[] =>
  measuredMm.map((measured, i) => {
    const fret = i + 1;
    const shouldMm = fretPositionMm(scaleMm, fret);
    const offMm = measured - shouldMm;
    return {
      fret,
      shouldMm,
      measuredMm: measured,
      offMm,
      cents: 1200 * Math.log2((scaleMm - shouldMm) / (scaleMm - measured)),
      isGood: Math.abs(offMm) <= toleranceMm,
    };
  });
