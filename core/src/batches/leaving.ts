import { worst, type Asked, type Finding } from '../ledger/index.ts';
import type { AtStep, SeenAtStep } from './commands/onBatch.ts';
import { gateAsks, gateEvidence, gateFindings } from './gate.ts';
import type { Batch } from './batch.ts';
import { moveAsks, moveTo } from './moving.ts';

/** What must be known to say whether a batch may leave its step. */
export const leaveAsks = (at: SeenAtStep): Asked[] => [
  ...gateAsks(at.batch, at.operation, at.factory, at.nowMs),
  ...moveAsks(undefined, at),
];

/** What is before a batch that is done with its step: the gate, and once that is open, whether there is room where it goes. */
export function leaveFindings(at: AtStep): Finding[] {
  const { batch, operation, factory, nowMs, answers } = at;
  const findings = gateFindings(batch, operation, gateEvidence(batch, factory, nowMs, answers));
  if (worst(findings) !== 'pass') return findings;
  const moved = moveTo(at, { again: false, override: null, quantity: batch.quantity });
  return moved.kind === 'refuse' ? [...findings, ...moved.because.filter((f) => f.rule === 'places')] : findings;
}

/** What stops a batch that somebody holds, whatever its gate says; nothing where nobody does. */
export const heldFindings = ({ status, holdReason }: Pick<Batch, 'status' | 'holdReason'>): Finding[] =>
  status === 'held'
    ? [{ rule: 'hold', verdict: 'stop', sentence: `Held: ${holdReason ?? 'no reason given'}`, remedy: 'Release it when that is settled' }]
    : [];
