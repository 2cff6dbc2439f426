import fc from 'fast-check';
import { Batch, type BatchCommand, DISPOSITIONS, type PieceDefect, Visit } from '../batches/index.ts';
import { Coat } from '../finishing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import type { TestShop } from './shop.ts';

/** Now and then somebody does something else than the next thing. */
const ASIDE = [
  'start',
  'pause',
  'finish',
  'finish some',
  'move',
  'place',
  'hold',
  'split',
  'merge',
  'accept',
  'sign off',
  'refuse',
  'scrap',
  'send',
  'receive',
  'call',
  'join',
  'part',
  'refit',
  'reroute',
  'undo',
  'fit',
  'ship',
  'coat',
  'wait',
] as const;
type Kind = 'on' | 'resume' | 'release' | (typeof ASIDE)[number];

/** What a person might do to some batch, sensible or not; `on` is the next sensible thing. */
export const anyAct = fc.record({
  kind: fc.oneof({ weight: 4, arbitrary: fc.constant('on' as const) }, { weight: 1, arbitrary: fc.constantFrom(...ASIDE) }),
  which: fc.nat(20),
  other: fc.nat(20),
  bad: fc.constantFrom('none', 'none', 'none', 'none', 'none', 'none', 'none', 'rework', 'rework', 'scrap', 'miscount'),
  disposition: fc.constantFrom(...DISPOSITIONS),
  choice: fc.boolean(),
  hours: fc.integer({ min: 1, max: 60 }),
});
export type Act = typeof anyAct extends fc.Arbitrary<infer T> ? T : never;

/** The command an act stands for, if it is about one batch. */
export function commandOf(shop: TestShop, batch: Batch, act: Omit<Act, 'kind'> & { kind: Kind }): BatchCommand | undefined {
  const live = shop.live(batch.id);
  const some = live.slice(0, Math.max(1, Math.floor(live.length / 2))).map((p) => p.id);
  const others = shop.rows.all(Batch).filter((b) => b.operationId === batch.operationId && b.id !== batch.id && b.status !== 'done');
  const other = others[act.other % Math.max(1, others.length)];
  const defect = (pieceId: string): PieceDefect => ({ pieceId, defect: 'crack', originOperationId: batch.operationId, note: '' });
  const kind = act.kind === 'on' ? nextKind(shop, batch) : act.kind;
  switch (kind) {
    case 'start':
      return { kind, personId: 'ann', ...(act.choice && shop.operation(batch.id).ways ? { wayId: 'pin' } : {}) };
    case 'resume':
    case 'part':
      return { kind, personId: 'ann' };
    case 'pause':
      return { kind, cause: 'material' };
    case 'finish':
    case 'receive': {
      const inPass = batch.redo ? live.filter((p) => p.state === 'rework') : live;
      const outcome = act.bad === 'rework' || act.bad === 'scrap' ? act.bad : null;
      const [first] = inPass;
      return {
        kind,
        good: inPass.length - (outcome ? 1 : 0) + (act.bad === 'miscount' ? 1 : 0),
        rework: outcome === 'rework' ? 1 : 0,
        scrap: outcome === 'scrap' ? 1 : 0,
        outcomes: outcome && first ? [{ ...defect(first.id), outcome }] : [],
      };
    }
    case 'finish some':
    case 'split':
      return { kind, pieceIds: some };
    case 'move':
      return { kind, accepted: act.bad !== 'rework', ...(act.choice ? { overrideReason: 'Looked sound to two of us' } : {}) };
    case 'place': {
      const carrier = shop.carriers[act.other % shop.carriers.length];
      return { kind, placements: carrier && act.choice ? [{ carrierId: carrier.id, pieces: live.length }] : [] };
    }
    case 'hold':
      return { kind, reason: 'In doubt' };
    case 'release':
    case 'accept':
      return { kind };
    case 'sign off':
      return { kind, personId: 'ann', skill: 'eye' };
    case 'merge':
      return { kind, fromBatchId: other?.id ?? 'B0' };
    case 'refuse': {
      const earlier = shop.rows.all(Visit).find((v) => v.batchId === batch.id && v.operationId !== batch.operationId && v.touchMs > 0);
      const pieces = some.map((id) => ({ ...defect(id), disposition: act.disposition, toOperationId: earlier?.operationId ?? null }));
      return { kind, pieces };
    }
    case 'scrap':
      return { kind, pieces: some.slice(0, 1).map(defect) };
    case 'send':
      return { kind, to: 'The plater', dueBackMs: shop.nowMs + DAY_MS };
    case 'call':
      return { kind, quantity: act.choice ? live.length : Math.ceil(live.length / 2), orderId: null, dueMs: null };
    case 'join':
      return { kind, personId: 'ann', guestBatchIds: others.filter((b) => b.component !== batch.component).map((b) => b.id) };
    case 'refit':
      return { kind, personId: 'ann', neckBatchId: other?.id ?? 'B0' };
    case 'reroute':
      return { kind, operationId: act.choice ? batch.operationId : (shop.operation(batch.id).next[0] ?? ''), reason: 'Drawn anew' };
    case 'undo': {
      const entries = shop.recorder.entries.filter((e) => e.batchId === batch.id);
      return { kind, entryId: entries.at(act.choice ? -1 : -2)?.id ?? 0, reason: 'Pressed too early' };
    }
    default:
      return undefined;
  }
}

