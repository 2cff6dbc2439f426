export { counted, pieces, plural } from '@ample-crane/core';

/** "Rack 3", "Neck table 1 (6), Neck table 2 (2)"; nothing when it sits on none */
export const carriersOf = ({ placements }: { placements: readonly { carrierName: string; pieces: number }[] }) =>
  placements.map((p) => (placements.length === 1 ? p.carrierName : `${p.carrierName} (${p.pieces})`)).join(', ');

const STATUS_WORDS: Record<string, string> = {
  queued: 'waits its turn',
  running: 'being worked on',
  paused: 'paused',
  finished: 'done here, at its gate',
  dwelling: 'dwelling',
  away: 'away',
  stocked: 'in stock until called',
  held: 'held',
  done: 'done',
};

export const statusWords = (status: string) => STATUS_WORDS[status] ?? status;

type Build = { dryUm: number; thickestUm: number };
const whole = (um: number) => um.toFixed(0);

/** Dry film in whole µm: "75", or "50 to 75" where it is not the same on every piece. */
export const microns = ({ dryUm, thickestUm }: Build) =>
  whole(dryUm) === whole(thickestUm) ? whole(dryUm) : `${whole(dryUm)} to ${whole(thickestUm)}`;

/** The thinnest and the thickest film, once where they are the same. */
export const buildTicks = ({ dryUm, thickestUm }: Build) => (dryUm === thickestUm ? [dryUm] : [dryUm, thickestUm]);
