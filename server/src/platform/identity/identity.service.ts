import { randomInt } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { METRIC } from '@ample-crane/core';
import { DataSource, type EntityManager } from 'typeorm';
import { badInput, Problem } from '../problems/problems.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { checkStrength, hashPassword, isRight } from './passwords.ts';
import { AccountEntity } from './account.entity.ts';
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
    const account = await this.admitted({ login }, place);
    if (!(await isRight(password, account?.passwordHash)) || !account)
      throw new Problem(401, 'sign-in', 'Not signed in', 'That name and password do not go together.');
    return this.letIn(account, place);
  }

  async needsFirstAdministrator(): Promise<boolean> {
    return (await this.database.getRepository(PersonEntity).count()) === 0;
  }

  /** Sets an empty factory up; only while it has no people at all. */
  async createFirstAdministrator(
    { login, name, password }: { login: string; name: string; password: string },
    place: Place,
  ): Promise<string> {
    await this.checkPassword('password', password, { login, name });
    const passwordHash = await hashPassword(password);
    const id = login.trim().toLowerCase();
    await this.database.transaction(async (manager) => {
      await manager.query('lock table person in share row exclusive mode');
      if ((await manager.count(PersonEntity)) > 0)
        throw new Problem(409, 'set-up', 'Already set up', 'This factory already has people. Ask an administrator for a sign-in.');
      await manager.insert(PersonEntity, newPerson({ id, name }));
      await manager.insert(AccountEntity, newAccount({ personId: id, login: id, role: 'admin', passwordHash }));
    });
    return this.sessions.open(id, place);
  }

  /** One's own password; every other session ends. */
  async changePassword(personId: string, given: { password: string; next: string; session: string }, place: Place): Promise<void> {
    const account = await this.admitted({ personId }, place);
    if (!account || !(await isRight(given.password, account.passwordHash)))
      throw badInput('password', 'That is not your password as it is now');
    await this.checkPassword('next', given.next, { login: account.login, name: account.person.name });
    await this.setPassword(personId, given.next, given.session);
    await this.forgive(account, place);
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
    const account = await this.admitted({ login: given.login }, place);
    const code = hashToken(given.code.toUpperCase().replace(/[^A-Z0-9]/g, ''));
    const found: unknown[] = await this.database.query(
      'select 1 from password_reset where person_id = $1 and code_hash = $2 and expires_at > now()',
      [account?.personId ?? '', code],
    );
    if (!account || found.length === 0)
      throw new Problem(401, 'sign-in', 'Not signed in', 'That name and code do not go together, or the code is used or older than a day.');
    await this.checkPassword('password', given.password, { login: account.login, name: account.person.name });
    // Used up before the password changes: of two at once, one only.
    const [, used] = await this.database.query<[unknown, number]>('delete from password_reset where person_id = $1 and code_hash = $2', [
      account.personId,
      code,
    ]);
    if (used === 0) throw new Problem(401, 'sign-in', 'Not signed in', 'The code has just been used.');
    await this.setPassword(account.personId, given.password, '');
    return this.letIn(account, place);
  }

  /** Refuses a password that is short, common, or follows from what is known of its owner. */
  async checkPassword(field: string, password: string, of: { login: string; name: string }): Promise<void> {
    const { name } = await this.settings.get('factory');
    checkStrength(field, password, [of.login, of.name, name]);
  }

  /** The account of somebody who still works here. */
  account(personId: string): Promise<AccountEntity | null> {
    return this.active({ personId });
  }

  async savePreferences(personId: string, preferences: Partial<Pick<AccountEntity, 'units' | 'theme'>>): Promise<void> {
    if (Object.keys(preferences).length > 0) await this.database.getRepository(AccountEntity).update({ personId }, preferences);
  }

  /** A new secret address for this person's calendar feed; the one before stops working. */
  async renewFeedToken(personId: string): Promise<string> {
    const token = newToken();
    await this.database.getRepository(AccountEntity).update({ personId }, { feedTokenHash: hashToken(token) });
    return token;
  }

  /** Whose calendar is asked for with a token. */
  accountOfFeed(token: string): Promise<AccountEntity | null> {
    return this.active({ feedTokenHash: hashToken(token) });
  }

  private active(where: { login: string } | { personId: string } | { feedTokenHash: string }): Promise<AccountEntity | null> {
    const accounts = this.database.getRepository(AccountEntity);
    return accounts.findOne({ where: { ...where, person: { active: true } }, relations: { person: true } });
  }

  /** The account that is asked for, once they may try. */
  private async admitted(where: { login: string } | { personId: string }, { address }: Place): Promise<AccountEntity | null> {
    const wanted = 'login' in where ? { login: where.login.trim().toLowerCase() } : where;
    const account = await this.active(wanted);
    // Tries are counted for a name, whether there is such a name or not.
    const name = 'login' in wanted ? wanted.login : (account?.login ?? wanted.personId);
    await this.tries.admit({ name, address, isKnown: account !== null && (await this.sessions.isKnown(account.personId, address)) });
    return account;
  }

  private async letIn(account: AccountEntity, place: Place): Promise<string> {
    await this.forgive(account, place);
    return this.sessions.open(account.personId, place);
  }

  private async forgive({ login, personId }: AccountEntity, { address }: Place): Promise<void> {
    await this.tries.forgive({ name: login, address, isKnown: await this.sessions.isKnown(personId, address) });
  }

  private async setPassword(personId: string, password: string, keepSession: string): Promise<void> {
    const passwordHash = await hashPassword(password);
    await this.database.transaction(async (manager) => {
      await manager.update(AccountEntity, { personId }, { passwordHash });
      await manager.query('delete from password_reset where person_id = $1', [personId]);
      await this.sessions.endAll(personId, { except: keepSession, manager });
    });
  }
}

export const newPerson = (given: Pick<PersonEntity, 'id' | 'name'> & Partial<PersonEntity>): PersonEntity => ({
  skills: [],
  away: [],
  week: null,
  active: true,
  version: 1,
  ...given,
});

/** An account as it begins. */
export const newAccount = (given: Pick<AccountEntity, 'personId' | 'login' | 'role' | 'passwordHash'>): Omit<AccountEntity, 'person'> => ({
  units: METRIC,
  theme: 'paper',
  feedTokenHash: null,
  ...given,
  login: given.login.trim().toLowerCase(),
});
