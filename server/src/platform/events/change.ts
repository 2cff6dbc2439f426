/** One thing that was done: its own name, by which it is known again, and what it changed. */
export interface ShopChange {
  id?: string;
  /** kinds of row and other subjects, each with the ids concerned; null where it may be any of them */
  topics: Readonly<Record<string, readonly string[] | null>>;
}

export const EVERYTHING: ShopChange = { topics: { all: null } };

/** What a notification says; one that cannot be read may mean anything, so everything is asked for anew. */
export function changeIn(payload: string | undefined): ShopChange {
  try {
    const said: unknown = JSON.parse(payload ?? '');
    if (isChange(said)) return said;
  } catch {
    // Not ours, or cut short: told below like any other that cannot be read.
  }
  return EVERYTHING;
}

const isIds = (ids: unknown) => ids === null || (Array.isArray(ids) && ids.every((id) => typeof id === 'string'));

function isChange(said: unknown): said is ShopChange {
  if (typeof said !== 'object' || said === null || !('topics' in said)) return false;
  const { topics } = said;
  if ('id' in said && typeof said.id !== 'string') return false;
  return typeof topics === 'object' && topics !== null && !Array.isArray(topics) && Object.values(topics).every(isIds);
}
