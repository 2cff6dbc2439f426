import { KINDS, type DeviceKind } from './kinds.ts';

/** Where a device belongs; null where it belongs to none of that. */
export interface DevicePlace {
  stationCode: string | null;
  /** which of the station's machines, from 1 */
  bench: number | null;
  zoneId: string | null;
}

/** What is wrong with where a device of a kind is said to be; undefined when it can be. */
export function placeObjection(
  kind: DeviceKind,
  { stationCode, bench, zoneId }: DevicePlace,
): { field: keyof DevicePlace; sentence: string } | undefined {
  const { place } = KINDS[kind];
  const wrong = (field: keyof DevicePlace, sentence: string) => ({ field, sentence });
  if (place === 'zone') {
    if (zoneId === null) return wrong('zoneId', `Say in which zone the ${kind} is`);
    if (stationCode !== null) return wrong('stationCode', `A ${kind} belongs to a zone, not to a station`);
  } else {
    if (stationCode === null) return wrong('stationCode', `Say at which station the ${kind} is`);
    if (zoneId !== null) return wrong('zoneId', `A ${kind} belongs to a station, not to a zone`);
  }
  if (place === 'machine' && bench === null) return wrong('bench', 'Say which of the station’s machines it is on');
  if (place !== 'machine' && bench !== null) return wrong('bench', `A ${kind} is on no machine`);
  return undefined;
}

/** Under what values of a device are offered to fields that wait: its station's, or its zone's. */
export const placeKeyOf = ({ stationCode, zoneId }: Pick<DevicePlace, 'stationCode' | 'zoneId'>): string =>
  stationCode === null ? `zone ${zoneId ?? ''}` : `station ${stationCode}`;
