import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { Problem } from '../problems/problems.ts';
import { Environment } from '../settings/environment.ts';
import type { Response } from 'express';
import type { ShopChange } from '../events/change.ts';
import type { Actor, SignedRequest } from './actor.ts';
import { BenchService } from './bench.service.ts';
import { ALLOWED, lesserOf, mayActAs, STATION_MAY, type Role } from './role.ts';
import { SessionsService, type SignedIn } from './sessions.service.ts';

export const SESSION_COOKIE = 'crane_session';
/** What a tablet keeps for somebody who has been let on at it. */
export const benchCookie = (personId: string) => `crane_bench_${personId}`;
/** Names, at a tablet that is signed in as a station, who of those let on there acts. */
const BENCH_PERSON = 'Bench-Person';
/** The most that a PIN is worth. */
const BENCH_ROLE: Role = 'operator';
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);
const KEY = /^[\x20-\x7e]{1,100}$/;

/** Deny by default: a route is open to the role it names, and a change must come from our own pages. */
@Injectable()
export class IdentityGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly sessions: SessionsService,
    private readonly bench: BenchService,
    private readonly environment: Environment,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<SignedRequest>();
    const changes = !READING.has(request.method);
    if (changes) checkOrigin(request, this.environment.publicUrl);
    const of = <T>(what: string) => this.reflector.getAllAndOverride<T | undefined>(what, [context.getHandler(), context.getClass()]);
    const needed = of<Role | 'public'>(ALLOWED);
    if (needed === 'public') return true;
    const token = cookieOf(request, SESSION_COOKIE);
    const signedIn = token === undefined ? null : await this.sessions.find(token);
    if (!signedIn) throw new Problem(401, 'sign-in', 'Not signed in', 'Sign in first.');
    request.session = signedIn.session;
    if (signedIn.station) request.station = signedIn.station;
    const who = signedIn.station
      ? await this.atStation(request, signedIn, { changes, needed, stationMay: of<boolean>(STATION_MAY) === true })
      : signedIn;
    if (needed === undefined || !mayActAs(who.role, needed))
      throw new Problem(403, 'not-allowed', 'Not allowed', `This needs the role ${needed ?? 'nobody has'}; you are ${who.role}.`);
    const key = request.header('Idempotency-Key');
    if (key !== undefined && !KEY.test(key))
      throw new Problem(400, 'bad-input', 'Check the input', 'The Idempotency-Key must be 1 to 100 plain letters, digits and marks.');
    const response = context.switchToHttp().getResponse<Response>();
    request.actor = {
      personId: who.id,
      name: who.name,
      role: who.role,
      idempotencyKey: key ?? null,
      hear: (change) => tell(response, change),
    };
    return true;
  }

  /** At a tablet that is signed in as a station everybody may look; who changes anything has been let on there. */
  private async atStation(
    request: SignedRequest,
    { session, id, name }: SignedIn,
    { changes, needed, stationMay }: { changes: boolean; needed: Role | undefined; stationMay: boolean },
  ): Promise<Pick<Actor, 'name' | 'role'> & { id: string }> {
    const personId = request.header(BENCH_PERSON);
    const token = personId === undefined ? undefined : cookieOf(request, benchCookie(personId));
    const person = personId === undefined || token === undefined ? undefined : await this.bench.holder(session, personId, token);
    if (changes && !stationMay) {
      if (!person) throw new Problem(401, 'bench', 'Who is it?', 'Say who you are at this station: by name and PIN, or badge.');
      if (needed === 'viewer') throw new Problem(403, 'not-allowed', 'Not allowed', 'Sign in yourself to change what is yours alone.');
    }
    return person ? { ...person, role: lesserOf(person.role, BENCH_ROLE) } : { id, name, role: 'viewer' };
  }
}

/** Ids may be in any script; a header may not. */
function tell(response: Response, change: ShopChange): void {
  response.append('X-Changed', encodeURIComponent(JSON.stringify(change)));
}

function cookieOf(request: SignedRequest, name: string): string | undefined {
  const value: unknown = (request.cookies as Record<string, unknown> | undefined)?.[name];
  return typeof value === 'string' ? value : undefined;
}

function checkOrigin(request: SignedRequest, publicUrl: URL | undefined): void {
  const origin = request.header('Origin');
  if (origin === undefined || origin === publicUrl?.origin) return;
  const host = request.header('Host');
  if (!URL.canParse(origin) || new URL(origin).host !== host)
    throw new Problem(403, 'origin', 'Not allowed', 'A change can only come from this application’s own pages.');
}
