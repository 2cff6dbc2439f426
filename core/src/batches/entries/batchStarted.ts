import { entryKind } from '../../ledger/index.ts';
import { firstOperation, NO_FACTS, type Component, type RouteFacts, type Routes } from '../../routing/index.ts';
import { Blank, takeKept, takeWood } from '../../timber/index.ts';
import { Piece } from '../batch.ts';
import { isCounted, type WorkClass } from '../workClass.ts';
import { arrive, newBatch } from './rows.ts';

export interface Started {
  number: number;
  modelId: string;
  component: Component;
  routeId: string;
  orderId: string | null;
  lotId: string;
  quantity: number;
  dueMs: number | null;
  /** lumber taken from the lot */
  volumeM3: number;
  /** what the route's conditions look at */
  facts: RouteFacts;
  /** what it is made for; for orders and stock where nothing is said */
  workClass?: WorkClass;
  /** the block each piece was cut from, in the pieces' order */
  setIds?: readonly (string | null)[];
  /** the blank each piece is made of, in the pieces' order */
  blankIds?: readonly string[];
}

export const BatchStarted = entryKind('batch.started')<Started, Routes>({
  version: 3,
  readers: {
    /** the first entries came before routes had conditions */
    1: (older: Omit<Started, 'facts'> & Partial<Started>): Started => ({ facts: NO_FACTS, ...older }),
    /** then a batch was a trial or was not */
    2: ({ trial, ...older }: Started & { trial?: boolean }): Started => ({ ...older, ...(trial ? { workClass: 'trial' } : {}) }),
  },
  apply(rows, entry, routes) {
    const { volumeM3, setIds, blankIds = [], facts, workClass = 'order', ...p } = entry.payload;
    const id = `B${p.number}`;
    const batch = newBatch({ id, startedMs: entry.atMs, facts: routes.sameFacts(facts), workClass, ...p });
    const operation = firstOperation(routes.routeOf(batch), p.component);
    for (let ordinal = 1; ordinal <= p.quantity; ordinal++) {
      const pieceId = `${id}-${String(ordinal).padStart(2, '0')}`;
      const blankId = blankIds[ordinal - 1];
      const blank = blankId === undefined ? null : rows.get(Blank, blankId);
      if (blank) rows.amend(Blank, blank, { state: 'started', pieceId, version: blank.version + 1 });
      rows.put(Piece, {
        id: pieceId,
        batchId: id,
        component: p.component,
        modelId: p.modelId,
        ordinal,
        state: 'good',
        lotId: blank?.lotId ?? p.lotId,
        blankId: blank?.id ?? null,
        serial: null,
        intoId: null,
        setId: setIds?.[ordinal - 1] ?? null,
        grit: null,
        coats: 0,
        lastCoat: null,
        bareMs: null,
        wipedMs: null,
        inRig: null,
        stay: null,
        trail: [{ batchId: id, fromMs: entry.atMs }],
        bodyFromMs: p.component === 'body' && isCounted({ workClass }) ? entry.atMs : null,
        outMs: null,
      });
    }
    arrive(rows, batch, operation, entry.atMs);
    // Blanks were taken out of their lot when they were cut.
    if (blankIds.length === 0) {
      takeWood(rows, p.lotId, volumeM3, entry.atMs);
      takeKept(rows, p.lotId, p.orderId, volumeM3);
    }
  },
  sentence: ({ payload }) => `Started: ${payload.quantity} pieces from lot ${payload.lotId}`,
});
