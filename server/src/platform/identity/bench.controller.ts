import { Body, Controller, Delete, Get, HttpCode, Param, Post, Req, Res } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { BodyBound, SMALL_BODY } from '../http/body.ts';
import { InText, Out, OutList } from '../http/fields.ts';
import { DoneView } from '../http/views.ts';
import { badInput, notFound, Problem } from '../problems/problems.ts';
import { Environment } from '../settings/environment.ts';
import { CurrentActor, type Actor, type SignedRequest } from './actor.ts';
import { BenchService } from './bench.service.ts';
import { benchCookie } from './identity.guard.ts';
import { Allow, StationMay } from './role.ts';

export class LetOnDto {
  /** with a PIN */
  @InText({ max: 40, optional: true }) personId?: string;
  @InText({ max: 8, optional: true }) pin?: string;
  /** or by what was scanned */
  @InText({ min: 8, max: 100, optional: true }) badge?: string;
}

export class PinDto {
  @InText({ max: 8 }) pin: string;
}

export class BenchPersonView {
  @Out() id: string;
  @Out() name: string;
}

export class HolderView {
  @Out() personId: string;
  @Out() name: string;
  /** on the real clock */
  @Out() untilMs: number;
}

export class BenchView {
  /** who can be let on by PIN */
  @OutList(() => BenchPersonView) people: BenchPersonView[];
  /** who has been let on at this tablet */
  @OutList(() => HolderView) holders: HolderView[];
}

@ApiTags('session')
@Controller()
@BodyBound(SMALL_BODY)
export class BenchController {
  constructor(
    private readonly bench: BenchService,
    private readonly environment: Environment,
  ) {}

  @Get('bench')
  @Allow('viewer')
  @ApiOkResponse({ type: BenchView })
  async view(@Req() request: SignedRequest): Promise<BenchView> {
    const [people, holders] = await Promise.all([this.bench.people(), this.bench.holders(sessionOf(request))]);
    return { people, holders };
  }

  /** Lets somebody on at this tablet, by name and PIN or by badge. */
  @Post('bench')
  @Allow('viewer')
  @StationMay()
  @HttpCode(200)
  @ApiOkResponse({ type: HolderView })
  async letOn(
    @Body() { personId, pin, badge }: LetOnDto,
    @Req() request: SignedRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<HolderView> {
    if (request.station === undefined) throw new Problem(409, 'no-station', 'Not a station', 'This tablet is not signed in as a station.');
    const by = badge !== undefined ? { badge } : personId !== undefined && pin !== undefined ? { personId, pin } : undefined;
    if (!by) throw badInput('pin', 'Say who you are, with your PIN, or scan your badge');
    const { token, ...holder } = await this.bench.letOn(sessionOf(request), by, request.ip ?? '');
    response.cookie(benchCookie(holder.personId), token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.environment.isHttps || request.secure,
      path: '/',
      expires: new Date(holder.untilMs),
    });
    return holder;
  }

  @Delete('bench/:personId')
  @Allow('viewer')
  @StationMay()
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async letOff(
    @Param('personId') personId: string,
    @Req() request: SignedRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<DoneView> {
    // Whoever was not on it has no cookie here either, nor a name that one could have.
    if (!(await this.bench.letOff(sessionOf(request), personId))) throw notFound('person on this tablet', personId);
    response.clearCookie(benchCookie(personId), { path: '/' });
    return { id: personId };
  }

  /** One's own PIN for the benches. */
  @Post('session/pin')
  @Allow('viewer')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async setPin(@CurrentActor() actor: Actor, @Body() { pin }: PinDto): Promise<DoneView> {
    await this.bench.setPin(actor.personId, pin);
    return { id: actor.personId };
  }
}

const sessionOf = (request: SignedRequest): string => request.session ?? '';
