import { RouteBook, type Route } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import type pg from 'pg';
import { DataSource, type EntityManager } from 'typeorm';
import { RouteBooks } from '../logbook/routeBooks.ts';
import { selectRows } from '../platform/database/rows.ts';
import { RouteEntity } from './factory.entity.ts';

/** A version that is released is never edited again, so it is kept once it was read; the least used go first. */
const MOST_KEPT = 500;

/** Every route there has ever been, for a replay. */
export async function allRoutes(manager: EntityManager): Promise<RouteBook> {
  const routes = await manager.find(RouteEntity);
  return new RouteBook(new Map(routes.map(({ id, graph }) => [id, graph])));
}

@Injectable()
export class StoredRoutes implements RouteBooks {
  private readonly kept = new LRUCache<string, Route>({ max: MOST_KEPT });

  constructor(private readonly database: DataSource) {}

  async of(client: pg.ClientBase, routeIds: readonly string[]): Promise<RouteBook> {
    const routes = new Map<string, Route>();
    const unknown: string[] = [];
    for (const id of new Set(routeIds)) {
      const route = this.kept.get(id);
      if (route) routes.set(id, route);
      else unknown.push(id);
    }
    for (const { id, graph, state } of await selectRows({ database: this.database, client }, RouteEntity, 'id', unknown.sort())) {
      routes.set(id, graph);
      if (state !== 'draft') this.kept.set(id, graph);
    }
    return new RouteBook(routes);
  }
}
