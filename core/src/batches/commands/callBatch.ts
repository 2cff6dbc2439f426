import { refuse, rowsOf, worst, wrongInput } from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import { onward } from '../../routing/index.ts';
import { batchIdOf } from '../batch.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { gateAsks, gateEvidence, gateFindings } from '../gate.ts';
import { moveAsks, moveTo } from '../moving.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { onBatch } from './onBatch.ts';

/** Calls pieces out of a buffer, for an order when it names one. */
export const CallBatch = onBatch('call batch')<{ quantity: number; orderId: string | null }>({
  role: 'lead',
  reads:
    ({ orderId }) =>
    () => [rowsOf(Order, orderId === null ? [] : [orderId])],
  asks: (_, at) => [BATCH_NUMBER, ...gateAsks(at.batch, at.operation, at.factory, at.nowMs), ...moveAsks(undefined, at)],
  decide({ quantity, orderId }, at) {
    const { batch, operation, route, live, rows, factory, nowMs, answers } = at;
    const order = orderId === null ? null : rows.find(Order, orderId);
    if (order === undefined) return wrongInput('orderId', `There is no order ${orderId ?? ''}`);
    if (batch.status !== 'stocked') return refuse(`Batch ${batch.id} is not in a buffer`);
    if (!Number.isInteger(quantity) || quantity < 1 || quantity > live.length)
      return wrongInput('quantity', `The buffer holds ${live.length} pieces in batch ${batch.id}`);
    if (onward(route, operation, batch.component) === undefined) return refuse(`${operation.name} is where they stay until they are drawn`);
    const findings = gateFindings(batch, operation, gateEvidence(batch, factory, nowMs, answers));
    if (worst(findings) !== 'pass') return { kind: 'refuse', because: findings.filter((f) => f.verdict !== 'pass') };
    const called: BatchEntry = { kind: 'batch.called', payload: { orderId, dueMs: order?.dueMs ?? null } };
    const moved = moveTo(at, { again: false, override: null, quantity });
    if (moved.kind === 'refuse') return moved;
    if (quantity === live.length) return accept(called, ...moved.entries);
    const number = numberIn(answers);
    if (number === null) return NO_NUMBER;
    const batchId = batchIdOf(number);
    return accept(
      { kind: 'batch.split', payload: { number, pieceIds: live.slice(0, quantity).map((p) => p.id) } },
      { ...called, batchId },
      ...moved.entries.map((entry) => ({ ...entry, batchId })),
    );
  },
});
