import { rowKind } from '../ledger/index.ts';

/** How many loads a rig has had: what is in it now is told by the pieces. */
export interface RigCount {
  /** the carrier's */
  id: string;
  loads: number;
}
export const RigCount = rowKind<RigCount>('rig count', { key: 'id' });

/** The name of a rig's load of a number. */
export const loadIdOf = (rigId: string, number: number): string => `${rigId}/${number}`;
