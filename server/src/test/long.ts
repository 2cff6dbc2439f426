import { LEDGER, RouteBook, Rows } from '@ample-crane/core';
import { simulate } from '../demo/habits/simulate.ts';
import type { DataSource } from 'typeorm';
import { loadHistory } from '../demo/load.ts';
import { longHistory } from '../demo/longHistory.ts';
import { demoScenario } from '../demo/scenario.ts';

/** Fills a database with a factory many times the demo's size: a logbook of so many entries, and all that follows from it. */
export async function loadLong(owner: DataSource, nowMs: number, most: number): Promise<void> {
  const scenario = demoScenario(nowMs);
  // All side by side, as in one factory; within each copy nothing changes places.
  const told = [...longHistory(simulate(scenario).entries, most)].flatMap((copy) => {
    let afterMs = 0;
    return copy.map((entry) => ({ entry, afterMs: (afterMs = Math.max(afterMs, entry.atMs)) }));
  });
  const numbered = told.sort((a, b) => a.afterMs - b.afterMs).map(({ entry }, i) => ({ ...entry, id: i + 1 }));
  const rows = new Rows(true);
  LEDGER.replay(numbered, new RouteBook(scenario.routes), rows);
  await loadHistory(owner, nowMs, numbered, rows);
}
