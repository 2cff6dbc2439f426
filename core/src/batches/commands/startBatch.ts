import { OnCarrier, PlacesTaken, placingObjections, type Placement } from '../../carriers/index.ts';
import type { Factory, Model } from '../../factory/index.ts';
import {
  asked,
  commandKind,
  NOT_ANSWERED,
  refuse,
  rowsOf,
  wrongInput,
  type Decision,
  type Refused,
  type Rows,
  type Sight,
} from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import { firstOperation, NextNumber, startedComponents, type Component, type Operation } from '../../routing/index.ts';
import {
  Blank,
  blankObjection,
  cuttingAsks,
  keptByOthers,
  keptInWords,
  ordersKeeping,
  Lot,
  wentOutObjection,
  type WoodFactory,
  type WoodNeed,
} from '../../timber/index.ts';
import { Batch, batchIdOf, livePieces, piecesIn } from '../batch.ts';
import { carriersIn, othersIn } from '../places.ts';
import { fullObjection, WaitingAt } from '../waiting.ts';
import type { BatchEntry } from '../decided.ts';
import type { WorkClass } from '../workClass.ts';
import { said } from '../../units/index.ts';

export interface StartBatchRequest {
  modelId: string;
  component: Component;
  quantity: number;
  lotId: string;
  /** blanks it is made of, one for each piece; without them it is cut from the lot by volume */
  blankIds?: readonly string[];
  orderId: string | null;
  /** where it sits */
  placements?: readonly Placement[];
  /** what is left of the lot is too little for another batch, and goes with this one */
  restIsOffcut?: boolean;
  /** what it is made for; for orders and stock where nothing is said */
  workClass?: WorkClass;
  /** the batch whose pieces these are cut from the same blocks as, in order */
  matchBatchId?: string;
}

/** Starts a batch of a component from a released lot, on the version of the route that is in force. */
export const StartBatch = commandKind('start batch')<StartBatchRequest, Factory & WoodFactory>({
  role: 'lead',
  concerns: ({ lotId, blankIds = [], matchBatchId, orderId }) => ({
    about: [rowsOf(Lot, [lotId]), rowsOf(Blank, blankIds), rowsOf(Batch, matchBatchId === undefined ? [] : [matchBatchId])],
    reads: (known) => [rowsOf(Order, orderId === null ? [] : [orderId]), ordersKeeping(known, [lotId])],
  }),
  asks(request, sight) {
    const { placements = [], blankIds } = request;
    const first = firstStep(request, sight);
    return [
      asked(NextNumber, { of: 'batch' }),
      ...(blankIds ? [] : cuttingAsks),
      ...(first?.kind === 'dwell' ? [asked(WaitingAt, { stationCode: first.stationCode })] : []),
      ...(placements.length > 0 ? [asked(PlacesTaken, {}), ...placements.map(({ carrierId }) => asked(OnCarrier, { carrierId }))] : []),
    ];
  },
  decide(request, { rows, factory, nowMs, answers }): Decision<BatchEntry> {
    const { component, quantity, lotId, blankIds, placements = [], matchBatchId, workClass = 'order', restIsOffcut = false } = request;
    const model = factory.model(request.modelId);
    if (!model) return wrongInput('modelId', `There is no model ${request.modelId}`);
    const order = orderIn(rows, request);
    if (order !== null && 'because' in order) return order;
    const inForce = factory.routeInForce(model.id, nowMs);
    if (!inForce) return wrongInput('modelId', `${model.name} has no route in force yet: release one in Setup`);
    const facts = factory.factsOf(model, inForce.id, order?.choices);
    const need = factory.woodNeed(model, component, facts);
    if (!startedComponents(factory.routeOf({ routeId: inForce.id, facts })).includes(component) || !need)
      return wrongInput('component', `A ${model.name} with these options has no separate ${component}`);
    const lot = rows.get(Lot, lotId);
    const neededM3 = blankIds ? 0 : Math.round(need.volumeM3 * quantity * 1e6) / 1e6;
    const unfit = blankIds
      ? blanksObjection(rows, request, blankIds, need)
      : (woodObjection(rows, request, lot, need, neededM3, model) ?? wentOutObjection(lot, factory, answers));
    if (unfit) return unfit;
    const keptM3 = keptByOthers(rows, lot.id, request.orderId).reduce((sum, k) => sum + k.volumeM3, 0);
    if (restIsOffcut && keptM3 > 0) return wrongInput('restIsOffcut', `What is left of lot ${lot.id} is no offcut: some of it is kept`);
    if (restIsOffcut && lot.leftM3 - neededM3 >= neededM3)
      return wrongInput(
        'restIsOffcut',
        `${said((lot.leftM3 - neededM3).toFixed(3), 'm³')} would be left: enough for another batch like this one`,
      );
    const volumeM3 = restIsOffcut ? lot.leftM3 : neededM3;
    const number = answers.to(NextNumber, { of: 'batch' });
    if (number === NOT_ANSWERED) return refuse('No batch number is free');
    const batchId = batchIdOf(number);
    const sets = matchBatchId === undefined ? undefined : livePieces(piecesIn(rows, matchBatchId)).map((p) => p.setId);
    if (sets && sets.length < quantity)
      return wrongInput('matchBatchId', `Batch ${matchBatchId ?? ''} has ${sets.length} pieces; ${quantity} are to match them`);
    const findings =
      placements.length === 0
        ? []
        : placingObjections(placements, quantity, carriersIn(factory, answers, []), model.id, othersIn(answers, null));
    if (findings.length > 0) return { kind: 'refuse', because: findings };
    const begins = firstOperation(factory.routeOf({ routeId: inForce.id, facts }), component);
    const full = fullObjection(begins, { batchId, pieces: quantity }, factory, answers);
    if (full) return full;
    return {
      kind: 'accept',
      entries: [
        {
          kind: 'batch.started',
          batchId,
          lotId,
          payload: {
            number,
            modelId: model.id,
            component,
            routeId: inForce.id,
            orderId: request.orderId,
            lotId,
            quantity,
            dueMs: order?.dueMs ?? null,
            volumeM3,
            facts,
            ...(workClass === 'order' ? {} : { workClass }),
            ...(blankIds ? { blankIds } : {}),
            setIds: sets?.slice(0, quantity) ?? Array.from({ length: quantity }, (_, i) => `${batchId}-${i + 1}`),
          },
        },
        ...(placements.length > 0 ? [{ kind: 'batch.placed', batchId, payload: { placements } } as const] : []),
      ],
    };
  },
});

