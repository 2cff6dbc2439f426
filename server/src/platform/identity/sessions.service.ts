import { createHash, randomBytes } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { ask } from '../database/prepared.ts';
import { SESSION_CHANNEL } from '../events/events.service.ts';
import { Environment } from '../settings/environment.ts';
import type { Role } from './role.ts';

/** Counted by the machine's clock: letting time pass in the demo signs nobody out. */
const LONGEST_DAYS = 14;
const SEEN_EVERY_MS = 5 * 60_000;
const ADDRESS_DAYS = 90;
const STATION_DAYS = 365;
/** A person's ends when they leave, or after some quiet; a tablet on the wall may hang there over the holidays. */
const GOES_ON = `s.expires_at > now() and (s.station_code is not null or (p.active and s.seen_at > now() - make_interval(hours => $2)))`;

export const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');
export const newToken = () => randomBytes(32).toString('base64url');

/** Whom a session is of: no more than a request needs. */
export interface SignedIn {
  /** a person's, or for a station a name that no person has */
  id: string;
  name: string;
  role: Role;
  /** the session's name; not its token */
  session: string;
  station?: { code: string; name: string };
}

/** Where a request comes from. */
export interface Place {
  address: string;
  device: string;
}

export interface OpenSession extends Place {
  id: string;
  createdMs: number;
  seenMs: number;
}

/** Sessions, and where each of them is. */
@Injectable()
export class SessionsService {
  readonly longestMs = LONGEST_DAYS * 86_400_000;

  constructor(
    private readonly database: DataSource,
    private readonly environment: Environment,
  ) {}

  /** @returns the token, of which only a hash is kept */
  async open(personId: string, { address, device }: Place): Promise<string> {
    const token = newToken();
    await this.database.query(
      `with known as (
         insert into known_address (person_id, address, last_at) values ($2, $3, now())
         on conflict (person_id, address) do update set last_at = now())
       insert into session (token_hash, person_id, address, device, expires_at)
       values ($1, $2, $3, $4, now() + make_interval(days => $5))`,
      [hashToken(token), personId, address, device, LONGEST_DAYS],
    );
    return token;
  }

  /** Signs a tablet in as a station; it looks, and others act on it by PIN. @returns the token */
  async openStation(code: string, openedBy: string, { address, device }: Place): Promise<string> {
    const token = newToken();
    await this.database.query(
      `insert into session (token_hash, station_code, opened_by, address, device, expires_at)
       values ($1, $2, $3, $4, $5, now() + make_interval(days => $6))`,
      [hashToken(token), code, openedBy, address, device, STATION_DAYS],
    );
    return token;
  }

  /** Who is signed in with this token; asked at every request. */
  async find(token: string): Promise<SignedIn | null> {
    const session = hashToken(token);
    const [row] = await ask<{
      id: string | null;
      name: string;
      role: Role;
      station: string | null;
      station_name: string;
      quiet_ms: number;
    }>(
      this.database,
      `select p.id, p.name, coalesce(a.role, 'viewer') as role, s.station_code as station, t.name as station_name,
         (extract(epoch from now() - s.seen_at) * 1000)::float8 as quiet_ms
       from session s left join person p on p.id = s.person_id left join account a on a.person_id = p.id
         left join station t on t.code = s.station_code
       where s.token_hash = $1 and ${GOES_ON}`,
      [session, this.environment.idleHours],
    );
    if (!row) return null;
    if (row.quiet_ms > SEEN_EVERY_MS) await ask(this.database, 'update session set seen_at = now() where token_hash = $1', [session]);
    const { id, name, role, station, station_name } = row;
    if (id !== null) return { id, name, role, session };
    return {
      id: `station ${station ?? ''}`,
      name: station_name,
      role: 'viewer',
      session,
      station: { code: station ?? '', name: station_name },
    };
  }

  /** Whether a session goes on: asked by what lasts longer than a request, and no sign of its person. */
  async goesOn(session: string): Promise<boolean> {
    const rows = await ask(
      this.database,
      `select 1 from session s left join person p on p.id = s.person_id where s.token_hash = $1 and ${GOES_ON}`,
      [session, this.environment.idleHours],
    );
    return rows.length > 0;
  }

  async isKnown(personId: string, address: string): Promise<boolean> {
    const rows = await ask(
      this.database,
      `select 1 from known_address where person_id = $1 and address = $2 and last_at > now() - make_interval(days => $3)`,
      [personId, address, ADDRESS_DAYS],
    );
    return rows.length > 0;
  }

  /** A person's open sessions, the last seen first. */
  async of(personId: string): Promise<OpenSession[]> {
    const rows = await ask<{ token_hash: string; address: string; device: string; created_at: Date; seen_at: Date }>(
      this.database,
      `select token_hash, address, device, created_at, seen_at from session
       where person_id = $1 and expires_at > now() and seen_at > now() - make_interval(hours => $2) order by seen_at desc limit 200`,
      [personId, this.environment.idleHours],
    );
    return rows.map((r) => ({
      id: r.token_hash,
      address: r.address,
      device: r.device,
      createdMs: r.created_at.getTime(),
      seenMs: r.seen_at.getTime(),
    }));
  }

  /** Ends one session of a person. @returns whether there was one */
  async end(personId: string, session: string): Promise<boolean> {
    return (await this.endWhere(this.database.manager, 'person_id = $1 and token_hash = $2', [personId, session])) > 0;
  }

  /** Ends the session that asks, a station's too. */
  async signOut(session: string): Promise<void> {
    await this.endWhere(this.database.manager, 'token_hash = $1', [session]);
  }

  /**
   * Ends a person's sessions; with a manager, as part of its transaction.
   *
   * @param except one that goes on
   */
  endAll(
    personId: string,
    { except = '', manager = this.database.manager }: { except?: string; manager?: EntityManager } = {},
  ): Promise<number> {
    return this.endWhere(manager, 'person_id = $1 and token_hash <> $2', [personId, except]);
  }

  /** Takes away what is over. @returns how many */
  prune(): Promise<number> {
    return this.endWhere(
      this.database.manager,
      'expires_at < now() or (station_code is null and seen_at < now() - make_interval(hours => $1))',
      [this.environment.idleHours],
    );
  }

  private async endWhere(manager: EntityManager, where: string, values: unknown[]): Promise<number> {
    const rows: { ended: string }[] = await manager.query(
      `with gone as (delete from session where ${where} returning token_hash)
       select token_hash as ended, pg_notify('${SESSION_CHANNEL}', token_hash) from gone`,
      values,
    );
    return rows.length;
  }
}
