import { checkWorkWeek, type Shift, type WorkWeek } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import type { ChangeWorkingTimeDto, WorkingTimeDto } from './setup.dto.ts';

/** When the factory works: its shifts, breaks, holidays and short days. */
@Injectable()
export class WorkingTimeService {
  constructor(
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
  ) {}

  async change(actor: Actor, dto: ChangeWorkingTimeDto): Promise<{ id: string }> {
    const [first, ...moreShifts] = dto.shifts;
    if (!first) throw badInput('shifts', 'A factory works one shift at least');
    const after: WorkWeek = {
      ...first,
      timeZone: dto.timeZone,
      moreShifts,
      holidays: dto.holidays.map((h) => h.date).sort(),
      shortDays: [...dto.shortDays].sort((a, b) => (a.date < b.date ? -1 : 1)),
    };
    const wrong = checkWorkWeek(after);
    if (wrong) throw badInput(wrong.field, wrong.problem);
    return this.changes.make(actor, 'working time', 'week', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'workWeek', after, { what: 'The working time', seen: dto.seen }),
      after,
    }));
  }
}

export function workingTimeView({ timeZone, holidays, moreShifts = [], shortDays = [], ...first }: WorkWeek): WorkingTimeDto {
  const shift = ({ days, startsAt, endsAt, breaks = [] }: Shift) => ({ days: [...days], startsAt, endsAt, breaks: [...breaks] });
  return {
    timeZone,
    shifts: [first, ...moreShifts].map(shift),
    holidays: holidays.map((date) => ({ date })),
    shortDays: [...shortDays],
  };
}
