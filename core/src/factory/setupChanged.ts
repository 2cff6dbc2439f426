import { entryKind, type NameOf } from '../ledger/index.ts';

export interface Changed {
  what: string;
  id: string;
  before: unknown;
  after: unknown;
}

/** Something about the factory itself is otherwise from now on. */
export const SetupChanged = entryKind('setup.changed')<Changed>({
  apply: () => undefined,
  sentence: ({ payload }, nameOf) => inWords(payload, nameOf),
});

function inWords({ what, id, before, after }: Changed, nameOf: NameOf): string {
  const [was, are] = [placesIn(before), placesIn(after)];
  if (what !== 'station' || was === undefined || are === undefined || was === are) return `Set-up changed: ${what} ${id}`;
  return `Set-up changed: ${nameOf('station', id)} has ${are} ${are === 1 ? 'place' : 'places'} instead of ${was}`;
}

const placesIn = (station: unknown): number | undefined =>
  typeof station === 'object' && station !== null && 'places' in station && typeof station.places === 'number' ? station.places : undefined;
