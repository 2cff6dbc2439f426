import { AirNow, HOUR_MS, NOT_ANSWERED, Temperatures, type TemperatureSample } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';
import { ClimateService } from './climate.service.ts';

/** What the climate room knows when something is judged. */
@Injectable()
export class ClimateEvidence {
  constructor(sources: EvidenceSources, climate: ClimateService) {
    sources.add(AirNow, async ({ zoneId }, { manager, nowMs }) => (await climate.air(zoneId, { manager, nowMs })) ?? NOT_ANSWERED);
    sources.addMany(Temperatures, async (abouts, { manager }) => {
      // Read once for each room, from the earliest moment asked for.
      const fromMs = new Map<string, number>();
      const toMs = Math.max(...abouts.map((about) => about.toMs));
      for (const about of abouts) fromMs.set(about.zoneId, Math.min(about.fromMs, fromMs.get(about.zoneId) ?? Infinity));
      const courses = new Map<string, readonly TemperatureSample[]>();
      // The first moment has a reading before it.
      for (const [zoneId, from] of fromMs) courses.set(zoneId, await climate.temperatures(zoneId, from - HOUR_MS, toMs, manager));
      return abouts.map(({ zoneId }) => courses.get(zoneId) ?? []);
    });
  }
}
