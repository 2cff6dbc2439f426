import { counted } from '../units/index.ts';

/** A station's work in a window of time, and what waits there now. */
export interface StationWork {
  code: string;
  name: string;
  /** touch that came to it */
  arrivedMs: number;
  /** hours of its places, or of those who can work there where these are fewer */
  hoursMs: number;
  queuedMs: number;
  /** its hours of a week */
  weeklyMs: number;
  /** who can do its work; null where anybody can */
  holders: readonly string[] | null;
  /** the stations that its work goes on to have none */
  starves: boolean;
}

/** Hours that somebody was there. */
export interface PersonHours {
  id: string;
  name: string;
  hoursMs: number;
}

/** The floor as a whole. */
export interface Pace {
  startedPerDay: number;
  shippedPerDay: number;
  /** instruments on order of which a part is not begun */
  notBegun: number;
  /** batches that are done where they are and find no room ahead */
  noRoom: number;
}

/** What limits the factory. */
export type Limit =
  | { kind: 'station'; station: StationWork; share: number }
  | { kind: 'people'; people: PersonHours[]; stations: StationWork[]; share: number }
  | { kind: 'room'; batches: number; busiest: StationWork | undefined }
  | { kind: 'filling'; pace: Pace; busiest: StationWork | undefined }
  | { kind: 'starts'; pace: Pace; busiest: StationWork | undefined }
  | { kind: 'nothing'; busiest: StationWork | undefined };

/** From about this share of its hours on, queues before a station grow faster than chance works them off: at 0.8 four jobs stand there on average, at 0.9 nine. */
export const NARROW_SHARE = 0.8;
/** A station below that is narrow too, if it starves those after it with so much of its week in front of it. */
const STARVING = { share: 0.5, weeks: 0.4 };
/** And one with more than this in front of it, whatever it had over the window: what came before may have been another time. */
const QUEUED_WEEKS = 1;
/** Where so much more is begun than leaves, the floor fills up: starting more would not help. */
const FILLING = 1.2;
/** So many batches without room ahead are no accident. */
const CROWDED = 3;

export const shareOf = ({ arrivedMs, hoursMs }: Pick<StationWork, 'arrivedMs' | 'hoursMs'>): number =>
  hoursMs === 0 ? 0 : arrivedMs / hoursMs;

/**
 * What holds the factory up: the station that is short of hours; people who are needed at more stations than they can
 * stand at; room ahead; or, where none of these is short, what is started, unless more of that comes in than leaves. A station is only named where there is a narrow.
 */
export function limitOf(stations: readonly StationWork[], people: readonly PersonHours[], pace: Pace): Limit {
  const worked = stations.filter((s) => s.arrivedMs > 0).sort((a, b) => shareOf(b) - shareOf(a));
  const [longest] = [...worked].sort((a, b) => weeksOf(b) - weeksOf(a));
  const queued = longest && weeksOf(longest) > QUEUED_WEEKS ? longest : undefined;
  const narrow = worked.find((s) => shareOf(s) >= NARROW_SHARE || starvesOthers(s)) ?? queued;
  const short = scarcestPeople(worked, people);
  if (short && short.share >= NARROW_SHARE && short.share > (narrow ? shareOf(narrow) : 0)) return { kind: 'people', ...short };
  if (narrow) return { kind: 'station', station: narrow, share: shareOf(narrow) };
  const [busiest] = worked;
  if (pace.noRoom >= CROWDED) return { kind: 'room', batches: pace.noRoom, busiest };
  if (pace.startedPerDay > FILLING * pace.shippedPerDay) return { kind: 'filling', pace, busiest };
  return pace.notBegun > 0 ? { kind: 'starts', pace, busiest } : { kind: 'nothing', busiest };
}

/** Weeks of work that wait at a station. */
const weeksOf = ({ queuedMs, weeklyMs }: StationWork): number => (weeklyMs === 0 ? 0 : queuedMs / weeklyMs);