/** The step at which such a batch would begin; nothing where it cannot. */
function firstStep({ modelId, component, orderId }: StartBatchRequest, { rows, factory, nowMs }: Sight<Factory>): Operation | undefined {
  const model = factory.model(modelId);
  const inForce = factory.routeInForce(modelId, nowMs);
  if (!model || !inForce) return undefined;
  const order = orderId === null ? undefined : rows.find(Order, orderId);
  const route = factory.routeOf({ routeId: inForce.id, facts: factory.factsOf(model, inForce.id, order?.choices) });
  return startedComponents(route).includes(component) ? firstOperation(route, component) : undefined;
}

function orderIn(rows: Rows, { orderId, modelId }: StartBatchRequest): Order | Refused | null {
  if (orderId === null) return null;
  const order = rows.find(Order, orderId);
  if (!order) return wrongInput('orderId', `There is no order ${orderId}`);
  return order.modelId === modelId ? order : wrongInput('orderId', `Order ${orderId} is for another model`);
}

/** Only released wood of the right kind, and enough of it, is cut. */
function woodObjection(
  rows: Rows,
  { orderId }: StartBatchRequest,
  lot: Lot,
  need: WoodNeed,
  volumeM3: number,
  model: Model,
): Refused | undefined {
  if (lot.state !== 'released') return refuse(`Lot ${lot.id} is ${lot.state}; only a released lot can be cut`, { field: 'lotId' });
  if (lot.species !== need.species || lot.use !== need.use)
    return refuse(`Lot ${lot.id} is ${lot.species} for ${lot.use}; ${model.name} needs ${need.species} for ${need.use}`, {
      field: 'lotId',
    });
  if (lot.leftM3 + 1e-9 < volumeM3)
    return refuse(`${said(lot.leftM3.toFixed(3), 'm³')} is left of lot ${lot.id}; this batch needs ${said(volumeM3.toFixed(3), 'm³')}`, {
      field: 'quantity',
    });
  const kept = keptByOthers(rows, lot.id, orderId);
  if (kept.length > 0 && lot.leftM3 - kept.reduce((sum, k) => sum + k.volumeM3, 0) + 1e-9 < volumeM3)
    return refuse(
      `${said(lot.leftM3.toFixed(3), 'm³')} is left of lot ${lot.id}; ${keptInWords(kept)}, and this batch needs ${said(volumeM3.toFixed(3), 'm³')}`,
      {
        field: 'quantity',
      },
    );
  return undefined;
}

/** Are these blanks here, for this part, and kept for nobody else? */
function blanksObjection(rows: Rows, request: StartBatchRequest, blankIds: readonly string[], need: WoodNeed): Refused | undefined {
  const { quantity, orderId, lotId } = request;
  if (new Set(blankIds).size !== quantity || blankIds.length !== quantity)
    return wrongInput('blankIds', `${quantity} pieces need as many blanks`);
  const blanks = blankIds.map((id) => rows.get(Blank, id));
  for (const blank of blanks) {
    const no = (sentence: string) => refuse(sentence, { field: 'blankIds' });
    if (blank.state !== 'free') return no(`Blank ${blank.id} has become ${blank.pieceId ?? 'part of another'} already`);
    const unlike = blankObjection(blank, rows.get(Lot, blank.lotId), need);
    if (unlike !== null) return no(unlike);
    if (blank.orderId !== null && blank.orderId !== orderId) return no(`Blank ${blank.id} is kept for ${blank.orderId}`);
  }
  return blanks.some((b) => b.lotId === lotId) ? undefined : wrongInput('lotId', `None of these blanks comes from lot ${lotId}`);
}
