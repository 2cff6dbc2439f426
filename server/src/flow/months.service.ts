import {
  busiestOf,
  comparedInWords,
  compareMonths,
  DAY_MS,
  flowFigures,
  HOUR_MS,
  hourOf,
  monthsBetween,
  returnedShare,
  shippedPerDay,
  WallClock,
  workDaysIn,
  type Month,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { Between, DataSource } from 'typeorm';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { BodyHourEntity, StationHourEntity } from '../batches/flowTallies.entity.ts';
import type { MonthsView, MonthView } from './flow.dto.ts';
import { PlacesChanges, type PlacesChange } from './placesChanges.ts';

/** The month that goes on, and a year before it to see the season by. */
const SHOWN = 13;
/** A month that is over changes by what is logged late alone: it is reckoned anew after so long. */
const KEPT_MS = HOUR_MS;

/** What each month of the factory came to, and what of it was otherwise than in the month before. */
@Injectable()
export class MonthsService {
  private readonly shelf: Shelf<MonthsView>;
  private readonly over = new LRUCache<string, { factory: FactoryNow; month: Promise<Month> }>({ max: 2 * SHOWN, ttl: KEPT_MS });

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly changes: PlacesChanges,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the floor');
  }

  /** @param most months, the latest of them; the one that goes on counts */
  view(most = SHOWN): Promise<MonthsView> {
    return this.shelf.of(String(most), () => this.read(most));
  }

  private async read(most: number): Promise<MonthsView> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    const sinceMs = await this.begun();
    const clock = new WallClock(factory.setUp.settings.workWeek.timeZone);
    const places = await this.changes.all();
    const spans = sinceMs === null ? [] : monthsBetween(sinceMs, nowMs, clock).slice(-most);
    const months = await Promise.all(
      spans.map((span) => {
        const kept = this.over.get(span.id);
        if (kept?.factory === factory) return kept.month;
        // What happened at this very instant counts.
        const over = span.toMs <= nowMs;
        const known = { ...span, toMs: over ? span.toMs : nowMs + 1, whole: over && (sinceMs ?? nowMs) <= span.fromMs + DAY_MS };
        const month = this.month(known, factory, clock, places);
        if (over) {
          this.over.set(span.id, { factory, month });
          // One that could not be read is asked for again.
          month.catch(() => this.over.delete(span.id));
        }
        return month;
      }),
    );
    const name = monthNames();
    return {
      sinceMs,
      months: months.map((month, i) => {
        const before = months[i - 1];
        const within = places.filter((c) => c.atMs >= month.fromMs && c.atMs < month.toMs);
        const compared =
          before?.whole === true && month.whole
            ? compareMonths(
                before,
                month,
                within.map((c) => ({ ...c, name: factory.stationName(c.station) })),
              )
            : null;
        return toView(month, compared ? comparedInWords(compared, (m) => name(m.id)) : null);
      }),
    };
  }

  /** When the first body was begun. */
  private async begun(): Promise<number | null> {
    const [first] = await this.database.query<{ hour: number }[]>('select hour from body_hour where hour > 0 order by hour limit 1');
    return first ? first.hour * HOUR_MS : null;
  }

  private async month(
    known: Pick<Month, 'id' | 'fromMs' | 'toMs' | 'whole'>,
    factory: FactoryNow,
    clock: WallClock,
    places: readonly PlacesChange[],
  ): Promise<Month> {
    const { fromMs, toMs } = known;
    const hours = Between(hourOf(fromMs), hourOf(toMs - 1));
    const [stationHours, bodyHours] = await Promise.all([
      this.database.getRepository(StationHourEntity).findBy({ hour: hours }),
      this.database.getRepository(BodyHourEntity).findBy({ hour: hours }),
    ]);
    const window = { fromMs: hourOf(fromMs) * HOUR_MS, toMs };
    const time = factory.workingTime(window);
    const stations = this.changes.placesAtFirst(factory, places);
    const record = { stations, hours: stationHours, goingOn: [], places, bodies: undefined, bodyHours, leads: [] };
    const figures = flowFigures(record, window, time);
    const people = [...factory.setUp.people.values()].filter((p) => p.active);
    const sum = (of: (hour: BodyHourEntity) => number) => bodyHours.reduce((total, hour) => total + of(hour), 0);
    return {
      ...known,
      workDays: workDaysIn(time.windows, clock),
      workHoursMs: time.between(window.fromMs, window.toMs),
      peopleHoursMs: people.reduce((total, person) => total + factory.people.hoursMs(person, window), 0),
      begun: sum((h) => h.entered),
      shipped: sum((h) => h.shipped),
      leadMinutes: sum((h) => h.leadMinutes),
      stations: figures.stations.map((s) => ({
        code: s.code,
        name: factory.stationName(s.code),
        busyMs: s.workedMs,
        hoursMs: s.availableMs,
        good: s.good,
        rework: s.rework,
        scrap: s.scrap,
      })),
    };
  }
}

/** "March 2026" of "2026-03". */
function monthNames(): (id: string) => string {
  const format = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });
  return (id) => format.format(new Date(`${id}-15T12:00:00Z`));
}

function toView(month: Month, why: string | null): MonthView {
  const busiest = busiestOf(month);
  return {
    id: month.id,
    fromMs: month.fromMs,
    whole: month.whole,
    workDays: month.workDays,
    peopleHours: month.peopleHoursMs / HOUR_MS,
    begun: month.begun,
    shipped: month.shipped,
    shippedPerDay: shippedPerDay(month),
    meanLeadDays: month.shipped === 0 ? null : month.leadMinutes / month.shipped / (24 * 60),
    returnedShare: returnedShare(month),
    busiest: busiest?.station.name ?? null,
    busiestShare: busiest?.share ?? null,
    why,
  };
}
