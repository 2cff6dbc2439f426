import type { Person } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import type { Actor } from '../platform/identity/actor.ts';
import { AccountEntity } from '../platform/identity/account.entity.ts';
import { BenchService } from '../platform/identity/bench.service.ts';
import { IdentityService, newAccount, newPerson } from '../platform/identity/identity.service.ts';
import { hashPassword } from '../platform/identity/passwords.ts';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { mayActAs, type Role } from '../platform/identity/role.ts';
import { SessionsService } from '../platform/identity/sessions.service.ts';
import { badInput, notFound, Problem, stale } from '../platform/problems/problems.ts';
import { ChangesService } from './changes.service.ts';
import type { BadgeDto, ChangePersonDto, GiveAccountDto, NewAccountDto, PersonDto, PersonView } from './people.dto.ts';
import type { FactoryNow } from './factory.service.ts';

/** Who works here, what they can, when they are there, and who of them signs in. */
@Injectable()
export class PeopleService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
    private readonly identity: IdentityService,
    private readonly sessions: SessionsService,
    private readonly bench: BenchService,
  ) {}

  async views(factory: FactoryNow, nowMs: number): Promise<PersonView[]> {
    const accounts = await this.database.getRepository(AccountEntity).find({ select: { personId: true, login: true, role: true } });
    const accountOf = new Map(accounts.map((a) => [a.personId, a]));
    return [...factory.setUp.people.values()].map(({ id, name, skills, away, week, active, version }) => ({
      id,
      name,
      login: accountOf.get(id)?.login ?? null,
      role: accountOf.get(id)?.role ?? null,
      skills: [...skills],
      away: [...away],
      week: week && { ...week, days: [...week.days] },
      active,
      awayUntilMs: factory.people.awayUntil({ away }, nowMs),
      version,
    }));
  }

  async add(actor: Actor, { name, skills, account }: PersonDto): Promise<{ id: string }> {
    const passwordHash = account && (await this.newHash('account.password', account, name));
    const id = account?.login ?? (await this.freeId(name));
    checkSkills(skills);
    return this.changes.make(actor, 'person', id, { name, skills, account: account && { ...account, password: null } }, async (manager) => {
      if (await manager.existsBy(PersonEntity, { id }))
        throw badInput(account ? 'account.login' : 'name', `Somebody is on record as ${id} already; choose another name`);
      await manager.insert(PersonEntity, newPerson({ id, name, skills }));
      if (account && passwordHash !== null) await this.open(actor, manager, id, { ...account, passwordHash });
      return { before: null, after: { name, skills, role: account?.role ?? null } };
    });
  }

  async change(actor: Actor, id: string, dto: ChangePersonDto): Promise<{ id: string }> {
    const { name, skills, away, week, active, role, version } = dto;
    checkSkills(skills);
    if (away.some((a) => a.toMs <= a.fromMs)) throw badInput('away', 'An absence ends after it begins');
    if (week && week.endsAt === week.startsAt)
      throw badInput('week', 'A shift ends at another time than it starts; past midnight it ends the next day');
    return this.changes.make(actor, 'person', id, dto, async (manager) => {
      await oneAtATime(manager);
      const person = await seen(manager, id, version);
      const account = await manager.findOneBy(AccountEntity, { personId: id });
      if (account && role === undefined) throw badInput('role', 'Say what they may do');
      if (!account && role !== undefined) throw badInput('role', 'Who does not sign in has no role: give them a sign-in first');
      if (account && role !== undefined) await this.changeRole(actor, manager, account, { role, active });
      await manager.update(PersonEntity, { id }, { name, skills, away, week, active, version: person.version + 1 });
      if (!active) await this.shutOut(manager, id);
      const told = (p: Pick<Person, 'name' | 'skills' | 'away' | 'week' | 'active'>) => ({
        name: p.name,
        skills: p.skills,
        away: p.away,
        week: p.week,
        active: p.active,
      });
      return { before: { ...told(person), role: account?.role ?? null }, after: { ...told(dto), role: role ?? null } };
    });
  }

  /** Gives a sign-in to somebody who has none. */
  async giveAccount(actor: Actor, id: string, { version, ...given }: GiveAccountDto): Promise<{ id: string }> {
    const passwordHash = await this.newHash('password', given, '');
    const { login, role } = given;
    return this.changes.make(actor, 'person', id, { login, role, version }, async (manager) => {
      await oneAtATime(manager);
      const person = await seen(manager, id, version);
      if (!person.active) throw badInput('id', `${person.name} does not work here any more`);
      if (await manager.existsBy(AccountEntity, { personId: id })) throw badInput('login', `${person.name} has a sign-in already`);
      await this.open(actor, manager, id, { ...given, passwordHash });
      await manager.update(PersonEntity, { id }, { version: version + 1 });
      return { before: { role: null }, after: { role } };
    });
  }

  /** A code with which somebody chooses a new password; told once, to whoever asked for it. */
  async resetPassword(actor: Actor, id: string): Promise<{ id: string; code: string }> {
    return this.changes.make(actor, 'password', id, {}, async (manager) => {
      const account = await manager.findOne(AccountEntity, {
        where: { personId: id, person: { active: true } },
        relations: { person: true },
      });
      if (!account) throw notFound('sign-in', id);
      const code = await this.identity.makeResetCode(manager, id, actor.personId);
      return { before: null, after: { name: account.person.name, resetBy: actor.personId }, answer: { id, code } };
    });
  }

  /** The badge that lets somebody on at a bench; none takes it away. */
  async setBadge(actor: Actor, id: string, { badge }: BadgeDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'badge', id, {}, async (manager) => {
      const person = await manager.findOneBy(PersonEntity, { id, active: true });
      if (!person) throw notFound('person', id);
      await this.bench.setBadge(manager, id, badge);
      return { before: null, after: { name: person.name, badge: badge === null ? 'taken away' : 'given' } };
    });
  }

  private async newHash(field: string, { login, password }: Pick<NewAccountDto, 'login' | 'password'>, name: string): Promise<string> {
    await this.identity.checkPassword(field, password, { login, name });
    return hashPassword(password);
  }

  private async open(
    actor: Actor,
    manager: EntityManager,
    personId: string,
    { login, role, passwordHash }: Pick<NewAccountDto, 'login' | 'role'> & { passwordHash: string },
  ): Promise<void> {
    mayGrant(actor, role);
    if (await manager.existsBy(AccountEntity, { login })) throw badInput('login', 'Someone has this sign-in name already');
    await manager.insert(AccountEntity, newAccount({ personId, login, role, passwordHash }));
  }

  private async changeRole(
    actor: Actor,
    manager: EntityManager,
    account: AccountEntity,
    { role, active }: { role: Role; active: boolean },
  ): Promise<void> {
    mayGrant(actor, role);
    if (account.role === 'admin' && (role !== 'admin' || !active)) {
      if (actor.role !== 'admin')
        throw new Problem(403, 'not-allowed', 'Not allowed', 'Only an administrator can change an administrator.');
      if ((await manager.countBy(AccountEntity, { role: 'admin', person: { active: true } })) === 1)
        throw badInput('role', 'The last administrator has to stay one');
    }
    // What a deactivated person had stays ended when they come back: sessions, calendar address, codes.
    await manager.update(AccountEntity, { personId: account.personId }, { role, ...(active ? {} : { feedTokenHash: null }) });
  }

  private async shutOut(manager: EntityManager, personId: string): Promise<void> {
    await this.sessions.endAll(personId, { manager });
    await manager.query('delete from password_reset where person_id = $1', [personId]);
    await manager.query('delete from bench_hold where person_id = $1', [personId]);
  }

  /** A name for whoever has no sign-in name. */
  private async freeId(name: string): Promise<string> {
    const plain = name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
    const base = plain.replace(/[^a-z0-9]+/g, '.').replace(/^\.|\.$/g, '') || 'person';
    const taken = await this.database.query<{ id: string }[]>('select id from person where starts_with(id, $1)', [base]);
    const ids = new Set(taken.map((r) => r.id));
    if (!ids.has(base)) return base;
    for (let n = 2; ; n++) if (!ids.has(`${base}.${n}`)) return `${base}.${n}`;
  }
}

/** Two who take each other's rights away at once would leave nobody. */
const oneAtATime = (manager: EntityManager) => manager.query('select pg_advisory_xact_lock(hashtext($1))', ['who may what']);

async function seen(manager: EntityManager, id: string, version: number): Promise<PersonEntity> {
  const person = await manager.findOne(PersonEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
  if (!person) throw notFound('person', id);
  if (person.version !== version) throw stale(person.name, { version: person.version });
  return person;
}

function mayGrant(actor: Actor, role: Role): void {
  if (!mayActAs(actor.role, role))
    throw new Problem(403, 'not-allowed', 'Not allowed', `As ${actor.role} you cannot make someone ${role}.`);
}

function checkSkills(skills: Person['skills']): void {
  if (new Set(skills.map((s) => s.skill)).size !== skills.length) throw badInput('skills', 'A skill is named twice');
  const never = skills.find(({ since, until }) => since !== null && until !== null && until < since);
  if (never) throw badInput('skills', `${never.skill} ends before it begins`);
}
