import type { Operation, Route } from './operation.ts';

export interface StepChange {
  operationId: string;
  kind: 'same' | 'added' | 'removed' | 'changed';
  before: Operation | null;
  after: Operation | null;
  /** the properties that differ */
  fields: string[];
}

/** Step by step, what a version of a route does differently; in the order of the later version, removed steps where they were. */
export function compareRoutes(before: Route, after: Route): StepChange[] {
  const old = new Map(before.operations.map((o) => [o.id, o]));
  const now = new Map(after.operations.map((o) => [o.id, o]));
  const changes: StepChange[] = after.operations.map((o) => {
    const was = old.get(o.id);
    if (!was) return { operationId: o.id, kind: 'added', before: null, after: o, fields: [] };
    const fields = fieldsThatDiffer(was, o);
    return { operationId: o.id, kind: fields.length === 0 ? 'same' : 'changed', before: was, after: o, fields };
  });
  before.operations.forEach((o, i) => {
    if (now.has(o.id)) return;
    const follows = before.operations
      .slice(0, i)
      .reverse()
      .find((earlier) => now.has(earlier.id));
    const at = follows ? changes.findIndex((c) => c.operationId === follows.id) + 1 : 0;
    changes.splice(at, 0, { operationId: o.id, kind: 'removed', before: o, after: null, fields: [] });
  });
  return changes;
}

function fieldsThatDiffer(a: Operation, b: Operation): string[] {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof Operation>;
  return [...keys].filter((key) => JSON.stringify(a[key]) !== JSON.stringify(b[key]));
}

/**
 * Where a batch would stand on another version of its route: at the step of the same name, or the first later step that
 * both versions have.
 *
 * @returns undefined when the versions share no step from there on
 */
export function sameStepIn(from: Route, operationId: string, to: Route): Operation | undefined {
  let id: string | undefined = operationId;
  const seen = new Set<string>();
  while (id !== undefined && !seen.has(id)) {
    seen.add(id);
    const here: string = id;
    const found = to.operations.find((o) => o.id === here);
    if (found) return found;
    id = from.operations.find((o) => o.id === here)?.next[0];
  }
  return undefined;
}
