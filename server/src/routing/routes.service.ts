import {
  checkRoute,
  compareRoutes,
  pathFrom,
  RerouteBatch,
  sameStepIn,
  type Batch,
  type Operation,
  type Route,
  type RouteProblem,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, Not } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, refused, stale } from '../platform/problems/problems.ts';
import { ChangesService } from '../factory/changes.service.ts';
import { RouteEntity, type ModelEntity } from '../factory/factory.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { ForesightService } from '../logbook/foresight.service.ts';
import type { RouteGraphDto } from './route.dto.ts';
import type { DraftDto, MoveOverView, ReleaseRouteDto, RouteVersionView, RouteView, SaveDraftDto, SavedDraftView } from './routes.view.ts';
import { BatchEntity } from '../batches/batch.entity.ts';

const CHANGES_TOLD = 3;

@Injectable()
export class RoutesService {
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly changes: ChangesService,
    private readonly foresight: ForesightService,
    private readonly clock: Clock,
  ) {}

  async list(): Promise<RouteVersionView[]> {
    const factory = await this.factories.load();
    const counts: { route_id: string; n: number }[] = await this.database.query(
      `select route_id, count(*)::int as n from batch where status <> 'done' group by route_id`,
    );
    const inWork = new Map(counts.map((c) => [c.route_id, c.n]));
    return factory.setUp.versions
      .map((v): RouteVersionView => {
        const model = modelOf(factory, v.modelId);
        return {
          ...v,
          modelName: model.name,
          inForce: factory.routeInForce(model.id, this.clock.nowMs())?.id === v.id,
          steps: factory.setUp.routes.get(v.id)?.operations.length ?? 0,
          inWork: inWork.get(v.id) ?? 0,
        };
      })
      .sort((a, b) => a.modelName.localeCompare(b.modelName) || b.version - a.version);
  }

  async get(id: string): Promise<RouteView> {
    const [factory, versions] = await Promise.all([this.factories.load(), this.list()]);
    const version = versions.find((v) => v.id === id);
    if (!version) throw notFound('route', id);
    const route = factory.routeOf({ routeId: id });
    // What is stored came in through the same shape.
    const { operations, options } = route as unknown as RouteGraphDto;
    return { version, graph: { operations, ...(options ? { options } : {}) }, problems: problemsOf(route, factory, this.clock.nowMs()) };
  }

  /** A draft of the next version, one at a time for each model. */
  async draft(actor: Actor, { modelId, fromRouteId }: DraftDto): Promise<{ id: string }> {
    const factory = await this.factories.load();
    const model = modelOf(factory, modelId);
    const from = fromRouteId === undefined ? undefined : factory.setUp.routes.get(fromRouteId);
    if (fromRouteId !== undefined && from?.modelId !== modelId) throw badInput('fromRouteId', `${model.name} has no route ${fromRouteId}`);
    return this.changes.make(actor, 'route', modelId, { fromRouteId }, async (manager) => {
      const routes = await manager.find(RouteEntity, { where: { modelId }, lock: { mode: 'pessimistic_write' } });
      const open = routes.find((r) => r.state === 'draft');
      if (open) throw badInput('modelId', `${model.name} has a draft already: version ${open.version}`);
      const version = Math.max(0, ...routes.map((r) => r.version)) + 1;
      const id = `${modelId}-${version}`;
      const graph: Route = { operations: [], ...from, id, modelId, version };
      await manager.insert(RouteEntity, {
        id,
        modelId,
        version,
        graph,
        state: 'draft',
        effectiveMs: null,
        reason: '',
        revision: 1,
      } as never);
      return { before: null, after: { id, from: fromRouteId ?? null }, answer: { id } };
    });
  }

  /** Keeps a draft as it is, sound or not. @returns what keeps it from being released */
  async save(actor: Actor, id: string, { revision, ...given }: SaveDraftDto): Promise<SavedDraftView> {
    const factory = await this.factories.load();
    return this.changes.make<SavedDraftView>(actor, 'route', id, { revision, ...given }, async (manager) => {
      const row = await this.openDraft(manager, id, revision);
      const graph = graphOf(row, given);
      await manager.update(RouteEntity, { id }, { graph, revision: revision + 1 });
      const changed = compareRoutes(row.graph, graph).filter((c) => c.kind !== 'same');
      return {
        before: { revision, steps: row.graph.operations.length },
        after: { revision: revision + 1, changes: changed.map((c) => `${c.kind} ${c.operationId}`) },
        answer: { id, revision: revision + 1, problems: problemsOf(graph, factory, this.clock.nowMs()) },
      };
    });
  }

  /** New work is started on it from a date on; what is in work stays where it is. */
  async release(actor: Actor, id: string, { revision, reason, effectiveMs }: ReleaseRouteDto): Promise<{ id: string }> {
    const factory = await this.factories.load();
    return this.changes.make(actor, 'route', id, { revision, reason, effectiveMs }, async (manager, nowMs) => {
      const row = await this.openDraft(manager, id, revision);
      const problems = problemsOf(row.graph, factory, this.clock.nowMs());
      if (row.graph.operations.length === 0) throw badInput('revision', 'The route has no step yet');
      if (problems.length > 0)
        throw refused(problems.map((p) => ({ rule: 'state' as const, verdict: 'stop' as const, sentence: p.message })));
      const at = effectiveMs ?? nowMs;
      if (at < nowMs) throw badInput('effectiveMs', 'A version comes into force now or later');
      await manager.update(RouteEntity, { id }, { state: 'released', effectiveMs: at, reason: reason.trim() });
      return { before: { state: 'draft' }, after: { state: 'released', effectiveMs: at, reason } };
    });
  }

  async discard(actor: Actor, id: string, revision: number): Promise<{ id: string }> {
    return this.changes.make(actor, 'route', id, { revision, discard: true }, async (manager) => {
      const row = await this.openDraft(manager, id, revision);
      await manager.update(RouteEntity, { id }, { state: 'retired', reason: 'Draft set aside' });
      return { before: { state: 'draft', graph: row.graph }, after: { state: 'retired' } };
    });
  }

  /** Work in progress on other versions of the model, and where each batch would stand on this one. */
  async workToMove(id: string, actor: Actor): Promise<MoveOverView[]> {
    const factory = await this.factories.load();
    const version = factory.setUp.versions.find((v) => v.id === id);
    if (!version) throw notFound('route', id);
    const batches = await this.database
      .getRepository(BatchEntity)
      .find({ where: { modelId: version.modelId, status: Not('done'), routeId: Not(id) }, order: { number: 'ASC' } });
    const moves = batches.map((batch) => {
      const from = factory.routeOf(batch);
      const toRoute = factory.routeOf({ routeId: id, facts: batch.facts });
      return { batch, from, toRoute, to: sameStepIn(from, batch.operationId, toRoute)?.id };
    });
    const decisions = await this.foresight.decisions(
      actor,
      RerouteBatch,
      moves.map(({ batch, to = '' }) => ({ batchId: batch.id, routeId: id, operationId: to, reason: 'Looked at' })),
      factory,
    );
    return moves.map(({ batch, ...move }, i) => {
      const decision = decisions[i];
      const because = decision?.kind === 'refuse' ? decision.because.map((f) => f.sentence).join('; ') : '';
      return toMoveOver(batch, factory, { ...move, possible: decision?.kind === 'accept', because });
    });
  }

  private async openDraft(manager: DataSource['manager'], id: string, revision: number): Promise<RouteEntity> {
    const row = await manager.findOne(RouteEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
    if (!row) throw notFound('route', id);
    if (row.state !== 'draft') throw badInput('id', `Version ${row.version} is ${row.state}; only a draft can be changed`);
    if (row.revision !== revision) throw stale(`Version ${row.version}`, { revision: row.revision });
    return row;
  }
}

