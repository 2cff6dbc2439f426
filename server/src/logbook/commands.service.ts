import { Batch, mayActAs, type CommandKind, type HouseFactory, type RowKind, type Rows, type Written } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import type { Actor } from '../platform/identity/actor.ts';
import { Problem, refused, stale } from '../platform/problems/problems.ts';
import { EvidenceSources } from './evidence.ts';
import { FactorySource } from './factorySource.ts';
import { happenedAt } from './happened.ts';
import { LogbookService } from './logbook.service.ts';

/** A row as the person saw it. */
export interface Seen {
  kind: RowKind<never>;
  key: string;
  version: number;
}

export const seen = <Row extends { version: number }>(kind: RowKind<Row>, key: string, version: number): Seen => ({ kind, key, version });

/** How a command is given. */
export interface Giving {
  /** what the person looked at: a command on what has changed since is refused */
  seen: readonly Seen[] | ((rows: Rows) => readonly Seen[]);
  /** when it happened; now, when left out */
  atMs?: number | undefined;
  /** what else the same transaction does, once it is accepted */
  also?: (manager: EntityManager) => Promise<void>;
}

/** Gives core's commands: who may, when it was, what it rests on; core judges, and the logbook keeps what it says. */
@Injectable()
export class CommandsService {
  constructor(
    private readonly logbook: LogbookService,
    private readonly evidence: EvidenceSources,
    private readonly factories: FactorySource,
  ) {}

  /**
   * @param answer what the person is told, from what was written and the rows after it
   * @throws Problem 403 when they may not, 404 when it is about nothing, 409 when it has changed, 400 or 422 when core says no
   */
  async give<Name extends string, Request extends object, T extends object>(
    actor: Actor,
    command: CommandKind<Name, Request, HouseFactory>,
    request: Request,
    giving: Giving,
    answer: (written: readonly Written[], rows: Rows) => T,
  ): Promise<T> {
    if (!mayActAs(actor.role, command.role)) throw notAllowed(`This needs a ${command.role} or above; you are ${actor.role}.`);
    const objection = command.objection(request, actor);
    if (objection !== null) throw notAllowed(objection);
    try {
      return await this.judge(actor, command, request, giving, answer, await this.factories.now());
    } catch (error) {
      if (!(error instanceof StaleFactory)) throw error;
      // Somebody released a route and moved the batch to it since the factory was looked at.
      return this.judge(actor, command, request, giving, answer, await this.factories.now());
    }
  }

  private async judge<Name extends string, Request extends object, T extends object>(
    actor: Actor,
    command: CommandKind<Name, Request, HouseFactory>,
    request: Request,
    { seen: told, atMs, also }: Giving,
    answer: (written: readonly Written[], rows: Rows) => T,
    factory: HouseFactory,
  ): Promise<T> {
    const first = await this.evidence.answer(command.first(request), factory);
    const asked = { ...request, seen: typeof told === 'function' ? [] : told.map(({ key, version }) => [key, version]), atMs };
    return this.logbook.perform(
      actor,
      { name: command.name, request: asked, concerns: command.concerns(request, first), factory },
      async (unit) => {
        if (unit.rows.all(Batch).some((b) => !factory.setUp.routes.has(b.routeId))) throw new StaleFactory();
        for (const { kind, key, version } of typeof told === 'function' ? told(unit.rows) : told) {
          const now = unit.rows.get(kind, key) as { version: number };
          if (now.version !== version) throw stale(labelOf(kind, key), kind === Batch ? now : { version: now.version });
        }
        const bound = command.notBefore(request, unit.rows);
        const limit = bound ? { notBeforeMs: bound.atMs, because: bound.because } : { notBeforeMs: 0, because: '' };
        const nowMs = happenedAt(atMs, unit.nowMs, limit);
        const sight = { rows: unit.rows, factory, nowMs, by: actor };
        const answers = await this.evidence.answer(command.asks(request, sight), factory, { ...unit, factory, nowMs });
        const decision = command.decide(request, { ...sight, answers: first.with(answers) });
        if (decision.kind === 'refuse') throw refused(decision.because);
        for (const { kind, payload, atMs: happenedMs, ...subject } of decision.entries)
          unit.write(kind, subject, payload, happenedMs ?? nowMs);
        await also?.(unit.manager);
        return answer(decision.entries, unit.rows);
      },
    );
  }
}

/** The factory was looked at before a route that the command meets. */
class StaleFactory extends Error {}

const notAllowed = (sentence: string) => new Problem(403, 'not-allowed', 'Not allowed', sentence);

const labelOf = ({ name }: RowKind<never>, key: string) => `${name[0]?.toUpperCase() ?? ''}${name.slice(1)} ${key}`;
