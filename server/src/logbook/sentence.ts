import type { LogbookEntry } from '@ample-crane/core';
import type { LogView } from '../platform/http/views.ts';
import { operationAt, nameOf, type Shop } from '../setup/shop.service.ts';
import type { LogbookEntity } from './logbook.entity.ts';

/** What an entry says, as a person would tell it. */
export function sentenceOf(row: LogbookEntity, shop: Shop, routeId: string | null): string {
  // What the table holds was checked when it was appended.
  const entry = row as unknown as LogbookEntry;
  const step = (operationId: string) => (routeId === null ? operationId : operationAt(shop, { routeId, operationId }).name);
  switch (entry.kind) {
    case 'lot.received':
      return `Received: ${entry.payload.lot.species}, ${entry.payload.lot.volumeM3.toFixed(3)} m³ from ${entry.payload.lot.supplier}`;
    case 'lot.read':
      return `${entry.payload.readings.length} readings: ${entry.payload.readings.map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`).join(' ')}`;
    case 'reading.struck':
      return `Reading ${entry.payload.seq} struck out: ${entry.payload.reason}`;
    case 'lot.released':
      return entry.payload.override ? `Released against its gate: ${entry.payload.override.reason}` : 'Released to the mill';
    case 'order.placed':
      return `Order for ${entry.payload.order.quantity} from ${entry.payload.order.customer}`;
    case 'batch.started':
      return `Started: ${entry.payload.quantity} pieces from lot ${entry.payload.lotId}`;
    case 'work.started':
      return `${step(entry.payload.operationId)} started by ${nameOf(shop, entry.payload.workerId)}`;
    case 'work.paused':
      return `Paused: ${entry.payload.cause}`;
    case 'work.resumed':
      return `Resumed by ${nameOf(shop, entry.payload.workerId)}`;
    case 'work.finished': {
      const { good, rework, scrap, outcomes } = entry.payload;
      const bad = outcomes.map((o) => `${o.pieceId} ${o.outcome}: ${o.defect}`).join(', ');
      return `${step(entry.payload.operationId)} finished: ${good} good, ${rework} rework, ${scrap} scrap${bad === '' ? '' : ` (${bad})`}`;
    }
    case 'batch.moved':
      return entry.payload.override
        ? `Moved to ${step(entry.payload.to)} against its gate: ${entry.payload.override.reason}`
        : `Moved to ${step(entry.payload.to)}`;
    case 'batch.held':
      return `Held: ${entry.payload.reason}`;
    case 'batch.released':
      return 'Hold released';
    case 'coat.logged':
      return `Coat of ${entry.payload.wetUm} µm wet, ${entry.payload.dryUm} µm dry`;
    case 'measures.taken':
      return `${entry.payload.measures.length} measures at ${step(entry.payload.operationId)}`;
    case 'instruments.fitted':
      return `Fitted: ${entry.payload.pairs.map((p) => `${p.bodyId}${p.neckId === null ? '' : ` + ${p.neckId}`} = ${p.serial}`).join(', ')}`;
    case 'instrument.shipped':
      return `${row.serial ?? ''} shipped to ${entry.payload.consignee}`;
    case 'setup.changed':
      return `Set-up changed: ${entry.payload.what} ${entry.payload.id}`;
  }
}

/** A line of the logbook for people; `about` says what it is about where that is not plain. */
export function toLogView(row: LogbookEntity, shop: Shop, routeId: string | null, about = ''): LogView {
  return {
    id: row.id,
    atMs: row.atMs,
    by: nameOf(shop, row.personId),
    kind: row.kind,
    sentence: `${about}${sentenceOf(row, shop, routeId)}`,
  };
}
