import { Controller, Req, Sse, type MessageEvent } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { concatMap, filter, finalize, from, interval, map, merge, share, takeUntil, type Observable } from 'rxjs';
import { Metrics } from '../health/metrics.ts';
import type { SignedRequest } from '../identity/actor.ts';
import { Allow } from '../identity/role.ts';
import { SessionsService } from '../identity/sessions.service.ts';
import { Problem } from '../problems/problems.ts';
import { EventsService } from './events.service.ts';

const HEARTBEAT_MS = 25_000;
/** Windows and tablets of one person; more are a fault, or meant to tire the server. */
const MOST_STREAMS = 30;

@ApiTags('events')
@Controller('events')
export class EventsController {
  private readonly open = new Map<string, number>();

  constructor(
    private readonly events: EventsService,
    private readonly sessions: SessionsService,
    private readonly metrics: Metrics,
  ) {}

  /** What changes, as it changes; ends with the session. */
  @Sse()
  @Allow('viewer')
  @ApiOkResponse({ schema: { type: 'string' }, description: 'text/event-stream of {id, topics}' })
  stream(@Req() { actor, session = '' }: SignedRequest): Observable<MessageEvent> {
    const personId = actor?.personId ?? '';
    this.enter(personId);
    const beats = interval(HEARTBEAT_MS).pipe(share());
    const ended = this.events.sessionEnds().pipe(filter((name) => name === session));
    // One that nobody ended may have run out.
    const over = beats.pipe(
      concatMap(() => from(this.sessions.goesOn(session).catch(() => true))),
      filter((goesOn) => !goesOn),
    );
    return merge(
      this.events.stream().pipe(map((change) => ({ type: 'change', data: change }))),
      beats.pipe(map(() => ({ type: 'beat', data: '' }))),
    ).pipe(
      takeUntil(merge(this.events.ended(), ended, over)),
      finalize(() => this.leave(personId)),
    );
  }

  private enter(personId: string): void {
    const streams = this.open.get(personId) ?? 0;
    if (streams >= MOST_STREAMS)
      throw new Problem(429, 'too-many-streams', 'Too many windows', `You have ${streams} windows open; close some of them.`, {
        retryAfterSeconds: 30,
      });
    this.open.set(personId, streams + 1);
    this.metrics.streams.inc();
  }

  private leave(personId: string): void {
    const left = (this.open.get(personId) ?? 1) - 1;
    if (left === 0) this.open.delete(personId);
    else this.open.set(personId, left);
    this.metrics.streams.dec();
  }
}
