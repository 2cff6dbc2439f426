import { CloseRig } from './closeRig.ts';
import { PutInRig } from './putInRig.ts';
import { TakeOut } from './takeOut.ts';
import { WipeFaces } from './wipeFaces.ts';

export { CloseRig, PutInRig, TakeOut, WipeFaces };

export const RIG_COMMANDS = [WipeFaces, PutInRig, CloseRig, TakeOut] as const;
