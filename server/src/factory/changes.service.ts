import type { Payloads } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { LogbookService } from '../logbook/logbook.service.ts';
import type { Actor } from '../platform/identity/actor.ts';

/** Changes of the set-up: each in one transaction, with what was there before written in the logbook. */
@Injectable()
export class ChangesService {
  constructor(private readonly logbook: LogbookService) {}

  make<T extends { id: string } = { id: string }>(
    actor: Actor,
    what: string,
    id: string,
    request: object,
    work: (manager: EntityManager, nowMs: number) => Promise<Pick<Payloads['setup.changed'], 'before' | 'after'> & { answer?: T }>,
  ): Promise<T> {
    return this.logbook.perform<T>(
      actor,
      { name: `change ${what}`, request: { id, ...request }, concerns: { about: [] } },
      async (unit) => {
        const { answer, ...changed } = await work(unit.manager, unit.nowMs);
        unit.record('setup.changed', {}, { what, id, ...changed });
        return answer ?? ({ id } as T);
      },
    );
  }
}
