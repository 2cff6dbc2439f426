import { DEFAULT_CUTTING, HOUR_MS, Lot, planCutting, StockBoard, type BlankSize, type Component, type Rows } from '@ample-crane/core';
import type { CuttingPlanEntity } from '../timber/timber.entity.ts';
import { DEMO_MODELS } from './models.ts';

/** Boards looked at for the plan, and how many blanks it is to give. */
const [BOARDS, BLANKS] = [8, 12];
const KEPT_SINCE_MS = 16 * HOUR_MS;

/** A plan that the lead drew up yesterday afternoon and that nobody has cut yet, of a lot whose boards are measured. */
export function demoCuttingPlans(rows: Rows, nowMs: number): CuttingPlanEntity[] {
  for (const { modelId, modelName, component, species, use, blank } of partsWithBlanks()) {
    const lots = rows.all(Lot).filter((l) => l.state === 'released' && l.species === species && l.use === use);
    for (const { id: lotId } of lots) {
      const boards = rows.all(StockBoard).filter((b) => b.lotId === lotId && b.state === 'whole');
      if (boards.length < BOARDS) continue;
      const size = { lengthMm: blank.lengthMm, widthMm: blank.widthMm, thicknessMm: blank.thicknessMm, leavesEach: blank.leavesEach };
      const wanted = { id: `${modelName} ${component} for stock`, ...size, count: BLANKS, value: 1, anyGrain: false };
      const plan = planCutting(boards.slice(0, BOARDS), [wanted], DEFAULT_CUTTING);
      if (plan.boards.length === 0) continue;
      const kept = { id: 'C1', number: 1, atMs: nowMs - KEPT_SINCE_MS, personId: 'lead', lotIds: [lotId], settings: DEFAULT_CUTTING };
      return [{ ...kept, wanted: [{ ...wanted, modelId, component, orderId: null }], boards: plan.boards, state: 'draft', version: 1 }];
    }
  }
  return [];
}

interface PartWithBlank {
  modelId: string;
  modelName: string;
  component: Component;
  species: string;
  use: string;
  blank: BlankSize;
}

const partsWithBlanks = (): PartWithBlank[] =>
  DEMO_MODELS.flatMap(({ id, name, wood }) =>
    Object.entries(wood).flatMap(([component, { species, use, blank }]) =>
      blank ? [{ modelId: id, modelName: name, component: component as Component, species, use, blank }] : [],
    ),
  );
