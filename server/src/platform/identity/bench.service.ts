import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { ask } from '../database/prepared.ts';
import { badInput, Problem } from '../problems/problems.ts';
import { hashPassword, isRight } from './passwords.ts';
import type { Role } from './role.ts';
import { hashToken, newToken } from './sessions.service.ts';
import { TriesService } from './tries.service.ts';

/** A shift, and some time to finish what is begun. */
const HOLD_HOURS = 10;
const PIN = /^\d{4,8}$/;
const RUNS = '01234567890 09876543210';

export interface Holder {
  personId: string;
  name: string;
  untilMs: number;
}

interface Found {
  id: string;
  name: string;
  role: Role;
  pin_hash: string | null;
}

const wrong = () => new Problem(422, 'bench', 'Not let on', 'That name and PIN, or that badge, is not known here.');

/** Who has a PIN or a badge but no sign-in works at the benches. */
const BENCH_ROLE = `coalesce(a.role, 'operator') as role`;

/**
 * Who acts at a tablet that is signed in as a station. A PIN or a badge lets somebody on for the shift, on that tablet;
 * what they hold is kept apart from sign-ins, and is worth less: they act as operators at most.
 */
@Injectable()
export class BenchService {
  constructor(
    private readonly database: DataSource,
    private readonly tries: TriesService,
  ) {}

  /** One's own PIN. */
  async setPin(personId: string, pin: string): Promise<void> {
    if (!PIN.test(pin)) throw badInput('pin', 'A PIN has 4 to 8 digits');
    if (RUNS.includes(pin) || new Set(pin).size === 1) throw badInput('pin', 'Others would guess this PIN first');
    await this.database.query(
      `insert into bench_credential (person_id, pin_hash) values ($1, $2)
       on conflict (person_id) do update set pin_hash = excluded.pin_hash, set_at = now()`,
      [personId, await hashPassword(pin)],
    );
  }

  /** The badge that stands for a person; none takes it away. */
  async setBadge(manager: EntityManager, personId: string, badge: string | null): Promise<void> {
    const badgeHash = badge === null ? null : hashToken(badge);
    const [other] = await manager.query<{ person_id: string }[]>(
      'select person_id from bench_credential where badge_hash = $1 and person_id <> $2',
      [badgeHash, personId],
    );
    if (other) throw badInput('badge', 'Somebody else has this badge');
    await manager.query(
      `insert into bench_credential (person_id, badge_hash) values ($1, $2)
       on conflict (person_id) do update set badge_hash = excluded.badge_hash, set_at = now()`,
      [personId, badgeHash],
    );
    // Whoever holds the old one is let on no more.
    await manager.query('delete from bench_hold where person_id = $1', [personId]);
  }

  /** Everybody who can be let on by a PIN. */
  people(): Promise<{ id: string; name: string }[]> {
    return ask(
      this.database,
      'select p.id, p.name from bench_credential c join person p on p.id = c.person_id where p.active and c.pin_hash is not null order by p.name',
      [],
    );
  }

  /** Who has been let on at a tablet. */
  async holders(session: string): Promise<Holder[]> {
    const rows = await ask<{ id: string; name: string; expires_at: Date }>(
      this.database,
      `select p.id, p.name, h.expires_at from bench_hold h join person p on p.id = h.person_id
       where h.session_hash = $1 and h.expires_at > now() and p.active order by p.name`,
      [session],
    );
    return rows.map((r) => ({ personId: r.id, name: r.name, untilMs: r.expires_at.getTime() }));
  }

  /** Lets somebody on at a tablet, for the shift. @returns the token that the tablet keeps for them */
  async letOn(
    session: string,
    by: { personId: string; pin: string } | { badge: string },
    address: string,
  ): Promise<Holder & { token: string }> {
    const person = 'badge' in by ? await this.byBadge(by.badge, address) : await this.byPin(by, address);
    const token = newToken();
    const [hold] = await this.database.query<{ expires_at: Date }[]>(
      `insert into bench_hold (token_hash, session_hash, person_id, expires_at) values ($1, $2, $3, now() + make_interval(hours => $4))
       on conflict (session_hash, person_id) do update set token_hash = excluded.token_hash, expires_at = excluded.expires_at
       returning expires_at`,
      [hashToken(token), session, person.id, HOLD_HOURS],
    );
    return { personId: person.id, name: person.name, untilMs: hold?.expires_at.getTime() ?? 0, token };
  }

  /** Lets somebody off a tablet. @returns whether they were on it */
  async letOff(session: string, personId: string): Promise<boolean> {
    const [, off] = await this.database.query<[unknown, number]>('delete from bench_hold where session_hash = $1 and person_id = $2', [
      session,
      personId,
    ]);
    return off > 0;
  }

  /** Who a token is of, at the tablet it was given to. */
  async holder(session: string, personId: string, token: string): Promise<{ id: string; name: string; role: Role } | undefined> {
    const [person] = await ask<{ id: string; name: string; role: Role }>(
      this.database,
      `select p.id, p.name, ${BENCH_ROLE} from bench_hold h join person p on p.id = h.person_id left join account a on a.person_id = p.id
       where h.token_hash = $1 and h.session_hash = $2 and h.person_id = $3 and h.expires_at > now() and p.active`,
      [hashToken(token), session, personId],
    );
    return person;
  }

  /** Somebody signs at a tablet: with the PIN at that moment, whoever has been let on before. */
  async confirm(personId: string, pin: string | undefined, address: string): Promise<void> {
    if (pin === undefined) throw badInput('pin', 'At a station a sign-off needs the PIN of whoever signs');
    await this.byPin({ personId, pin }, address);
  }

  private async byPin({ personId, pin }: { personId: string; pin: string }, address: string): Promise<Found> {
    const tried = { name: `pin ${personId}`, address, isKnown: true };
    await this.tries.admit(tried);
    const person = await this.find('p.id = $1', personId);
    if (!(await isRight(pin, person?.pin_hash ?? undefined)) || !person) throw wrong();
    await this.tries.forgive(tried);
    return person;
  }

  private async byBadge(badge: string, address: string): Promise<Found> {
    const tried = { name: 'badge', address, isKnown: true };
    await this.tries.admit(tried);
    const person = await this.find('c.badge_hash = $1', hashToken(badge));
    if (!person) throw wrong();
    await this.tries.forgive(tried);
    return person;
  }

  private async find(where: string, value: string): Promise<Found | undefined> {
    const [person] = await ask<Found & Record<string, unknown>>(
      this.database,
      `select p.id, p.name, ${BENCH_ROLE}, c.pin_hash
       from bench_credential c join person p on p.id = c.person_id left join account a on a.person_id = p.id where p.active and ${where}`,
      [value],
    );
    return person;
  }
}