function modelOf(factory: FactoryNow, modelId: string): ModelEntity {
  const model = factory.setUp.models.get(modelId);
  if (!model) throw badInput('modelId', `There is no model ${modelId}`);
  return model;
}

const graphOf = ({ id, modelId, version }: RouteEntity, { operations, options }: RouteGraphDto): Route => ({
  id,
  modelId,
  version,
  ...(options && options.length > 0 ? { options } : {}),
  operations,
});

const problemsOf = (route: Route, factory: FactoryNow, nowMs: number): RouteProblem[] =>
  checkRoute(route, factory.worldOf(modelOf(factory, route.modelId), nowMs));

/** A step without what it leads to: that shows in the steps that come or go. */
const inItself = (o: Operation) => JSON.stringify({ ...o, next: [] });

function toMoveOver(
  batch: Batch,
  factory: FactoryNow,
  move: { from: Route; toRoute: Route; to: string | undefined; possible: boolean; because: string },
): MoveOverView {
  const { from, toRoute, to, possible, because } = move;
  const ahead = pathFrom(from, batch.operationId);
  const then = to === undefined ? [] : pathFrom(toRoute, to);
  const name = (id: string, route: Route) => route.operations.find((o) => o.id === id)?.name ?? id;
  const gone = ahead.filter((o) => !then.some((t) => t.id === o.id)).map((o) => `without ${o.name.toLowerCase()}`);
  const come = then.filter((t) => !ahead.some((o) => o.id === t.id)).map((t) => `with ${t.name.toLowerCase()}`);
  const changed = then
    .filter((t) => ahead.some((o) => o.id === t.id && inItself(o) !== inItself(t)))
    .map((t) => `${t.name.toLowerCase()} done otherwise`);
  const told = [...gone, ...come, ...changed];
  const more = told.length - CHANGES_TOLD;
  const sentence =
    told.length === 0 ? 'Nothing changes for it' : told.slice(0, CHANGES_TOLD).join(', ') + (more > 0 ? ` and ${more} more` : '');
  return {
    batchId: batch.id,
    version: batch.version,
    component: batch.component,
    quantity: batch.quantity,
    fromVersion: from.version,
    stage: batch.stage,
    operationName: factory.operationAt(batch).name,
    toOperationId: possible && to !== undefined ? to : null,
    toOperationName: to === undefined ? null : name(to, toRoute),
    stepsAhead: ahead.length,
    stepsAheadThen: then.length,
    sentence: possible ? sentence : because,
    possible,
  };
}
