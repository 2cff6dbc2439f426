import { Batch, before, type Component, Instrument, type Operation, operationOf, Piece, type Recorder } from '@ample-crane/core';
import type { Mover } from './mover.ts';

/** Where components become part of one another, are taken apart and meet again. */
export class Joinery {
  constructor(
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    /** who does it at this time */
    private readonly worker: (skill: string | undefined, atMs: number) => string,
  ) {}

  /** Joins what has come to a joining. @returns the batches that have gone on */
  join(arrived: Batch, atMs: number): string[] {
    const operation = this.mover.operation(arrived);
    const here = this.mover.queuedAt(operation.id, arrived.modelId);
    return here.filter((b) => b.component === operation.component).flatMap((host) => this.joinTo(host, operation, atMs));
  }

  private joinTo(host: Batch, operation: Operation, atMs: number): string[] {
    const wanted = this.guestComponents(host, operation);
    const guests = this.mover
      .queuedAt(operation.id, host.modelId)
      .filter((b) => wanted.includes(b.component) && JSON.stringify(b.facts) === JSON.stringify(host.facts))
      .sort((a, b) => Number(b.orderId === host.orderId) - Number(a.orderId === host.orderId));
    if (this.isOnItsWay(host, wanted)) return [];
    const lonely = operation.matchedSet ? this.withoutTheirSet(host, guests, wanted) : this.tooMany(host, guests, wanted);
    const whole = lonely.length === this.mover.live(host.id).length;
    const by = this.worker(operation.skill, atMs);
    if (lonely.length > 0 && operation.matchedSet) this.scrap(host, lonely, 'crack', by, atMs);
    else if (lonely.length > 0 && !whole) this.mover.carryOut(host, { command: 'split batch', pieceIds: lonely }, atMs, by);
    if (whole) return [];
    const joined = this.mover.attempt(
      this.mover.batch(host.id),
      { command: 'join parts', personId: by, guestBatchIds: guests.map((g) => g.id) },
      atMs,
      by,
    );
    if (!joined) return [];
    if (operation.matchedSet)
      for (const guest of guests.filter((g) => g.orderId === host.orderId && this.mover.batch(g.id).status === 'queued'))
        this.scrap(
          this.mover.batch(guest.id),
          this.mover.live(guest.id).map((p) => p.id),
          'crack',
          by,
          atMs,
        );
    return [host.id];
  }

  /** Takes a batch of instruments apart. @returns the batches of bodies and of necks */
  part(batch: Batch, atMs: number): string[] {
    const by = this.worker(this.mover.operation(batch).skill, atMs);
    return this.mover.carryOut(batch, { command: 'part instruments', personId: by }, atMs, by);
  }

  /** Brings halves together again where both have come. @returns the batches of instruments made */
  refit(arrived: Batch, atMs: number): string[] {
    const operation = this.mover.operation(arrived);
    const by = this.worker(operation.skill, atMs);
    const here = (component: Component) => this.mover.queuedAt(operation.id, arrived.modelId).filter((b) => b.component === component);
    const made: string[] = [];
    for (const body of here('body'))
      for (const neck of here('neck')) {
        const now = this.mover.batch(body.id);
        if (now.status === 'queued' && this.mover.batch(neck.id).status === 'queued')
          made.push(...(this.mover.attempt(now, { command: 'refit instruments', personId: by, neckBatchId: neck.id }, atMs, by) ?? []));
      }
    // A half whose other was scrapped will never be an instrument.
    for (const half of [...here('body'), ...here('neck')]) {
      const widowed = this.mover.live(half.id).filter((p) => this.otherHalfIsLost(p.id, p.serial));
      if (widowed.length > 0)
        this.scrap(
          half,
          widowed.map((p) => p.id),
          'off dimension',
          by,
          atMs,
        );
    }
    return made;
  }

  private otherHalfIsLost(pieceId: string, serial: string | null): boolean {
    if (serial === null) return false;
    const { bodyId, neckId } = this.recorder.rows.get(Instrument, serial);
    const other = bodyId === pieceId ? neckId : bodyId;
    return other !== null && this.recorder.rows.get(Piece, other).state === 'scrapped';
  }

  private guestComponents(host: Batch, operation: Operation): Component[] {
    const route = this.recorder.routes.routeOf(host);
    return [...new Set(before(route, operationOf(route, operation.id).id).map((o) => o.component))].filter(
      (c) => c !== operation.component,
    );
  }

  /** Whether something for the same order has still to come. */
  private isOnItsWay(host: Batch, wanted: readonly Component[]): boolean {
    return this.recorder.rows
      .all(Batch)
      .some(
        (b) =>
          b.orderId === host.orderId &&
          b.modelId === host.modelId &&
          wanted.includes(b.component) &&
          b.status !== 'done' &&
          b.operationId !== host.operationId,
      );
  }

  private withoutTheirSet(host: Batch, guests: readonly Batch[], wanted: readonly Component[]): string[] {
    const sets = wanted.map(
      (component) => new Set(guests.filter((g) => g.component === component).flatMap((g) => this.mover.live(g.id).map((p) => p.setId))),
    );
    return this.mover.live(host.id).flatMap((p) => (sets.every((s) => s.has(p.setId)) ? [] : [p.id]));
  }

  private tooMany(host: Batch, guests: readonly Batch[], wanted: readonly Component[]): string[] {
    const free = Math.min(...wanted.map((c) => guests.filter((g) => g.component === c).reduce((sum, g) => sum + g.quantity, 0)));
    return this.mover
      .live(host.id)
      .slice(free)
      .map((p) => p.id);
  }

  private scrap(batch: Batch, pieceIds: readonly string[], defect: string, by: string, atMs: number): void {
    const note = 'The part it belongs with is lost';
    const pieces = pieceIds.map((pieceId) => ({ pieceId, defect, originOperationId: batch.operationId, note }));
    this.mover.carryOut(batch, { command: 'scrap pieces', pieces }, atMs, by);
  }
}
