import { entryKind, type Finding } from '../../ledger/index.ts';
import { keepOverride, type Override } from '../../routing/index.ts';
import { changeLot } from './lotRows.ts';

export const LotReleased = entryKind('lot.released')<{ override: Override | null; findings: readonly Finding[] }>({
  apply(rows, entry) {
    const lot = changeLot(rows, entry.lotId, { state: 'released', releasedMs: entry.atMs });
    keepOverride(rows, entry, lot.id, null, entry.payload.override);
  },
  sentence: ({ payload: { override } }) => (override ? `Released against its gate: ${override.reason}` : 'Released to the mill'),
});
