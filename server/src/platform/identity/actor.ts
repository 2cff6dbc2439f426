import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import type { ShopChange } from '../events/change.ts';
import type { Role } from './role.ts';

/** The signed-in person behind a request, and the mark that makes a repeated request harmless. */
export interface Actor {
  personId: string;
  name: string;
  role: Role;
  idempotencyKey: string | null;
  /** Hears what was changed for them: their answer says it, so that their page asks again for that and nothing else. */
  hear?: (change: ShopChange) => void;
}

export interface SignedRequest extends Request {
  actor?: Actor;
  /** the session it came with; not its token */
  session?: string;
  /** the station that its tablet is signed in as */
  station?: { code: string; name: string };
}

export const CurrentActor = createParamDecorator((_: unknown, context: ExecutionContext): Actor => {
  const { actor } = context.switchToHttp().getRequest<SignedRequest>();
  if (!actor) throw new Error('This route has no signed-in person');
  return actor;
});
