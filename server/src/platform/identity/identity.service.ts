import { randomInt } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { METRIC } from '@ample-crane/core';
import { DataSource, type EntityManager } from 'typeorm';
import { badInput, Problem } from '../problems/problems.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { checkStrength, hashPassword, isRight } from './passwords.ts';
import { PersonEntity } from './person.entity.ts';
import { hashToken, newToken, SessionsService, type Place } from './sessions.service.ts';
import { TriesService } from './tries.service.ts';

/** Without letters and digits that are taken for one another. */
const CODE_LETTERS = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const CODE_HOURS = 24;

@Injectable()
export class IdentityService {
  constructor(
    private readonly database: DataSource,
    private readonly sessions: SessionsService,
    private readonly tries: TriesService,
    private readonly settings: SettingsService,
  ) {}

  /** @returns the session's token, or throws a problem that does not tell which of the two was wrong */
  async signIn(login: string, password: string, place: Place): Promise<string> {
    const person = await this.admitted(login, place);
    if (!(await isRight(password, person?.passwordHash)) || !person)
      throw new Problem(401, 'sign-in', 'Not signed in', 'That name and password do not go together.');
    return this.letIn(person, place);
  }

  async needsFirstAdministrator(): Promise<boolean> {
    return (await this.database.getRepository(PersonEntity).count()) === 0;
  }

  /** Sets an empty factory up; only while it has no people at all. */
  async createFirstAdministrator(
    { login, name, password }: Pick<PersonEntity, 'login' | 'name'> & { password: string },
    place: Place,
  ): Promise<string> {
    await this.checkPassword('password', password, { login, name });
    const passwordHash = await hashPassword(password);
    await this.database.transaction(async (manager) => {
      await manager.query('lock table person in share row exclusive mode');
      if ((await manager.count(PersonEntity)) > 0)
        throw new Problem(409, 'set-up', 'Already set up', 'This factory already has people. Ask an administrator for a sign-in.');
      await manager.insert(PersonEntity, newPerson({ login, name, role: 'admin', passwordHash }));
    });
    return this.sessions.open(login.trim().toLowerCase(), place);
  }

  /** One's own password; every other session ends. */
  async changePassword(personId: string, given: { password: string; next: string; session: string }, place: Place): Promise<void> {
    const person = await this.admitted(personId, place);
    if (!person || !(await isRight(given.password, person.passwordHash)))
      throw badInput('password', 'That is not your password as it is now');
    await this.checkPassword('next', given.next, person);
    await this.setPassword(person.id, given.next, given.session);
    await this.tries.forgive({
      name: person.login,
      address: place.address,
      isKnown: await this.sessions.isKnown(person.id, place.address),
    });
  }

  /** A code with which somebody chooses a new password, once, within a day; the one before stops working. */
  async makeResetCode(manager: EntityManager, personId: string, madeBy: string): Promise<string> {
    const code = Array.from({ length: 12 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');
    await manager.query(
      `insert into password_reset (person_id, code_hash, made_by, expires_at) values ($1, $2, $3, now() + make_interval(hours => ${CODE_HOURS}))
       on conflict (person_id) do update set code_hash = excluded.code_hash, made_by = excluded.made_by, expires_at = excluded.expires_at`,
      [personId, hashToken(code), madeBy],
    );
    return code.replace(/(.{4})(?=.)/g, '$1-');
  }

  /** Takes a code for a new password; every session ends, and another is opened. */
  async reset(given: { login: string; code: string; password: string }, place: Place): Promise<string> {
    const person = await this.admitted(given.login, place);
    const code = hashToken(given.code.toUpperCase().replace(/[^A-Z0-9]/g, ''));
    const found: unknown[] = await this.database.query(
      'select 1 from password_reset where person_id = $1 and code_hash = $2 and expires_at > now()',
      [person?.id ?? '', code],
    );
    if (!person || found.length === 0)
      throw new Problem(401, 'sign-in', 'Not signed in', 'That name and code do not go together, or the code is used or older than a day.');
    await this.checkPassword('password', given.password, person);
    // Used up before the password changes: of two at once, one only.
    const [, used] = await this.database.query<[unknown, number]>('delete from password_reset where person_id = $1 and code_hash = $2', [
      person.id,
      code,
    ]);
    if (used === 0) throw new Problem(401, 'sign-in', 'Not signed in', 'The code has just been used.');
    await this.setPassword(person.id, given.password, '');
    return this.letIn(person, place);
  }

  /** Refuses a password that is short, common, or follows from what is known of its owner. */
  async checkPassword(field: string, password: string, of: Pick<PersonEntity, 'login' | 'name'>): Promise<void> {
    const { name } = await this.settings.get('factory');
    checkStrength(field, password, [of.login, of.name, name]);
  }

  person(id: string): Promise<PersonEntity | null> {
    return this.database.getRepository(PersonEntity).findOneBy({ id, active: true });
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

  /** The person of that name, once they may try. */
  private async admitted(login: string, { address }: Place): Promise<PersonEntity | null> {
    const name = login.trim().toLowerCase();
    const person = await this.database.getRepository(PersonEntity).findOneBy({ login: name, active: true });
    await this.tries.admit({ name, address, isKnown: person !== null && (await this.sessions.isKnown(person.id, address)) });
    return person;
  }

  private async letIn(person: PersonEntity, place: Place): Promise<string> {
    const isKnown = await this.sessions.isKnown(person.id, place.address);
    await this.tries.forgive({ name: person.login, address: place.address, isKnown });
    return this.sessions.open(person.id, place);
  }

  private async setPassword(personId: string, password: string, keepSession: string): Promise<void> {
    const passwordHash = await hashPassword(password);
    await this.database.transaction(async (manager) => {
      await manager.update(PersonEntity, { id: personId }, { passwordHash });
      await manager.query('delete from password_reset where person_id = $1', [personId]);
      await this.sessions.endAll(personId, { except: keepSession, manager });
    });
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
