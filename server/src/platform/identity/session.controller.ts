import { METRIC, type UnitChoice } from '@ample-crane/core';
import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Req, Res } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Clock } from '../clock/clock.ts';
import { BodyBound, SMALL_BODY } from '../http/body.ts';
import { InOneOf, InPart, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../http/fields.ts';
import { DoneView } from '../http/views.ts';
import { notFound, Problem } from '../problems/problems.ts';
import { Environment } from '../settings/environment.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { CurrentActor, type Actor, type SignedRequest } from './actor.ts';
import { deviceInWords, networkOf } from './device.ts';
import { SESSION_COOKIE } from './identity.guard.ts';
import { IdentityService } from './identity.service.ts';
import type { AccountEntity } from './account.entity.ts';
import { Allow, ROLES, StationMay, type Role } from './role.ts';
import { SessionsService, type Place } from './sessions.service.ts';

export class SignInDto {
  @InText({ max: 60 }) login: string;
  @InText({ max: 200, verbatim: true }) password: string;
}

export class FirstAdministratorDto {
  @InText({ max: 40, pattern: /^[a-z0-9._-]+$/, hint: 'Use small letters, digits, dot, dash or underscore' })
  login: string;
  @InText({ max: 80 }) name: string;
  @InText({ min: 10, max: 200, verbatim: true }) password: string;
}

export class StationSignInDto {
  @InText({ max: 30 }) code: string;
}

export class ChangePasswordDto {
  /** as it is now */
  @InText({ max: 200, verbatim: true }) password: string;
  @InText({ min: 10, max: 200, verbatim: true }) next: string;
}

export class ResetPasswordDto {
  @InText({ max: 60 }) login: string;
  @InText({ max: 20 }) code: string;
  @InText({ min: 10, max: 200, verbatim: true }) password: string;
}

export class OpenSessionView {
  @Out() id: string;
  /** in words that its owner may know again */
  @Out() device: string;
  @Out() address: string;
  @Out() createdMs: number;
  @Out() seenMs: number;
  /** the one that asks */
  @Out() own: boolean;
}

export class UnitsDto implements UnitChoice {
  @InOneOf(['mm', 'in']) length: 'mm' | 'in';
  @InOneOf(['g', 'oz']) mass: 'g' | 'oz';
  @InOneOf(['C', 'F']) temperature: 'C' | 'F';
  @InOneOf(['m3', 'bf']) lumber: 'm3' | 'bf';
}

export class PreferencesDto {
  @InPart(() => UnitsDto, { optional: true }) units?: UnitsDto;
  @InOneOf(['paper', 'booth'], { optional: true }) theme?: 'paper' | 'booth';
}

export class StationNameView {
  @Out() code: string;
  @Out() name: string;
}

/** A line of the factory's registers, in its own words. */
class NotedView {
  @Out() key: string;
  @Out() text: string;
}

export class SessionView {
  @Out() personId: string;
  @Out() name: string;
  @OutEnum(ROLES) role: Role;
  @OutPart(() => UnitsDto) units: UnitsDto;
  @OutEnum(['paper', 'booth']) theme: 'paper' | 'booth';
  @Out() factory: string;
  @Out() timeZone: string;
  @Out() shiftStartsAt: string;
  @Out() shiftEndsAt: string;
  /** what is said where work can hurt */
  @OutList(() => NotedView) cautions: NotedView[];
  /** what work waits for that is paused */
  @OutList(() => NotedView) pauseCauses: NotedView[];
  /** what is ticked before a machine is started */
  @OutList(() => NotedView) startChecks: NotedView[];
  @Out() demo: boolean;
  /** how far the demo’s clock runs ahead; below zero, behind */
  @Out() demoAheadMs: number;
  @Out() nowMs: number;
  /** the station that this tablet is signed in as */
  @OutOrNull(StationNameView) station: StationNameView | null;
}

export class WelcomeView {
  @Out() factory: string;
  @Out() demo: boolean;
  @Out() needsFirstAdministrator: boolean;
}

/** What a tablet shows that nobody in particular has signed in at. */
const A_STATION: Pick<AccountEntity, 'personId' | 'role' | 'units' | 'theme'> & { person: { name: string } } = {
  personId: '',
  person: { name: '' },
  role: 'viewer',
  units: METRIC,
  theme: 'paper',
};

@ApiTags('session')
@Controller()
@BodyBound(SMALL_BODY)
export class SessionController {
  constructor(
    private readonly identity: IdentityService,
    private readonly sessions: SessionsService,
    private readonly environment: Environment,
    private readonly settings: SettingsService,
    private readonly clock: Clock,
  ) {}

  @Get('welcome')
  @Allow('public')
  @ApiOkResponse({ type: WelcomeView })
  async welcome(): Promise<WelcomeView> {
    const { name, demo } = await this.settings.get('factory');
    return { factory: name, demo, needsFirstAdministrator: await this.identity.needsFirstAdministrator() };
  }

  @Post('session')
  @Allow('public')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async signIn(@Body() dto: SignInDto, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<DoneView> {
    this.setCookie(request, response, await this.identity.signIn(dto.login, dto.password, placeOf(request)));
    return { id: dto.login.trim().toLowerCase() };
  }

  @Post('first-administrator')
  @Allow('public')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async first(
    @Body() dto: FirstAdministratorDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<DoneView> {
    this.setCookie(request, response, await this.identity.createFirstAdministrator(dto, placeOf(request)));
    return { id: dto.login };
  }

  /** A new password by the code that an administrator has given. */
  @Post('session/reset')
  @Allow('public')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async reset(@Body() dto: ResetPasswordDto, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<DoneView> {
    this.setCookie(request, response, await this.identity.reset(dto, placeOf(request)));
    return { id: dto.login.trim().toLowerCase() };
  }

  @Post('session/password')
  @Allow('viewer')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async changePassword(@CurrentActor() actor: Actor, @Body() dto: ChangePasswordDto, @Req() request: SignedRequest): Promise<DoneView> {
    await this.identity.changePassword(actor.personId, { ...dto, session: request.session ?? '' }, placeOf(request));
    return { id: actor.personId };
  }

  /** Signs this tablet in as a station, in place of whoever does it. */
  @Post('session/station')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async station(
    @CurrentActor() actor: Actor,
    @Body() { code }: StationSignInDto,
    @Req() request: SignedRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<DoneView> {
    const token = await this.sessions.openStation(code, actor.personId, placeOf(request));
    await this.sessions.signOut(request.session ?? '');
    this.setCookie(request, response, token);
    return { id: code };
  }

  /** Where one is signed in. */
  @Get('sessions')
  @Allow('viewer')
  @ApiOkResponse({ type: [OpenSessionView] })
  async list(@CurrentActor() actor: Actor, @Req() request: SignedRequest): Promise<OpenSessionView[]> {
    return (await this.sessions.of(actor.personId)).map((s) => ({ ...s, own: s.id === request.session }));
  }

  /** Ends all of one's sessions but the one that asks. */
  @Delete('sessions')
  @Allow('viewer')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async endOthers(@CurrentActor() actor: Actor, @Req() request: SignedRequest): Promise<DoneView> {
    await this.sessions.endAll(actor.personId, { except: request.session ?? '' });
    return { id: actor.personId };
  }

  @Delete('sessions/:id')
  @Allow('viewer')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async end(@CurrentActor() actor: Actor, @Param('id') id: string): Promise<DoneView> {
    if (!(await this.sessions.end(actor.personId, id))) throw notFound('open session', id);
    return { id };
  }

  @Get('session')
  @Allow('viewer')
  @ApiOkResponse({ type: SessionView })
  async session(@CurrentActor() actor: Actor, @Req() { station }: SignedRequest): Promise<SessionView> {
    const account = station ? A_STATION : await this.identity.account(actor.personId);
    if (!account) throw new Problem(401, 'sign-in', 'Not signed in', 'Sign in first.');
    const { factory, workWeek, demoClock, cautions, pauseCauses, startChecks } = await this.settings.all();
    return {
      personId: account.personId,
      name: station?.name ?? account.person.name,
      station: station ?? null,
      role: account.role,
      units: account.units,
      theme: account.theme,
      factory: factory.name,
      cautions: [...cautions],
      pauseCauses: [...pauseCauses],
      startChecks: [...startChecks],
      demo: factory.demo,
      demoAheadMs: demoClock.aheadMs,
      timeZone: workWeek.timeZone,
      shiftStartsAt: workWeek.startsAt,
      shiftEndsAt: workWeek.endsAt,
      nowMs: this.clock.nowMs(),
    };
  }

  @Delete('session')
  @Allow('viewer')
  @StationMay()
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async signOut(
    @CurrentActor() actor: Actor,
    @Req() request: SignedRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<DoneView> {
    await this.sessions.signOut(request.session ?? '');
    response.clearCookie(SESSION_COOKIE, { path: '/' });
    return { id: actor.personId };
  }

  @Patch('session')
  @Allow('viewer')
  @ApiOkResponse({ type: DoneView })
  async preferences(@CurrentActor() actor: Actor, @Body() dto: PreferencesDto): Promise<DoneView> {
    await this.identity.savePreferences(actor.personId, {
      ...(dto.units ? { units: { ...dto.units } } : {}),
      ...(dto.theme ? { theme: dto.theme } : {}),
    });
    return { id: actor.personId };
  }

  private setCookie(request: Request, response: Response, token: string): void {
    response.cookie(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.environment.isHttps || request.secure,
      path: '/',
      maxAge: this.sessions.longestMs,
    });
  }
}

const placeOf = (request: Request): Place => ({
  address: networkOf(request.ip ?? ''),
  device: deviceInWords(request.header('User-Agent')),
});
