import { blanksOf, boardVolumeM3, objectionsTo, StockBoard, rowsOf, Blank, Order, Lot } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, refused, stale } from '../platform/problems/problems.ts';
import { ChangesService } from '../factory/changes.service.ts';
import type { BoardsDto, PlanDto, ReserveDto, SavePlanDto, WeighDto } from './cutting.dto.ts';
import { BoardEntity, CuttingPlanEntity, LotEntity, type PlanWant } from './timber.entity.ts';

const stop = (sentence: string) => refused([{ rule: 'state', verdict: 'stop', sentence }]);

/** Boards, the plans by which they are cut, and the blanks that come of them. */
@Injectable()
export class CuttingService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly changes: ChangesService,
  ) {}

  /** Boards of a lot, measured so that they can be planned. */
  measure(actor: Actor, lotId: string, dto: BoardsDto): Promise<{ id: string }> {
    dto.boards.forEach((board, i) => {
      const outside = board.faults.some((f) => f.xMm >= board.lengthMm || f.yMm >= Math.max(board.widthMm, board.widthEndMm));
      if (outside) throw badInput(`boards.${i}.faults`, `A fault of board ${i + 1} lies off the board`);
    });
    return this.logbook.perform(
      actor,
      { name: 'measure boards', request: { lotId, ...dto }, concerns: { about: [rowsOf(Lot, [lotId])] } },
      async (unit) => {
        const lot = unit.rows.get(Lot, lotId);
        if (lot.version !== dto.version) throw stale(`Lot ${lotId}`, { version: lot.version });
        const known = await unit.manager.findBy(BoardEntity, { lotId });
        const whole = known.filter((b) => b.state === 'whole').reduce((sum, b) => sum + boardVolumeM3(b), 0);
        const first = Math.max(0, ...known.map((b) => b.ordinal)) + 1;
        const boards = dto.boards.map((b, i) => ({
          ...b,
          id: `${lotId}-${first + i}`,
          ordinal: first + i,
          grade: b.grade ?? lot.grade,
          massG: b.massG ?? null,
          setId: b.setId ?? null,
        }));
        const added = boards.reduce((sum, b) => sum + boardVolumeM3(b), 0);
        // A tape is not a meter of volume: a tenth more than the lot's papers is still believed.
        if (whole + added > lot.leftM3 * 1.1)
          throw badInput('boards', `These boards hold ${(whole + added).toFixed(3)} m³, the lot has ${lot.leftM3.toFixed(3)} m³ left`);
        unit.record('boards.measured', { lotId }, { boards });
        return { id: lotId };
      },
    );
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
    const plans = plan.boards.filter((b) => b.placed.length > 0);
    const boardIds = plans.map((b) => b.boardId);
    const concerns = { about: [rowsOf(StockBoard, boardIds)] };
    return this.logbook.perform(actor, { name: 'cut boards', request: { id, version }, concerns }, async (unit) => {
      const now = await unit.manager.findOne(CuttingPlanEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (now?.version !== version) throw stale(`Plan ${id}`, { version: now?.version ?? 0 });
      if (now.state === 'cut') throw stop(`Plan ${id} has been cut`);
      if (plans.length === 0) throw stop('Nothing lies on a board yet');
      const boards = boardIds.map((boardId) => unit.rows.get(StockBoard, boardId));
      for (const lotId of [...new Set(boards.map((b) => b.lotId))].sort()) this.cutLot(unit, lotId, plan, boards);
      await unit.manager.update(CuttingPlanEntity, { id }, { state: 'cut', version: version + 1 });
      return { id };
    });
  }

  private cutLot(unit: UnitOfWork, lotId: string, plan: CuttingPlanEntity, boards: readonly StockBoard[]): void {
    const lot = unit.rows.get(Lot, lotId);
    if (lot.state === 'drying') throw stop(`Lot ${lotId} is still drying; release it first`);
    const own = boards.filter((b) => b.lotId === lotId);
    const gone = own.find((b) => b.state === 'cut');
    if (gone) throw stop(`Board ${gone.id} has been cut already`);
    const volumeM3 = own.reduce((sum, b) => sum + boardVolumeM3(b), 0);
    const blanks = own.flatMap((board) =>
      blanksOf(
        plan.boards.filter((p) => p.boardId === board.id),
        plan.wanted,
        board.grade,
      ),
    );
    const boardIds = own.map((b) => b.id);
    unit.record('boards.cut', { lotId }, { boardIds, volumeM3: Math.min(lot.leftM3, Math.round(volumeM3 * 1e6) / 1e6), blanks });
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
    const ids = dto.blanks.map((b) => b.id);
    return this.logbook.perform(actor, { name: 'weigh blanks', request: dto, concerns: { about: [rowsOf(Blank, ids)] } }, (unit) => {
      for (const lotId of this.lotsOf(unit, dto.blanks)) {
        const lot = unit.rows.get(Lot, lotId);
        const blanks = dto.blanks
          .filter((b) => unit.rows.get(Blank, b.id).lotId === lotId)
          .map(({ id, massG, moisturePct = lot.meanPct }) => {
            if (moisturePct === null) throw badInput('blanks', `Lot ${lotId} was never read: say the moisture of ${id}`);
            return { id, massG, moisturePct };
          });
        unit.record('blanks.weighed', { lotId }, { blanks });
      }
      return { id: ids.join() };
    });
  }

  /** Keeps blanks for an order, or lets them go; what is kept for another order is never taken. */
  reserve(actor: Actor, dto: ReserveDto): Promise<{ id: string }> {
    const ids = dto.blanks.map((b) => b.id);
    const concerns = { about: [rowsOf(Blank, ids), rowsOf(Order, dto.orderId === null ? [] : [dto.orderId])] };
    return this.logbook.perform(actor, { name: 'reserve blanks', request: dto, concerns }, (unit) => {
      for (const id of ids) {
        const blank = unit.rows.get(Blank, id);
        if (blank.state !== 'free') throw stop(`Blank ${id} has become ${blank.pieceId ?? 'a piece'}`);
        if (dto.orderId !== null && blank.orderId !== null && blank.orderId !== dto.orderId)
          throw stop(`Blank ${id} is kept for ${blank.orderId}`);
        if (dto.orderId !== null && unit.rows.get(Order, dto.orderId).modelId !== blank.modelId)
          throw stop(`Blank ${id} is for another model than ${dto.orderId}`);
      }
      for (const lotId of this.lotsOf(unit, dto.blanks)) {
        const blankIds = ids.filter((id) => unit.rows.get(Blank, id).lotId === lotId);
        unit.record('blanks.reserved', { lotId }, { blankIds, orderId: dto.orderId });
      }
      return { id: ids.join() };
    });
  }

  /** The lots of some blanks, each looked at as it was when the person decided. */
  private lotsOf(unit: UnitOfWork, blanks: readonly { id: string; version: number }[]): string[] {
    const lotIds = blanks.map(({ id, version }) => {
      const blank = unit.rows.get(Blank, id);
      if (blank.version !== version) throw stale(`Blank ${id}`, { version: blank.version });
      return blank.lotId;
    });
    return [...new Set(lotIds)].sort();
  }
}

/** Is it of the size that is wanted, lying along the grain, or across where it may? */
const fits = (want: PlanWant | undefined, { lengthMm, widthMm }: { lengthMm: number; widthMm: number }) =>
  want !== undefined &&
  ((want.lengthMm === lengthMm && want.widthMm === widthMm) ||
    (want.anyGrain === true && want.lengthMm === widthMm && want.widthMm === lengthMm));
