import { LEDGER, type NameOf } from '@ample-crane/core';
import type { LogbookEntity } from '../logbook/logbook.entity.ts';
import type { LogView } from '../platform/http/views.ts';
import { nameOf, stepOf, type Shop } from './shop.service.ts';

/** What things are called, where they are spoken of on a route. */
function namesIn(shop: Shop, routeId: string | null): NameOf {
  return (what, id) => {
    switch (what) {
      case 'person':
        return nameOf(shop, id);
      case 'step':
        return id === null || routeId === null ? (id ?? '') : stepOf(shop, routeId, id).name;
      case 'carrier':
        return shop.carriers.get(id ?? '')?.name ?? id ?? '';
      case 'station':
        return shop.stations.get(id ?? '')?.name ?? id ?? '';
      default:
        return id ?? '';
    }
  };
}

/** What an entry says, as a person would tell it. */
export const sentenceOf = (row: LogbookEntity, shop: Shop, routeId: string | null): string => LEDGER.sentence(row, namesIn(shop, routeId));

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
