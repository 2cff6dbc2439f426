import { objectionsTo, Blank, Lot, CutBoards, JoinBlanks, MeasureBoards, ReserveBlanks, WeighBlanks } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, refused, stale } from '../platform/problems/problems.ts';
import { ChangesService } from '../factory/changes.service.ts';
import type { BoardsDto, JoinBlanksDto, PlanDto, ReserveDto, SavePlanDto, WeighDto } from './cutting.dto.ts';
import { BoardEntity, CuttingPlanEntity, LotEntity, type PlanWant } from './timber.entity.ts';

const stop = (sentence: string) => refused([{ rule: 'state', verdict: 'stop', sentence }]);

/** Boards, the plans by which they are cut, and the blanks that come of them. */
@Injectable()
export class CuttingService {
  constructor(
    private readonly database: DataSource,
    private readonly commands: CommandsService,
    private readonly changes: ChangesService,
  ) {}

  /** Boards of a lot, measured so that they can be planned. */
  measure(actor: Actor, lotId: string, { version, boards }: BoardsDto): Promise<{ id: string }> {
    return this.commands.give(actor, MeasureBoards, { lotId, boards }, { seen: [seen(Lot, lotId, version)] }, () => ({ id: lotId }));
  }

  /** Keeps a plan; whatever could not be sawn is refused with the board it lies on. */
  async draft(actor: Actor, dto: PlanDto): Promise<{ id: string }> {
    await this.check(dto);
    return this.changes.make(actor, 'cutting plan', 'new', dto, async (manager, nowMs) => {
      await manager.query('select pg_advisory_xact_lock(hashtext($1))', ['number of cutting_plan']);
      const rows: { next: number }[] = await manager.query('select coalesce(max(number), 0) + 1 as next from cutting_plan');
      const number = rows[0]?.next ?? 1;
      const id = `C${number}`;
      await manager.insert(CuttingPlanEntity, { id, number, atMs: nowMs, personId: actor.personId, ...dto, state: 'draft', version: 1 });
      return { before: null, after: { id, boards: dto.boards.length }, answer: { id } };
    });
  }

  async save(actor: Actor, id: string, { version, ...dto }: SavePlanDto): Promise<{ id: string }> {
    await this.check(dto);
    return this.changes.make(actor, 'cutting plan', id, { version, ...dto }, async (manager) => {
      const plan = await manager.findOne(CuttingPlanEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (!plan) throw notFound('cutting plan', id);
      if (plan.state === 'cut') throw stop(`Plan ${id} has been cut`);
      if (plan.version !== version) throw stale(`Plan ${id}`, { version: plan.version });
      await manager.update(CuttingPlanEntity, { id }, { ...dto, version: version + 1 });
      return { before: { boards: plan.boards.length }, after: { boards: dto.boards.length } };
    });
  }

  /** The boards of a plan are sawn: they become blanks, and their wood leaves the lot. */
  async cut(actor: Actor, id: string, version: number): Promise<{ id: string }> {
    const plan = await this.database.getRepository(CuttingPlanEntity).findOneBy({ id });
    if (!plan) throw notFound('cutting plan', id);
    if (plan.state === 'cut') throw stop(`Plan ${id} has been cut`);
    const { boards, wanted } = plan;
    const also = async (manager: EntityManager) => {
      const now = await manager.findOne(CuttingPlanEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (now?.version !== version) throw stale(`Plan ${id}`, { version: now?.version ?? 0 });
      await manager.update(CuttingPlanEntity, { id }, { state: 'cut', version: version + 1 });
    };
    return this.commands.give(actor, CutBoards, { boards, wanted }, { seen: [], also }, () => ({ id }));
  }

  private async check({ lotIds, wanted, boards, settings }: PlanDto): Promise<void> {
    const lots = await this.database.getRepository(LotEntity).findBy({ id: In(lotIds) });
    const missing = lotIds.find((id) => !lots.some((l) => l.id === id));
    if (missing !== undefined) throw badInput('lotIds', `There is no lot ${missing}`);
    const known = await this.database.getRepository(BoardEntity).findBy({ lotId: In(lotIds) });
    const kinds = new Map(wanted.map((w) => [w.id, w]));
    if (kinds.size !== wanted.length) throw badInput('wanted', 'A blank is named twice');
    if (new Set(boards.map((b) => b.boardId)).size !== boards.length) throw badInput('boards', 'A board is named twice');
    boards.forEach(({ boardId, placed }, i) => {
      const board = known.find((b) => b.id === boardId);
      if (!board) throw badInput(`boards.${i}`, `There is no board ${boardId} in these lots`);
      const strange = placed.find((p) => !fits(kinds.get(p.blankId), p));
      if (strange) throw badInput(`boards.${i}`, `On board ${boardId} lies a blank the plan does not know: ${strange.blankId}`);
      const [objection] = objectionsTo(board, placed, settings);
      if (objection) throw badInput(`boards.${i}`, `Board ${boardId}: ${objection.because}`);
    });
  }

  weigh(actor: Actor, dto: WeighDto): Promise<{ id: string }> {
    const blanks = dto.blanks.map(({ version: _, ...said }) => said);
    return this.commands.give(actor, WeighBlanks, { blanks }, { seen: seenBlanks(dto.blanks) }, () => ({
      id: dto.blanks.map((b) => b.id).join(),
    }));
  }

  /** Glues blanks edge to edge into one. @returns the id of the blank they make */
  join(actor: Actor, { blanks, jointMm }: JoinBlanksDto): Promise<{ id: string }> {
    const blankIds = blanks.map((b) => b.id);
    return this.commands.give(actor, JoinBlanks, { blankIds, jointMm }, { seen: seenBlanks(blanks) }, ([joined]) => ({
      id: (joined?.payload as { id: string }).id,
    }));
  }

  /** Keeps blanks for an order, or lets them go; what is kept for another order is never taken. */
  reserve(actor: Actor, { blanks, orderId }: ReserveDto): Promise<{ id: string }> {
    const blankIds = blanks.map((b) => b.id);
    return this.commands.give(actor, ReserveBlanks, { blankIds, orderId }, { seen: seenBlanks(blanks) }, () => ({ id: blankIds.join() }));
  }
}

const seenBlanks = (blanks: readonly { id: string; version: number }[]) => blanks.map(({ id, version }) => seen(Blank, id, version));

/** Is it of the size that is wanted, lying along the grain, or across where it may? */
const fits = (want: PlanWant | undefined, { lengthMm, widthMm }: { lengthMm: number; widthMm: number }) =>
  want !== undefined &&
  ((want.lengthMm === lengthMm && want.widthMm === widthMm) ||
    (want.anyGrain === true && want.lengthMm === widthMm && want.widthMm === lengthMm));
