import { batchIdOf, type LogbookEntry, type Payloads, type Undoable } from '@ample-crane/core';
import type { LogView } from '../platform/http/views.ts';
import { nameOf, stepOf, type Shop } from '../setup/shop.service.ts';
import type { LogbookEntity } from './logbook.entity.ts';

const UNDONE: Readonly<Record<Undoable['kind'], string>> = {
  'work.started': 'that work was begun',
  'work.finished': 'that work was finished',
  'batch.moved': 'the move',
};

/** What an entry says, as a person would tell it. */
export function sentenceOf(row: LogbookEntity, shop: Shop, routeId: string | null): string {
  // What the table holds was checked when it was appended.
  const entry = row as unknown as LogbookEntry;
  const step = (operationId: string) => (routeId === null ? operationId : stepOf(shop, routeId, operationId).name);
  switch (entry.kind) {
    case 'lot.received':
      return `Received: ${entry.payload.lot.species}, ${entry.payload.lot.volumeM3.toFixed(3)} m³ from ${entry.payload.lot.supplier}`;
    case 'lot.read':
      return `${entry.payload.readings.length} readings: ${entry.payload.readings.map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`).join(' ')}`;
    case 'lot.described': {
      const { papersPct, grade, place, permit } = entry.payload;
      const told = { papers: papersPct, grade, place, permit };
      return Object.entries(told)
        .flatMap(([what, value]) => (value === undefined ? [] : [`${what} ${value ?? 'none'}`]))
        .join(', ');
    }
    case 'lot.moved': {
      const { zoneId, place, scheduleId } = entry.payload;
      return `Moved to ${zoneId}${place === null ? '' : `, ${place}`}${scheduleId === null ? '' : `, on schedule ${scheduleId}`}`;
    }
    case 'boards.measured':
      return `${entry.payload.boards.length} boards measured`;
    case 'boards.cut':
      return `${entry.payload.boardIds.length} boards cut into ${entry.payload.blanks.length} blanks`;
    case 'blanks.weighed':
      return `${entry.payload.blanks.length} blanks weighed`;
    case 'blanks.reserved':
      return `${entry.payload.blankIds.length} blanks ${entry.payload.orderId === null ? 'no longer kept' : `kept for ${entry.payload.orderId}`}`;
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
      if (entry.payload.again) return `Round ${entry.payload.round ?? 1} done; back to ${step(entry.payload.to)}`;
      return entry.payload.override
        ? `Moved to ${step(entry.payload.to)} against its gate: ${entry.payload.override.reason}`
        : `Moved to ${step(entry.payload.to)}`;
    case 'work.partFinished':
      return `${entry.payload.pieceIds.length} ready before the rest, as ${batchIdOf(entry.payload.number)}`;
    case 'batch.placed': {
      const { placements } = entry.payload;
      return placements.length === 0
        ? 'Taken off its carriers'
        : `Put on ${placements.map((p) => `${shop.carriers.get(p.carrierId)?.name ?? p.carrierId} (${p.pieces})`).join(', ')}`;
    }
    case 'batch.split':
      return `${entry.payload.pieceIds.length} pieces split off as ${batchIdOf(entry.payload.number)}`;
    case 'batch.merged':
      return `Took in ${entry.payload.fromBatchId}`;
    case 'batch.sent':
      return `Sent to ${entry.payload.to}`;
    case 'batch.called':
      return entry.payload.orderId === null ? 'Called from the buffer' : `Called from the buffer for ${entry.payload.orderId}`;
    case 'batch.rerouted':
      return `Moved to ${entry.payload.routeId} at ${step(entry.payload.operationId)}: ${entry.payload.reason}`;
    case 'handover.accepted':
      return `Taken over at ${step(entry.payload.operationId)}`;
    case 'gate.signedOff':
      return `Accepted at ${step(entry.payload.operationId)} for ${entry.payload.skill} by ${nameOf(shop, entry.payload.personId)}`;
    case 'handover.refused':
      return `Refused at ${step(entry.payload.operationId)}: ${entry.payload.refusals
        .map((r) => {
          const back = r.toOperationId === null ? '' : ` at ${step(r.toOperationId)}`;
          return `${r.pieces.map((p) => `${p.pieceId} (${p.defect})`).join(', ')}: ${r.disposition}${back}`;
        })
        .join('; ')}`;
    case 'pieces.scrapped':
      return `Scrapped: ${entry.payload.pieces.map((p) => `${p.pieceId} (${p.defect})`).join(', ')}`;
    case 'parts.joined':
      return `Joined with ${entry.payload.guestBatchIds.join(', ')}`;
    case 'stock.drawn':
      return `${entry.payload.count} drawn for ${entry.payload.forBatchId}`;
    case 'instruments.parted':
      return `Taken apart: bodies ${batchIdOf(entry.payload.bodyNumber)}, necks ${batchIdOf(entry.payload.neckNumber)}`;
    case 'instruments.refitted':
      return `Fitted again: ${entry.payload.serials.join(', ')}`;
    case 'entry.undone':
      return `Taken back: ${UNDONE[entry.payload.undone.kind]} (${entry.payload.reason})`;
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
      return setUpInWords(entry.payload, shop);
  }
}

function setUpInWords({ what, id, before, after }: Payloads['setup.changed'], shop: Shop): string {
  const [was, are] = [placesIn(before), placesIn(after)];
  if (what !== 'station' || was === undefined || are === undefined || was === are) return `Set-up changed: ${what} ${id}`;
  return `Set-up changed: ${shop.stations.get(id)?.name ?? id} has ${are} ${are === 1 ? 'place' : 'places'} instead of ${was}`;
}

const placesIn = (station: unknown): number | undefined =>
  typeof station === 'object' && station !== null && 'places' in station && typeof station.places === 'number' ? station.places : undefined;

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
