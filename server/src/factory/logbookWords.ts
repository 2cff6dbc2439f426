import { LEDGER, type NameOf } from '@ample-crane/core';
import type { LogbookEntity } from '../logbook/logbook.entity.ts';
import type { LogView } from '../platform/http/views.ts';
import type { FactoryNow } from './factory.service.ts';

/** What things are called, where they are spoken of on a route. */
function namesIn(factory: FactoryNow, routeId: string | null): NameOf {
  return (what, id) => {
    switch (what) {
      case 'person':
        return factory.personName(id);
      case 'step':
        return id === null || routeId === null ? (id ?? '') : factory.stepOnceOf(routeId, id).name;
      case 'carrier':
        return factory.setUp.carriers.get(id ?? '')?.name ?? id ?? '';
      case 'pause cause':
        return factory.setUp.settings.pauseCauses.find((c) => c.key === id)?.text ?? id ?? '';
      case 'route version': {
        const version = factory.setUp.versions.find((v) => v.id === id)?.version;
        return version === undefined ? (id ?? '') : `version ${version} of its route`;
      }
      case 'model':
        return id === null ? '' : factory.modelName(id);
      case 'zone':
        return factory.setUp.zoneNames.get(id ?? '') ?? id ?? '';
      case 'kiln schedule':
        return factory.setUp.settings.kilnSchedules.find((k) => k.id === id)?.name ?? id ?? '';
      case 'station':
        return factory.setUp.stations.get(id ?? '')?.name ?? id ?? '';
      default:
        return id ?? '';
    }
  };
}

/** What an entry says, as a person would tell it. */
export const sentenceOf = (row: LogbookEntity, factory: FactoryNow, routeId: string | null): string =>
  LEDGER.sentence(row, namesIn(factory, routeId));

/** A line of the logbook for people; `about` says what it is about where that is not plain. */
export function toLogView(row: LogbookEntity, factory: FactoryNow, routeId: string | null, about = ''): LogView {
  return {
    id: row.id,
    atMs: row.atMs,
    by: factory.personName(row.personId),
    kind: row.kind,
    sentence: `${about}${sentenceOf(row, factory, routeId)}`,
  };
}
