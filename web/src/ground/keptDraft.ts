// What was typed into forms and not sent yet, kept by this window so that a reload loses nothing.
const KEPT = 'drafts';

function drafts(): Record<string, unknown> {
  try {
    return JSON.parse(sessionStorage.getItem(KEPT) ?? '{}') as Record<string, unknown>;
  } catch {
    return {};
  }
}

function keep(all: Record<string, unknown>): void {
  try {
    sessionStorage.setItem(KEPT, JSON.stringify(all));
  } catch {
    // A window that keeps nothing loses them with a reload, as it would have anyway.
    sessionStorage.removeItem(KEPT);
  }
}

/** What was kept under a name; undefined where nothing was, or it cannot be read. */
export const readDraft = <T>(name: string): T | undefined => drafts()[name] as T | undefined;

export const keepDraft = (name: string, draft: unknown): void => keep({ ...drafts(), [name]: draft });

export function forgetDraft(name: string): void {
  const { [name]: gone, ...rest } = drafts();
  if (gone !== undefined) keep(rest);
}

/** Whoever signs out leaves nothing typed behind. */
export const forgetDrafts = (): void => sessionStorage.removeItem(KEPT);
