import { bandOf, DAY_MS, findExcursions, meanEmcPct, shopAirInWords, type Lot } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, MoreThan } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { ClimateService } from '../climate/climate.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Out, OutList, OutPart } from '../platform/http/fields.ts';
import { notFound } from '../platform/problems/problems.ts';
import { FactoryService } from '../factory/factory.service.ts';
import { CurvePointView, ExcursionView, FanPointView } from './drying.view.ts';
import { BandView } from './lot.dto.ts';
import { LotEntity } from './timber.entity.ts';

export class SatThroughView {
  /** lots that lay in the room */
  @OutList(() => String) lots: string[];
  /** batches that waited there, part-made */
  @OutList(() => String) batches: string[];
}

export class RoomExcursionView extends ExcursionView {
  @OutPart(() => SatThroughView) satThrough: SatThroughView;
}

export class AirView {
  @Out() zoneId: string;
  @Out() zoneName: string;
  @Out() emcNowPct: number;
  @OutPart(() => BandView) band: BandView;
  /** which days of the wood room the band comes from, in words */
  @Out() bandFrom: string;
  /** EMC of parts of the time: its mean, lowest and highest */
  @OutList(() => FanPointView) course: FanPointView[];
  @OutList(() => RoomExcursionView) excursions: RoomExcursionView[];
  /** stretches nobody measured */
  @OutList(() => CurvePointView) silences: CurvePointView[];
}

const POINTS = 120;
const EXCURSIONS_SHOWN = 40;

/** What the air of a room has asked of the wood in it. */
@Injectable()
export class AirService {
  constructor(
    private readonly database: DataSource,
    private readonly climate: ClimateService,
    private readonly factories: FactoryService,
    private readonly clock: Clock,
  ) {}

  async view(zoneId: string, days: number): Promise<AirView> {
    const zone = await this.database.getRepository(ZoneEntity).findOneBy({ id: zoneId });
    if (!zone) throw notFound('zone', zoneId);
    const { settings } = (await this.factories.load()).setUp;
    const nowMs = this.clock.nowMs();
    const { emc } = await this.climate.trace(zoneId);
    const fromMs = Math.max(emc.fromMs, nowMs - days * DAY_MS);
    const shop = await this.climate.shopAir(settings.factory.woodRoomZoneId);
    const band = bandOf(settings.moistureBand, shop.emcPct);
    const step = Math.max(emc.stepMs, (nowMs - fromMs) / POINTS);
    const course = Array.from({ length: Math.ceil((nowMs - fromMs) / step) }, (_, i) => {
      const at = fromMs + i * step;
      const part = emc.emcPct.slice(Math.floor((at - emc.fromMs) / emc.stepMs), Math.ceil((at + step - emc.fromMs) / emc.stepMs));
      return {
        atMs: Math.min(nowMs, at + step / 2),
        meanPct: meanEmcPct(emc, at, at + step),
        lowPct: Math.min(...part),
        highPct: Math.max(...part),
      };
    });
    const lots = await this.database.getRepository(LotEntity).find({ where: [{ state: 'drying' }, { releasedMs: MoreThan(fromMs) }] });
    const excursions = findExcursions(emc, band, undefined, fromMs).slice(-EXCURSIONS_SHOWN).reverse();
    return {
      zoneId,
      zoneName: zone.name,
      emcNowPct: meanEmcPct(emc, nowMs - emc.stepMs, nowMs),
      band,
      bandFrom: settings.moistureBand.school === 'fixed' ? 'fixed in Setup' : shopAirInWords(shop),
      course,
      excursions: await Promise.all(
        excursions.map(async (e) => ({
          ...e,
          satThrough: { lots: lots.filter((l) => layThere(l, zoneId, e)).map((l) => l.id), batches: await this.waited(zoneId, e) },
        })),
      ),
      silences: emc.gaps.filter((g) => g.toMs > fromMs).map((g) => ({ atMs: g.fromMs, pct: (g.toMs - g.fromMs) / 3_600_000 })),
    };
  }

  /** Batches that waited in a room for all or part of a time. */
  private async waited(zoneId: string, { fromMs, toMs }: { fromMs: number; toMs: number }): Promise<string[]> {
    const rows: { batch: string }[] = await this.database.query(
      `select distinct v.batch_id as batch from visit v join station s on s.code = v.station_code
       where s.zone_id = $1 and s.kind = 'dwell'
         and tstzrange(v.arrived_at, greatest(v.arrived_at, coalesce(v.left_at, 'infinity'))) && tstzrange($2, $3, '()') order by 1`,
      [zoneId, new Date(fromMs), new Date(toMs)],
    );
    return rows.map((r) => r.batch);
  }
}

/** Lay a lot in a room, not yet released, for all or part of a time? */
function layThere(lot: Lot, zoneId: string, { fromMs, toMs }: { fromMs: number; toMs: number }): boolean {
  return lot.stays.some(
    (stay, i) => stay.zoneId === zoneId && stay.fromMs < toMs && (lot.stays[i + 1]?.fromMs ?? lot.releasedMs ?? Infinity) > fromMs,
  );
}
