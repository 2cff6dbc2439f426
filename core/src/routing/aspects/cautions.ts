import { listed, type AspectKind } from './aspect.ts';

/** Hazards whose usual cautions are shown where the work is logged. */
export const CAUTION_KINDS = ['cutting', 'dust', 'spraying', 'rags', 'buffing', 'hot', 'solvents', 'thermal'] as const;
export type CautionKind = (typeof CAUTION_KINDS)[number];

export const cautions: AspectKind<'cautions', readonly CautionKind[]> = { key: 'cautions', name: 'cautions', words: listed };
