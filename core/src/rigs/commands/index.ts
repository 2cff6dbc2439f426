import { CloseRig } from './closeRig.ts';
import { PutInRig } from './putInRig.ts';
import { TakeOut } from './takeOut.ts';

export { CloseRig, PutInRig, TakeOut };

export const RIG_COMMANDS = [PutInRig, CloseRig, TakeOut] as const;
