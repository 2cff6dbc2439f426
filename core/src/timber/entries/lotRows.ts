import type { Rows } from '../../ledger/index.ts';
import { Lot } from '../lot.ts';
import { tallySupplier, tallyWoodUse } from '../tallies.ts';

export const changeLot = (rows: Rows, lotId: string | null, fields: Omit<Partial<Lot>, 'version'>): Lot => {
  const lot = rows.get(Lot, lotId);
  const { firstPct, papersPct, supplier } = lot;
  const changed = rows.amend(Lot, lot, { version: lot.version + 1, ...fields });
  tallySupplier(rows, supplier, { firstPct, papersPct }, changed);
  return changed;
};

/** Takes lumber out of a lot; what is left of nothing is used up. */
export function takeWood(rows: Rows, lotId: string, volumeM3: number, atMs: number): void {
  const lot = rows.get(Lot, lotId);
  tallyWoodUse(rows, lot, volumeM3, atMs);
  const leftM3 = Math.max(0, Math.round((lot.leftM3 - volumeM3) * 1e6) / 1e6);
  changeLot(rows, lotId, { leftM3, ...(leftM3 === 0 ? { state: 'used up' } : {}) });
}
