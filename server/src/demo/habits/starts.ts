import {
  Batch,
  before,
  type Component,
  type Random,
  type Recorder,
  resolveRoute,
  type Route,
  type RouteFacts,
  type RouteOption,
  StartBatch,
  type StartBatchRequest,
  startedComponents,
  type WoodNeed,
} from '@ample-crane/core';
import type { Floor } from './floor.ts';
import type { Mover } from './mover.ts';
import type { Sales, Taken } from './sales.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';
import type { WoodSupply } from './woodSupply.ts';

/** Sets of small parts below which a campaign of them is begun. */
const SETS_IN_STOCK = 3;

interface Part {
  component: Component;
  need: WoodNeed;
  quantity: number;
}

/** What is begun, and from which wood. */
export class Starts {
  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    private readonly wood: WoodSupply,
    private readonly floor: Floor,
    private readonly random: Random,
  ) {}

  /** Begins everything one order asks for: its bodies, its necks, and what is joined to them. */
  set(sales: Sales, atMs: number): void {
    const order = sales.take(({ model, choices }) => this.parts(model, choices, atMs).every((p) => this.wood.lotFor(p.need, p.quantity)));
    if (!order) return;
    const workClass = this.random.chance(this.scenario.trialShare) ? 'trial' : 'order';
    const shared = sharedSets(this.route(order.model, atMs));
    let first: string | undefined;
    for (const part of this.parts(order.model, order.choices, atMs)) {
      const matched = shared.has(part.component);
      const batchId = this.begin(
        order.model,
        part,
        { orderId: order.orderId, workClass, ...(matched && first !== undefined ? { matchBatchId: first } : {}) },
        atMs,
      );
      if (matched) first ??= batchId;
    }
  }

  /** Begins small parts of which there are few left. */
  campaigns(atMs: number): void {
    for (const model of this.scenario.models.filter((m) => m.weight === 0)) {
      const underWay = this.recorder.rows
        .all(Batch)
        .filter((b) => b.modelId === model.id && b.status !== 'done')
        .reduce((sum, b) => sum + b.quantity, 0);
      const [component, need] = (Object.entries(model.wood) as [Component, WoodNeed][])[0] ?? [];
      if (!component || !need || underWay > SETS_IN_STOCK * this.drawnAtOnce(model, atMs) || !this.wood.lotFor(need, model.batchSize))
        continue;
      this.begin(model, { component, need, quantity: model.batchSize }, { orderId: null }, atMs);
    }
  }

  /** How many of these small parts one batch draws. */
  private drawnAtOnce(model: ScenarioModel, atMs: number): number {
    return Math.max(
      0,
      ...this.scenario.models.flatMap((m) =>
        this.route(m, atMs).operations.flatMap((o) =>
          (o.draws ?? []).filter((d) => d.modelId === model.id).map((d) => d.perPiece * m.batchSize),
        ),
      ),
    );
  }

  private parts(model: ScenarioModel, choices: Taken['choices'], atMs: number): Part[] {
    const route = this.route(model, atMs);
    const started = startedComponents(resolveRoute(route, this.facts(model, {})));
    const shared = sharedSets(route);
    return (Object.entries(model.wood) as [Component, WoodNeed][]).flatMap(([component, usual]) => {
      const chosen = choiceOf(route.options, choices, component);
      return started.includes(component)
        ? [
            {
              component,
              need: chosen === undefined ? usual : { ...usual, species: chosen },
              // Unpaired stock at the bench is used up before more is made, but what is cut from one block is cut together.
              quantity:
                shared.has(component) || chosen !== undefined
                  ? model.batchSize
                  : Math.max(3, model.batchSize - this.floor.leftovers(model.id, component)),
            },
          ]
        : [];
    });
  }

  private begin(
    model: ScenarioModel,
    { component, need, quantity }: Part,
    of: Pick<StartBatchRequest, 'orderId' | 'workClass' | 'matchBatchId'>,
    atMs: number,
  ): string | undefined {
    const cut = this.wood.blanksFor(need, model.id, component, quantity, atMs);
    const lot = cut ? { id: cut.lotId, restIsOffcut: false } : this.wood.lotFor(need, quantity);
    if (!lot) return undefined;
    const request: StartBatchRequest = {
      modelId: model.id,
      component,
      quantity,
      lotId: lot.id,
      placements: this.floor.rackFor(quantity),
      ...of,
      ...(cut ? { blankIds: cut.ids } : {}),
      ...(lot.restIsOffcut ? { restIsOffcut: true } : {}),
    };
    const batchId = this.mover.give(StartBatch, request, atMs, null).entries[0]?.batchId;
    if (batchId !== undefined) this.floor.arrived(batchId, atMs);
    return batchId;
  }

  private facts({ species, construction }: ScenarioModel, choices: Readonly<Record<string, string>>): RouteFacts {
    return { choices, species, construction };
  }

  private route({ id, versions }: ScenarioModel, atMs: number): Route {
    const inForce = versions.findLast((v) => v.fromMs <= atMs)?.routeId ?? '';
    const route = this.scenario.routes.get(inForce);
    if (!route) throw new Error(`No route of ${id} is in force`);
    return route;
  }
}

/** The wood that was chosen for a part; nothing where it is the usual. */
const choiceOf = (options: readonly RouteOption[] = [], choices: Taken['choices'], component: Component): string | undefined =>
  options.map((o) => o.values.find((v) => v.id === choices[o.id])?.wood?.[component]).findLast((s) => s !== undefined);

/** The components that are cut from one block, since they are joined again with their own. */
function sharedSets(route: Route): Set<Component> {
  return new Set(
    route.operations
      .filter((o) => o.kind === 'join' && o.matchedSet)
      .flatMap((o) => [o.component, ...before(route, o.id).map((b) => b.component)]),
  );
}