/** What the batch waits for. */
function nextKind(shop: TestShop, batch: Batch): Kind {
  const operation = shop.operation(batch.id);
  switch (batch.status) {
    case 'running':
      return operation.coat && !batch.redo && !shop.rows.find(Coat, `${batch.visitId}/1`) ? 'coat' : 'finish';
    case 'paused':
      return 'resume';
    case 'away':
      return 'receive';
    case 'stocked':
      return 'call';
    case 'held':
      return 'release';
    case 'finished':
    case 'dwelling':
      return operation.gate.some((r) => r.kind === 'signOff') && batch.signOffs.length === 0 ? 'sign off' : 'move';
    case 'done':
      return 'wait';
    case 'queued':
      if (operation.kind === 'outside' || operation.kind === 'transfer') return 'send';
      if (operation.kind === 'dispatch') return 'ship';
      if (operation.kind === 'join' || operation.kind === 'part' || operation.kind === 'refit' || operation.kind === 'fit')
        return operation.kind;
      return operation.handOver && !batch.accepted && !batch.redo ? 'accept' : 'start';
  }
}

/** Does what an act says, if the shop allows it. */
export function carryOut(shop: TestShop, act: Act): void {
  const batches = shop.rows.all(Batch).filter((b) => b.status !== 'done' || act.hours > 55);
  const batch = batches[act.which % Math.max(1, batches.length)];
  if (!batch) return;
  const kind = act.kind === 'on' ? nextKind(shop, batch) : act.kind;
  switch (kind) {
    case 'coat':
      if (shop.operation(batch.id).coat && batch.status === 'running') shop.coat(batch.id);
      return;
    case 'fit': {
      const at = batches.filter((b) => shop.operation(b.id).kind === 'fit' && b.status === 'queued');
      const [body, neck] = ['body', 'neck'].map((c) => at.find((b) => b.component === c));
      if (body && neck) shop.fit(body.id, neck.id);
      return;
    }
    case 'ship': {
      const [piece] = shop.live(batch.id);
      if (batch.status === 'queued' && shop.operation(batch.id).kind === 'dispatch' && piece) shop.ship(piece.id);
      return;
    }
    case 'wait':
      shop.pass(act.hours * HOUR_MS);
      return;
    default: {
      if (shop.operation(batch.id).kind === 'dwell') shop.pass(6 * HOUR_MS * (act.bad === 'none' ? 1 : 0));
      const command = commandOf(shop, batch, { ...act, kind });
      if (command) shop.command(batch.id, command);
    }
  }
}
