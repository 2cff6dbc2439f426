import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone';
import utc from 'dayjs/plugin/utc';
import type { View } from '../ground/api.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

export type Person = View<'PersonView'>;
type Role = View<'NewAccountDto'>['role'];

/** Days away, first and last; and the stretch they were told from, which stays as it was while the days do. */
export interface AwayField {
  from: string;
  to: string;
  was: { from: string; to: string; fromMs: number; toMs: number } | null;
}

export interface PersonFields {
  name: string;
  /** a new person: whether they sign in */
  signsIn: boolean;
  login: string;
  password: string;
  role: Role;
  /** a day left empty is no bound */
  skills: { skill: string; level: number; since: string; until: string }[];
  ownWeek: boolean;
  days: number[];
  startsAt: string;
  endsAt: string;
  away: AwayField[];
  active: boolean;
}

const day = (ms: number, zone: string) => dayjs(ms).tz(zone).format('YYYY-MM-DD');
const midnight = (text: string, zone: string) => dayjs.tz(`${text}T00:00`, zone);

/** What the form shows of a person; of nobody, a new one. */
export function fieldsOf(person: Person | null, house: { timeZone: string; shiftStartsAt: string; shiftEndsAt: string }): PersonFields {
  const { timeZone, shiftStartsAt, shiftEndsAt } = house;
  return {
    name: person?.name ?? '',
    signsIn: true,
    login: '',
    password: '',
    role: person?.role ?? 'operator',
    skills: (person?.skills ?? []).map(({ since, until, ...held }) => ({ ...held, since: since ?? '', until: until ?? '' })),
    ownWeek: (person?.week ?? null) !== null,
    days: person?.week?.days ?? [1, 2, 3, 4, 5],
    startsAt: person?.week?.startsAt ?? shiftStartsAt,
    endsAt: person?.week?.endsAt ?? shiftEndsAt,
    away: (person?.away ?? []).map(({ fromMs, toMs }) => {
      const days = { from: day(fromMs, timeZone), to: day(toMs - 1, timeZone) };
      return { ...days, was: { ...days, fromMs, toMs } };
    }),
    active: person?.active ?? true,
  };
}

const heldSkills = ({ skills }: PersonFields) =>
  skills.map(({ since, until, ...held }) => ({ ...held, since: since === '' ? null : since, until: until === '' ? null : until }));

/** What is sent for a new person. */
export const newPersonOf = (fields: PersonFields): View<'PersonDto'> => ({
  name: fields.name,
  skills: heldSkills(fields),
  account: fields.signsIn ? { login: fields.login, role: fields.role, password: fields.password } : null,
});

/** What is sent for a person who has changed. */
export function changedPersonOf(fields: PersonFields, person: Person, timeZone: string): View<'ChangePersonDto'> {
  const { name, role, ownWeek, days, startsAt, endsAt, active } = fields;
  return {
    version: person.version,
    name,
    skills: heldSkills(fields),
    away: fields.away.map(({ from, to, was }) =>
      was?.from === from && was.to === to
        ? { fromMs: was.fromMs, toMs: was.toMs }
        : { fromMs: midnight(from, timeZone).valueOf(), toMs: midnight(to, timeZone).add(1, 'day').valueOf() },
    ),
    week: ownWeek ? { days: [...days].sort(), startsAt, endsAt } : null,
    ...(person.role === null ? {} : { role }),
    active,
  };
}
