import type { UnitChoice } from '@ample-crane/core';
import { Body, Controller, Delete, Get, HttpCode, Patch, Post, Req, Res } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Clock } from '../clock/clock.ts';
import { BodyBound, SMALL_BODY } from '../http/body.ts';
import { InOneOf, InPart, InText, Out, OutEnum, OutList, OutPart } from '../http/fields.ts';
import { DoneView } from '../http/views.ts';
import { Problem } from '../problems/problems.ts';
import { SettingsService } from '../settings/settings.service.ts';
import { CurrentActor, type Actor } from './actor.ts';
import { SESSION_COOKIE } from './identity.guard.ts';
import { IdentityService } from './identity.service.ts';
import { Allow, ROLES, type Role } from './role.ts';

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

export class SessionView {
  @Out() personId: string;
  @Out() name: string;
  @OutEnum(ROLES) role: Role;
  @OutList(() => String) skills: string[];
  @OutPart(() => UnitsDto) units: UnitsDto;
  @OutEnum(['paper', 'booth']) theme: 'paper' | 'booth';
  @Out() factory: string;
  @Out() timeZone: string;
  @Out() shiftStartsAt: string;
  @Out() shiftEndsAt: string;
  @Out() demo: boolean;
  @Out() nowMs: number;
}

export class WelcomeView {
  @Out() factory: string;
  @Out() demo: boolean;
  @Out() needsFirstAdministrator: boolean;
}

@ApiTags('session')
@Controller()
@BodyBound(SMALL_BODY)
export class SessionController {
  constructor(
    private readonly identity: IdentityService,
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
    setCookie(request, response, await this.identity.signIn(dto.login, dto.password));
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
    setCookie(request, response, await this.identity.createFirstAdministrator(dto.login, dto.name, dto.password));
    return { id: dto.login };
  }

  @Get('session')
  @Allow('viewer')
  @ApiOkResponse({ type: SessionView })
  async session(@Req() request: Request): Promise<SessionView> {
    const person = await this.identity.personOf(tokenOf(request));
    if (!person) throw new Problem(401, 'sign-in', 'Not signed in', 'Sign in first.');
    const { factory, workWeek } = await this.settings.all();
    return {
      personId: person.id,
      name: person.name,
      role: person.role,
      skills: person.skills,
      units: person.units,
      theme: person.theme,
      factory: factory.name,
      demo: factory.demo,
      timeZone: workWeek.timeZone,
      shiftStartsAt: workWeek.startsAt,
      shiftEndsAt: workWeek.endsAt,
      nowMs: this.clock.nowMs(),
    };
  }

  @Delete('session')
  @Allow('viewer')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  async signOut(@CurrentActor() actor: Actor, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<DoneView> {
    await this.identity.signOut(tokenOf(request));
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
}

function tokenOf(request: Request): string {
  const token: unknown = (request.cookies as Record<string, unknown>)[SESSION_COOKIE];
  return typeof token === 'string' ? token : '';
}

function setCookie(request: Request, response: Response, token: string): void {
  response.cookie(SESSION_COOKIE, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    path: '/',
    maxAge: 14 * 24 * 3_600_000,
  });
}
