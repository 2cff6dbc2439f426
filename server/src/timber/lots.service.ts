import {
  CorrectReading,
  DescribeLot,
  KeepWood,
  Lot,
  MoveLot,
  ReadLot,
  ReceiveLot,
  ReleaseLot,
  sayingOf,
  StrikeReading,
  type CommandKind,
  type HouseFactory,
  type Written,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import type {
  CorrectReadingDto,
  DescribeLotDto,
  KeepWoodDto,
  MoveLotDto,
  ReadingsDto,
  ReceiveLotDto,
  ReleaseLotDto,
  StrikeDto,
} from './lot.dto.ts';

/** What is done with lots; core judges all of it. */
@Injectable()
export class LotsService {
  constructor(private readonly commands: CommandsService) {}

  receive(actor: Actor, dto: ReceiveLotDto): Promise<{ id: string }> {
    return this.commands.give(actor, ReceiveLot, dto, { seen: [] }, ([received]) => ({ id: received?.lotId ?? '' }));
  }

  read(actor: Actor, lotId: string, { version, ...said }: ReadingsDto): Promise<{ id: string }> {
    return this.give(actor, ReadLot, lotId, version, said, (written) => {
      const session = sayingOf('lot.read', written) ?? sayingOf('session.continued', written);
      return session?.sessionId ?? lotId;
    });
  }

  /** What is known of a lot better than before: papers, grade, place. */
  describe(actor: Actor, lotId: string, { version, ...said }: DescribeLotDto): Promise<{ id: string }> {
    return this.give(actor, DescribeLot, lotId, version, said);
  }

  /** Takes a lot to another room or place, or puts it on a kiln's schedule. */
  move(actor: Actor, lotId: string, { version, ...said }: MoveLotDto): Promise<{ id: string }> {
    return this.give(actor, MoveLot, lotId, version, said);
  }

  /** Keeps wood of a lot for an order that has chosen such wood, or lets it go. */
  keep(actor: Actor, lotId: string, { version, ...said }: KeepWoodDto): Promise<{ id: string }> {
    return this.give(actor, KeepWood, lotId, version, said);
  }

  /** Puts a reading right where it stands. */
  correct(actor: Actor, lotId: string, { version, ...said }: CorrectReadingDto): Promise<{ id: string }> {
    return this.give(actor, CorrectReading, lotId, version, said, () => `${said.sessionId}/${said.seq}`);
  }

  /** Takes a reading out of the reckoning; it stays on record with the reason. */
  strike(actor: Actor, lotId: string, { version, ...said }: StrikeDto): Promise<{ id: string }> {
    return this.give(actor, StrikeReading, lotId, version, said, () => `${said.sessionId}/${said.seq}`);
  }

  release(actor: Actor, lotId: string, { version, ...said }: ReleaseLotDto): Promise<{ id: string }> {
    return this.give(actor, ReleaseLot, lotId, version, said);
  }

  private give<Name extends string, Request extends { lotId: string }>(
    actor: Actor,
    command: CommandKind<Name, Request, HouseFactory>,
    lotId: string,
    version: number,
    said: Omit<Request, 'lotId'>,
    idOf: (written: readonly Written[]) => string = () => lotId,
  ): Promise<{ id: string }> {
    // A request about a lot is the lot and what is said of it; Omit loses that.
    const request = { lotId, ...said } as unknown as Request;
    return this.commands.give(actor, command, request, { seen: [seen(Lot, lotId, version)] }, (written) => ({ id: idOf(written) }));
  }
}
