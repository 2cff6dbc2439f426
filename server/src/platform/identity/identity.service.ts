import { createHash, randomBytes } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { hash, verify } from '@node-rs/argon2';
import { METRIC } from '@ample-crane/core';
import { DataSource } from 'typeorm';
import { ask } from '../database/prepared.ts';
import { Problem } from '../problems/problems.ts';
import { PersonEntity, SessionEntity } from './person.entity.ts';

/** Counted by the machine's clock: letting time pass in the demo signs nobody out. */
const SESSION_MS = 14 * 24 * 3_600_000;
const TRIES = 8;
const TRIES_WINDOW = '10 minutes';

export const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');
export const newToken = () => randomBytes(32).toString('base64url');
/** argon2id with the library's defaults (19 MiB, 2 passes). */
export const hashPassword = (password: string) => hash(password);

export type SignedIn = Pick<PersonEntity, 'id' | 'name' | 'role'>;

@Injectable()
export class IdentityService {
  constructor(private readonly database: DataSource) {}

  /** @returns the session's token, or throws a problem that does not tell which of the two was wrong */
  async signIn(login: string, password: string): Promise<string> {
    const name = login.trim().toLowerCase();
    const rows: { tries: number }[] = await this.database.query(
      `select count(*)::int as tries from sign_in_attempt where login = $1 and at > now() - interval '${TRIES_WINDOW}'`,
      [name],
    );
    if ((rows[0]?.tries ?? 0) >= TRIES)
      throw new Problem(429, 'too-many-tries', 'Too many tries', 'Too many wrong passwords for this name. Wait ten minutes.');
    const person = await this.database.getRepository(PersonEntity).findOneBy({ login: name, active: true });
    if (!person || !(await verify(person.passwordHash, password))) {
      await this.database.query('insert into sign_in_attempt (login, at) values ($1, now())', [name]);
      throw new Problem(401, 'sign-in', 'Not signed in', 'That name and password do not go together.');
    }
    await this.database.query('delete from sign_in_attempt where login = $1', [name]);
    return this.openSession(person.id);
  }

  private async openSession(personId: string): Promise<string> {
    const token = newToken();
    await this.database.getRepository(SessionEntity).insert({ tokenHash: hashToken(token), personId, expiresMs: Date.now() + SESSION_MS });
    return token;
  }

  async signOut(token: string): Promise<void> {
    await this.database.getRepository(SessionEntity).delete({ tokenHash: hashToken(token) });
  }

  async personOf(token: string): Promise<PersonEntity | null> {
    return this.database
      .getRepository(PersonEntity)
      .createQueryBuilder('p')
      .innerJoin(SessionEntity, 's', 's.personId = p.id')
      .where('p.active and s.tokenHash = :tokenHash and s.expiresMs > :now', { tokenHash: hashToken(token), now: new Date() })
      .getOne();
  }

  /** Who is signed in with this token; asked at every request, so no more than a request needs. */
  async signedIn(token: string): Promise<SignedIn | null> {
    const [person] = await ask<SignedIn>(
      this.database,
      `select p.id, p.name, p.role from session s join person p on p.id = s.person_id
       where p.active and s.token_hash = $1 and s.expires_at > $2`,
      [hashToken(token), new Date()],
    );
    return person ?? null;
  }

  async needsFirstAdministrator(): Promise<boolean> {
    return (await this.database.getRepository(PersonEntity).count()) === 0;
  }

  /** Sets an empty factory up; only while it has no people at all. */
  async createFirstAdministrator(login: string, name: string, password: string): Promise<string> {
    const passwordHash = await hashPassword(password);
    await this.database.transaction(async (manager) => {
      await manager.query('lock table person in share row exclusive mode');
      if ((await manager.count(PersonEntity)) > 0)
        throw new Problem(409, 'set-up', 'Already set up', 'This factory already has people. Ask an administrator for a sign-in.');
      await manager.insert(PersonEntity, newPerson({ login, name, role: 'admin', passwordHash }));
    });
    return this.openSession(login.trim().toLowerCase());
  }

  async savePreferences(personId: string, preferences: Partial<Pick<PersonEntity, 'units' | 'theme'>>): Promise<void> {
    if (Object.keys(preferences).length > 0) await this.database.getRepository(PersonEntity).update({ id: personId }, preferences);
  }

  /** A new secret address for this person's calendar feed; the one before stops working. */
  async renewFeedToken(personId: string): Promise<string> {
    const token = newToken();
    await this.database.getRepository(PersonEntity).update({ id: personId }, { feedTokenHash: hashToken(token) });
    return token;
  }

  personOfFeed(token: string): Promise<PersonEntity | null> {
    return this.database.getRepository(PersonEntity).findOneBy({ feedTokenHash: hashToken(token), active: true });
  }
}

export function newPerson(given: Pick<PersonEntity, 'login' | 'name' | 'role' | 'passwordHash'> & Partial<PersonEntity>): PersonEntity {
  const login = given.login.trim().toLowerCase();
  return {
    id: login,
    skills: [],
    skillLevels: {},
    away: [],
    active: true,
    units: METRIC,
    theme: 'paper',
    feedTokenHash: null,
    version: 1,
    ...given,
    login,
  };
}
