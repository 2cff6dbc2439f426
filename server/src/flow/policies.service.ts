import {
  checkRoute,
  DAY_MS,
  policyFigures,
  priceInWords,
  suits,
  type HousePolicy,
  type PolicyFigures,
  type PolicyWait,
  type PolicyWorld,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { badInput } from '../platform/problems/problems.ts';
import { StepTimesEntity } from '../batches/flowTallies.entity.ts';
import type { AskPriceDto, PolicyView, PriceView } from './policies.dto.ts';

/** An instrument takes less. */
const REACH_DAYS = 400;

/** What one way of making a model comes to against another. */
@Injectable()
export class PoliciesService {
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly clock: Clock,
  ) {}

  async price(asked: AskPriceDto): Promise<PriceView> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    const model = factory.model(asked.modelId);
    const inForce = model && factory.routeInForce(model.id, nowMs);
    if (!model || !inForce) throw badInput('modelId', 'Nothing is built by that name');
    const policy = (field: 'routeId' | 'thenRouteId', own: Partial<Omit<HousePolicy, 'route'>>): HousePolicy => {
      const route = factory.setUp.routes.get(asked[field] ?? inForce.id);
      if (route?.modelId !== model.id) throw badInput(field, `${model.name} has no such version`);
      const [problem] = checkRoute(route);
      if (problem) throw badInput(field, `That version cannot be built: ${problem.message}`);
      const { batchSize = model.batchSize, waits = 'as asked', machining = 'as routed' } = own;
      return { route, batchSize, waits, machining };
    };
    const { batchSize, waits, machining, thenBatchSize, thenWaits, thenMachining, perWeek } = asked;
    const from = policy('routeId', known({ batchSize, waits, machining }));
    const to = policy('thenRouteId', known({ batchSize: thenBatchSize, waits: thenWaits, machining: thenMachining }));
    const records = await this.database.getRepository(StepTimesEntity).findBy({ modelId: model.id });
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    const figures = ({ route, ...rest }: HousePolicy): PolicyFigures => {
      const world: PolicyWorld = {
        facts: factory.factsOf(model, route.id),
        perWeek,
        time,
        fromMs: nowMs,
        glues: factory,
        recordOf: (operationId, stationCode) => records.find((r) => r.operationId === operationId && r.stationCode === stationCode),
      };
      return policyFigures({ route, ...rest }, world);
    };
    const [before, after] = [figures(from), figures(to)];
    return {
      modelName: model.name,
      perWeek,
      sentence: priceInWords(before, after),
      from: toPolicyView(from, before, factory),
      to: toPolicyView(to, after, factory),
    };
  }
}

/** Without what nobody said. */
const known = <T extends object>(given: T): { [K in keyof T]?: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)) as { [K in keyof T]?: Exclude<T[K], undefined> };

function toPolicyView({ route, batchSize, waits, machining }: HousePolicy, figures: PolicyFigures, factory: FactoryNow): PolicyView {
  const { stations, waits: lying, ...sums } = figures;
  const placesFor = ({ rig, isAway, stationCode }: PolicyWait): number | null => {
    if (isAway) return null;
    if (rig === null) return factory.placesAt(stationCode);
    return factory.rigs.filter((r) => suits(r, { kind: rig }, route.modelId)).reduce((sum, r) => sum + r.places, 0);
  };
  return {
    routeId: route.id,
    version: route.version,
    batchSize,
    waits,
    machining,
    ...sums,
    stations: stations.map(({ stationCode, hours }) => ({ code: stationCode, name: factory.stationName(stationCode), hours })),
    lying: lying.map((wait) => {
      const { operationId, name, rig, hours, pieces, stationCode } = wait;
      return { operationId, name, rig, hours, pieces, stationName: factory.stationName(stationCode), places: placesFor(wait) };
    }),
  };
}
