import { Controller, Sse, type MessageEvent } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { interval, map, merge, takeUntil, type Observable } from 'rxjs';
import { Allow } from '../identity/role.ts';
import { EventsService } from './events.service.ts';

const HEARTBEAT_MS = 25_000;

@ApiTags('events')
@Controller('events')
export class EventsController {
  constructor(private readonly events: EventsService) {}

  /** What changes, as it changes. */
  @Sse()
  @Allow('viewer')
  @ApiOkResponse({ schema: { type: 'string' }, description: 'text/event-stream of {topics}' })
  stream(): Observable<MessageEvent> {
    return merge(
      this.events.stream().pipe(map((change) => ({ type: 'change', data: change }))),
      interval(HEARTBEAT_MS).pipe(map(() => ({ type: 'beat', data: '' }))),
    ).pipe(takeUntil(this.events.ended()));
  }
}
