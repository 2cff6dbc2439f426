/** What a card holds, in the order of its tabs. */
export const TABS = ['Pieces', 'Steps', 'Coats', 'Measures', 'Defects', 'Log'] as const;
export type CardTab = (typeof TABS)[number];
