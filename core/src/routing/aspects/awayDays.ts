import { plain, type AspectKind } from './aspect.ts';

/** How long it is usually away, working days, for an outside step or a transfer. */
export const awayDays: AspectKind<'awayDays', number> = { key: 'awayDays', name: 'days away', words: plain };
