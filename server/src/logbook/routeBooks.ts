import type { Routes } from '@ample-crane/core';
import type pg from 'pg';

/** Where the logbook has the routes from that batches go through. The factory above it knows them. */
export abstract class RouteBooks {
  /** These routes, read by the transaction where they are not known yet. */
  abstract of(client: pg.ClientBase, routeIds: readonly string[]): Promise<Routes>;
}
