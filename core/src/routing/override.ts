import { rowKind, type Entry, type Finding, type Rows } from '../ledger/index.ts';

/** Passing a gate against its findings: why, and what they were. */
export interface Override {
  reason: string;
  findings: readonly Finding[];
}

/** An override as it stays on the record. */
export interface OverrideRecord {
  id: string;
  batchId: string | null;
  lotId: string | null;
  operationId: string | null;
  atMs: number;
  personId: string | null;
  reason: string;
  findings: Override['findings'];
}
export const OverrideRecord = rowKind<OverrideRecord>('override', { key: 'id' });

/** Keeps an override under the id of what it let through. */
export function keepOverride(rows: Rows, entry: Entry, id: string, operationId: string | null, override: Override | null): void {
  if (!override) return;
  rows.put(OverrideRecord, {
    id,
    batchId: entry.batchId,
    lotId: entry.lotId,
    operationId,
    atMs: entry.atMs,
    personId: entry.personId,
    reason: override.reason,
    findings: override.findings,
  });
}
