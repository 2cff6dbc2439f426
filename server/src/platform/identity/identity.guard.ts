import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { Problem } from '../problems/problems.ts';
import type { SignedRequest } from './actor.ts';
import { Environment } from '../settings/environment.ts';
import { SessionsService } from './sessions.service.ts';
import { ALLOWED, mayActAs, type Role } from './role.ts';

export const SESSION_COOKIE = 'crane_session';
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);
const KEY = /^[\x21-\x7e]{1,100}$/;

/** Deny by default: a route is open to the role it names, and a change must come from our own pages. */
@Injectable()
export class IdentityGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly sessions: SessionsService,
    private readonly environment: Environment,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<SignedRequest>();
    if (!READING.has(request.method)) checkOrigin(request, this.environment.publicUrl);
    const needed = this.reflector.getAllAndOverride<Role | 'public' | undefined>(ALLOWED, [context.getHandler(), context.getClass()]);
    if (needed === 'public') return true;
    const token: unknown = (request.cookies as Record<string, unknown> | undefined)?.[SESSION_COOKIE];
    const person = typeof token === 'string' ? await this.sessions.find(token) : null;
    if (!person) throw new Problem(401, 'sign-in', 'Not signed in', 'Sign in first.');
    if (needed === undefined || !mayActAs(person.role, needed))
      throw new Problem(403, 'not-allowed', 'Not allowed', `This needs the role ${needed ?? 'nobody has'}; you are ${person.role}.`);
    const key = request.header('Idempotency-Key');
    if (key !== undefined && !KEY.test(key))
      throw new Problem(400, 'bad-input', 'Check the input', 'The Idempotency-Key must be 1 to 100 letters, digits and marks.');
    request.session = person.session;
    request.actor = {
      personId: person.id,
      name: person.name,
      role: person.role,
      idempotencyKey: key ?? null,
    };
    return true;
  }
}

function checkOrigin(request: SignedRequest, publicUrl: URL | undefined): void {
  const origin = request.header('Origin');
  if (origin === undefined || origin === publicUrl?.origin) return;
  const host = request.header('Host');
  if (!URL.canParse(origin) || new URL(origin).host !== host)
    throw new Problem(403, 'origin', 'Not allowed', 'A change can only come from this application’s own pages.');
}
