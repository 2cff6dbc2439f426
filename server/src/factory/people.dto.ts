import type { HeldSkill, Interval, OwnWeek } from '@ample-crane/core';
import {
  InCount,
  InDay,
  InFlag,
  InInstant,
  InList,
  InOneOf,
  InPart,
  InText,
  InWholeNumbers,
  Out,
  OutEnumOrNull,
  OutList,
  OutOrNull,
} from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';
import { ROLES, type Role } from '../platform/identity/role.ts';

const CLOCK = { max: 5, pattern: /^([01]\d|2[0-3]):[0-5]\d$/, hint: 'Give a clock time, as 07:00' };

export class HeldSkillDto implements HeldSkill {
  @InText({ max: 80 }) skill: string;
  @InCount({ min: 1, max: 3 }) level: number;
  @InDay({ nullable: true }) since: string | null;
  @InDay({ nullable: true }) until: string | null;
}

export class AbsenceDto implements Interval {
  @InInstant() fromMs: number;
  @InInstant() toMs: number;
}

export class OwnWeekDto implements OwnWeek {
  @InWholeNumbers({ min: 1, max: 7, most: 7 }) days: number[];
  @InText(CLOCK) startsAt: string;
  @InText(CLOCK) endsAt: string;
}

/** How somebody signs in. */
export class NewAccountDto {
  @InText({ max: 40, pattern: /^[a-z0-9._-]+$/, hint: 'Use small letters, digits, dot, dash or underscore' })
  login: string;
  @InOneOf(ROLES) role: Role;
  @InText({ min: 10, max: 200, verbatim: true }) password: string;
}

/** Somebody who works here; with a sign-in, or without. */
export class PersonDto {
  @InText({ max: 80 }) name: string;
  @InList(() => HeldSkillDto, { max: 40 }) skills: HeldSkillDto[];
  @InPart(() => NewAccountDto, { nullable: true }) account: NewAccountDto | null;
}

export class ChangePersonDto extends VersionDto {
  @InText({ max: 80 }) name: string;
  @InList(() => HeldSkillDto, { max: 40 }) skills: HeldSkillDto[];
  @InList(() => AbsenceDto, { max: 100 }) away: AbsenceDto[];
  /** null where it is the factory's */
  @InPart(() => OwnWeekDto, { nullable: true }) week: OwnWeekDto | null;
  /** left out for whoever does not sign in */
  @InOneOf(ROLES, { optional: true }) role?: Role;
  @InFlag() active: boolean;
}

export class GiveAccountDto extends NewAccountDto {
  @InCount({ min: 0, max: 2_147_483_647 }) version: number;
}

export class BadgeDto {
  /** what a scanner reads from it */
  @InText({ min: 8, max: 100, nullable: true }) badge: string | null;
}

/** Told once: only a hash of it is kept. */
export class ResetCodeView {
  @Out() id: string;
  @Out() code: string;
}

export class PersonView {
  @Out() id: string;
  @Out() name: string;
  /** null for whoever does not sign in */
  @OutOrNull(String) login: string | null;
  @OutEnumOrNull(ROLES) role: Role | null;
  @OutList(() => HeldSkillDto) skills: HeldSkillDto[];
  @OutList(() => AbsenceDto) away: AbsenceDto[];
  @OutOrNull(OwnWeekDto) week: OwnWeekDto | null;
  @Out() active: boolean;
  @OutOrNull(Number) awayUntilMs: number | null;
  @Out() version: number;
}
