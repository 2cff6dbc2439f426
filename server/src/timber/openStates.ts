/** States of a lot there is still wood of. */
export const OPEN_STATES = ['drying', 'released'] as const;
export type OpenState = (typeof OPEN_STATES)[number];
