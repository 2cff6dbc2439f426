import { RouteBook } from '@ample-crane/core';
import type { EntityManager } from 'typeorm';
import { RouteEntity } from './factory.entity.ts';

/** Every route there has ever been, for a replay. */
export async function allRoutes(manager: EntityManager): Promise<RouteBook> {
  const routes = await manager.find(RouteEntity);
  return new RouteBook(new Map(routes.map(({ id, graph }) => [id, graph])));
}
