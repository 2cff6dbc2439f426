import { AirNow, HOUR_MS, NOT_ANSWERED, Temperatures } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';
import { ClimateService } from './climate.service.ts';

/** What the climate room knows when something is judged. */
@Injectable()
export class ClimateEvidence {
  constructor(sources: EvidenceSources, climate: ClimateService) {
    sources.add(AirNow, async ({ zoneId }, { manager }) => (await climate.air(zoneId, manager)) ?? NOT_ANSWERED);
    sources.add(Temperatures, ({ zoneId, fromMs, toMs }, { manager }) =>
      // The first moment has a reading before it.
      climate.temperatures(zoneId, fromMs - HOUR_MS, toMs, manager),
    );
  }
}
