import type { Route } from '@ample-crane/core';
import { useCallback, useEffect, useMemo, useState } from 'react';

interface Edited {
  past: Route[];
  present: Route;
  future: Route[];
}

const REMEMBERED = 100;
const keyOf = (id: string) => `route draft ${id}`;

/** What was edited and not saved on this device, if it belongs to this revision. */
function remembered(id: string, revision: number): Route | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as { revision: number; route: Route } | null;
    if (kept?.revision === revision && Array.isArray(kept.route.operations)) return kept.route;
  } catch {
    // Damaged: what is saved on the server is shown.
    localStorage.removeItem(keyOf(id));
  }
  return undefined;
}

/** A route that is edited with undo and redo, and survives a reload before it is saved. */
export function useDraft(saved: Route, revision: number) {
  const [edited, setEdited] = useState<Edited>(() => ({ past: [], present: remembered(saved.id, revision) ?? saved, future: [] }));
  const { past, present, future } = edited;
  const dirty = useMemo(() => JSON.stringify(present) !== JSON.stringify(saved), [present, saved]);

  useEffect(() => {
    if (dirty) localStorage.setItem(keyOf(saved.id), JSON.stringify({ revision, route: present }));
    else localStorage.removeItem(keyOf(saved.id));
  }, [dirty, present, saved.id, revision]);

  const change = useCallback((next: Route) => {
    setEdited((was) => (next === was.present ? was : { past: [...was.past.slice(-REMEMBERED), was.present], present: next, future: [] }));
  }, []);
  const undo = useCallback(() => {
    setEdited((was) => {
      const before = was.past.at(-1);
      return before ? { past: was.past.slice(0, -1), present: before, future: [was.present, ...was.future] } : was;
    });
  }, []);
  const redo = useCallback(() => {
    setEdited((was) => {
      const [after, ...rest] = was.future;
      return after ? { past: [...was.past, was.present], present: after, future: rest } : was;
    });
  }, []);
  return { route: present, change, undo, redo, dirty, canUndo: past.length > 0, canRedo: future.length > 0 };
}
