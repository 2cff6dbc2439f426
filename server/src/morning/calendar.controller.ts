import { Controller, Get, Header, HttpCode, Param, Post, Req } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import ical from 'ical-generator';
import { Out } from '../platform/http/fields.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { IdentityService } from '../platform/identity/identity.service.ts';
import { Allow } from '../platform/identity/role.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Environment } from '../platform/settings/environment.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { BatchLists } from '../batches/batches.lists.ts';

const EVENT_MINUTES = 15;

export class FeedView {
  @Out() url: string;
}

@ApiTags('calendar')
@Controller('calendar')
export class CalendarController {
  constructor(
    private readonly identity: IdentityService,
    private readonly batches: BatchLists,
    private readonly settings: SettingsService,
    private readonly environment: Environment,
  ) {}

  /** A new private address for the feed; shown once, since only its hash is kept. */
  @Post()
  @Allow('viewer')
  @HttpCode(200)
  @ApiOkResponse({ type: FeedView })
  async renew(@CurrentActor() actor: Actor, @Req() request: Request): Promise<FeedView> {
    const token = await this.identity.renewFeedToken(actor.personId);
    return {
      url: `${this.environment.addressFor(request)}/api/calendar/${token}.ics`,
    };
  }

  /** Dwells coming free, for any calendar program; the address is the key. */
  @Get(':token.ics')
  @Allow('public')
  @ApiProduces('text/calendar')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  async feed(@Param('token') token: string): Promise<string> {
    if (!(await this.identity.accountOfFeed(token))) throw notFound('calendar', 'at this address');
    const { name } = await this.settings.get('factory');
    const calendar = ical({
      name: `${name}: coming free`,
      prodId: { company: 'Ample Crane', product: 'dwells' },
    });
    for (const batch of await this.batches.inWork()) {
      if (batch.untilMs === null || batch.verdict !== 'wait') continue;
      calendar.createEvent({
        id: `${batch.id}-${batch.operationId}@ample-crane`,
        start: new Date(batch.untilMs),
        end: new Date(batch.untilMs + EVENT_MINUTES * 60_000),
        summary: `${batch.id} free: ${batch.quantity} × ${batch.modelName} ${batch.component}`,
        description: batch.findings.map((f) => f.sentence).join('\n'),
        location: batch.stationName,
      });
    }
    return calendar.toString();
  }
}
