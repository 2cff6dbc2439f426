import type { Factory } from '../../factory/index.ts';
import { wrongInput, type Refused } from '../../ledger/index.ts';

/** Why somebody cannot be who writes a program; nothing when they can, or when it is nobody. */
export const ownerObjection = (ownerId: string | null, factory: Factory): Refused | undefined =>
  ownerId === null || factory.setUp.people.get(ownerId)?.active === true
    ? undefined
    : wrongInput('ownerId', 'Nobody of that name works here');
