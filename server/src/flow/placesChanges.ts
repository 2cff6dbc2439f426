import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { FactoryNow } from '../factory/factory.service.ts';

/** A station was given another number of places. */
export interface PlacesChange {
  station: string;
  atMs: number;
  before: number;
  after: number;
}

/** When stations were given other numbers of places. */
@Injectable()
export class PlacesChanges {
  constructor(private readonly database: DataSource) {}

  /** In time order. */
  async all(): Promise<PlacesChange[]> {
    const rows = await this.database.query<{ station: string; at: Date; before: number; after: number }[]>(
      `select payload->>'id' as station, at, (payload->'before'->>'places')::int as before, (payload->'after'->>'places')::int as after
       from logbook where kind = 'setup.changed' and payload->>'what' = 'station'
         and payload->'before'->>'places' <> payload->'after'->>'places' order by id`,
    );
    return rows.map(({ at, ...change }) => ({ ...change, atMs: at.getTime() }));
  }

  /** The stations where work is done, with the places they had before they were first given others. */
  placesAtFirst(factory: FactoryNow, changes: readonly PlacesChange[]): { code: string; benches: number }[] {
    return [...factory.setUp.stations.values()]
      .filter((s) => s.kind === 'work')
      .map((s) => ({ code: s.code, benches: changes.find((c) => c.station === s.code)?.before ?? s.places }));
  }
}
