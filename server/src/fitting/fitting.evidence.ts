import { sequencePeriod, sequenceStartMs, SerialsGiven } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';

/** What the fitting bench knows when something is judged. */
@Injectable()
export class FittingEvidence {
  constructor(sources: EvidenceSources) {
    sources.add(SerialsGiven, async ({ period }, { manager, factory, nowMs }) => {
      const { serialPattern, workWeek } = factory.setUp.settings;
      // Serials are handed out by one command at a time, so that none is given twice.
      await manager.query(`select pg_advisory_xact_lock(hashtext('serial'))`);
      const [counted] = await manager.query<{ given: number }[]>('select given from serial_count where period = $1', [period]);
      if (counted) return counted.given;
      // The first of a stretch; or of one that began under another pattern, or an earlier program.
      const fitted = await manager.query<{ at: Date; n: number }[]>(
        `select at, jsonb_array_length(payload->'pairs')::int as n from logbook where kind = 'instruments.fitted' and at >= $1`,
        [new Date(sequenceStartMs(nowMs, workWeek.timeZone, serialPattern.reset))],
      );
      return fitted
        .filter((f) => sequencePeriod(f.at.getTime(), workWeek.timeZone, serialPattern.reset) === period)
        .reduce((sum, f) => sum + f.n, 0);
    });
  }
}
