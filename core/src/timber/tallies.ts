import { rowKind, type Rows } from '../ledger/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { Lot, LotUse } from './lot.ts';
import type { Blank, StockBoard } from './stock.ts';

// What the past comes to, kept as it happens, so that nobody has to read it again. Sums are whole numbers.

/** Wood of a kind that went to the mill on one day. */
export interface WoodUse {
  id: string;
  /** whole days since 1970, UTC */
  day: number;
  species: string;
  use: LotUse;
  volumeCm3: number;
}
export const WoodUse = rowKind<WoodUse>('wood use', { key: 'id', sums: ['volumeCm3'] });

/** How a supplier's lots came, against what their papers said of them. */
export interface SupplierRecord {
  supplier: string;
  /** that had papers and were read */
  lots: number;
  /** their first means above the papers, summed, in thousandths of a percent of moisture */
  wetterMilliPct: number;
}
export const SupplierRecord = rowKind<SupplierRecord>('supplier record', { key: 'supplier', sums: ['lots', 'wetterMilliPct'] });

/** How much of the boards cut became blanks. */
export interface CutYield {
  /** {@link yieldOf} */
  id: string;
  boards: number;
  boardsMm3: number;
  blanksMm3: number;
}
export const CutYield = rowKind<CutYield>('cut yield', { key: 'id', sums: ['boards', 'boardsMm3', 'blanksMm3'] });

/** What a yield is of: a lot, a supplier, or all there has been. */
export const yieldOf = {
  lot: (lotId: string) => `lot ${lotId}`,
  supplier: (name: string) => `supplier ${name}`,
  all: 'all',
};

export const dayOf = (atMs: number): number => Math.floor(atMs / DAY_MS);

export function tallyWoodUse(rows: Rows, { species, use }: Lot, volumeM3: number, atMs: number): void {
  const day = dayOf(atMs);
  rows.add(WoodUse, { id: `${day} ${species} ${use}`, day, species, use, volumeCm3: Math.round(volumeM3 * 1e6) });
}

/** Brings a supplier's record up to date with what became known of one of their lots. */
export function tallySupplier(rows: Rows, supplier: string, before: ReadOnArrival, after: ReadOnArrival): void {
  const [was, is] = [wetterMilliPct(before), wetterMilliPct(after)];
  if (was === is) return;
  const lots = Number(is !== null) - Number(was !== null);
  rows.add(SupplierRecord, { supplier, lots, wetterMilliPct: (is ?? 0) - (was ?? 0) });
}

type ReadOnArrival = Pick<Lot, 'firstPct' | 'papersPct'>;

const wetterMilliPct = ({ firstPct, papersPct }: ReadOnArrival): number | null =>
  firstPct === null || papersPct === null ? null : Math.round((firstPct - papersPct) * 1000);

export function tallyCut(
  rows: Rows,
  { id, supplier }: Lot,
  boards: readonly StockBoard[],
  blanks: readonly Pick<Blank, 'lengthMm' | 'widthMm' | 'thicknessMm'>[],
): void {
  const sum = (volumes: readonly number[]) => volumes.reduce((total, mm3) => total + Math.round(mm3), 0);
  const cut = {
    boards: boards.length,
    boardsMm3: sum(boards.map((b) => ((b.lengthMm * (b.widthMm + b.widthEndMm)) / 2) * b.thicknessMm)),
    blanksMm3: sum(blanks.map((b) => b.lengthMm * b.widthMm * b.thicknessMm)),
  };
  for (const what of [yieldOf.lot(id), yieldOf.supplier(supplier), yieldOf.all]) rows.add(CutYield, { id: what, ...cut });
}