const starvesOthers = (s: StationWork): boolean => s.starves && shareOf(s) >= STARVING.share && s.queuedMs >= STARVING.weeks * s.weeklyMs;

/**
 * The people whose hours are asked for most: for each group that some station depends on, the work of all stations that
 * nobody outside the group can do, against the group's hours. Only groups that more than one station depends on: one
 * station's own hours are told with it.
 *
 * @source Hall's condition for the marriage of work and people, over the groups that stations name
 */
function scarcestPeople(
  stations: readonly StationWork[],
  people: readonly PersonHours[],
): Omit<Extract<Limit, { kind: 'people' }>, 'kind'> | undefined {
  const byId = new Map(people.map((p) => [p.id, p]));
  const groups = new Map(
    stations.flatMap(({ holders }) => (holders === null ? [] : [[[...holders].sort().join(), new Set(holders)] as const])),
  );
  let scarcest: ReturnType<typeof scarcestPeople>;
  for (const group of groups.values()) {
    const own = stations.filter(({ holders }) => holders?.every((id) => group.has(id)) === true);
    const members = [...group].flatMap((id) => byId.get(id) ?? []);
    const hoursMs = members.reduce((sum, p) => sum + p.hoursMs, 0);
    if (own.length < 2 || hoursMs === 0) continue;
    const share = own.reduce((sum, s) => sum + s.arrivedMs, 0) / hoursMs;
    if (!scarcest || share > scarcest.share) scarcest = { people: members, stations: own, share };
  }
  return scarcest;
}

const percent = (share: number) => `${Math.round(share * 100)} %`;
const hours = (ms: number) => `${(ms / 3_600_000).toFixed(0)} h`;
const listed = (names: readonly string[]) =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** What limits the factory, with its figures, as the manager is told it. */
export function limitInWords(limit: Limit): string {
  switch (limit.kind) {
    case 'station': {
      const { name, queuedMs, weeklyMs, starves } = limit.station;
      const after = starves ? '; what follows it has nothing to do' : '';
      return `${name} holds the line: work for ${percent(limit.share)} of its hours came in, ${hours(queuedMs)} queued, ${hours(weeklyMs)} a week available${after}.`;
    }
    case 'people': {
      const at = listed(limit.stations.map((s) => s.name));
      const who = listed(limit.people.map((p) => p.name));
      return `${who} ${limit.people.length === 1 ? 'holds' : 'hold'} the line: nobody else can work at ${at}, where work for ${percent(limit.share)} of ${limit.people.length === 1 ? 'those' : 'their'} hours came in.`;
    }
    case 'room':
      return `Room holds the line: ${counted(limit.batches, 'batch', 'batches')} done with their step find none ahead. ${noNarrow(limit.busiest)}`;
    case 'filling':
      return `${noNarrow(limit.busiest)} More is begun than leaves: ${limit.pace.startedPerDay.toFixed(1)} bodies a day were begun, ${limit.pace.shippedPerDay.toFixed(1)} instruments a day shipped; the rest is under way.`;
    case 'starts': {
      const { startedPerDay, shippedPerDay, notBegun } = limit.pace;
      return `${noNarrow(limit.busiest)} What is started sets the pace: ${startedPerDay.toFixed(1)} bodies a day were, ${shippedPerDay.toFixed(1)} instruments a day were shipped; ${counted(notBegun, 'instrument')} on order ${notBegun === 1 ? 'is' : 'are'} not begun.`;
    }
    case 'nothing':
      return `${noNarrow(limit.busiest)} All that is on order is begun.`;
  }
}

const noNarrow = (busiest: StationWork | undefined) =>
  busiest
    ? `No station is narrow: the busiest, ${busiest.name}, had work for ${percent(shareOf(busiest))} of its hours, and ${hours(busiest.queuedMs)} wait there.`
    : 'No work came to any station.';
