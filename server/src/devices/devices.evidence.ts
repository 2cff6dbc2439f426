import { ControllersAt, KINDS, type ControllerNow, type MachineTold } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';

const CONTROLLER = 'machine controller';

/** What machines say for themselves when something is judged. One that is silent says nothing. */
@Injectable()
export class DevicesEvidence {
  constructor(sources: EvidenceSources) {
    sources.addMany(ControllersAt, async (abouts, { manager, nowMs }) => {
      const since = new Date(nowMs - (KINDS[CONTROLLER].silentAfterMs ?? 0));
      const rows = await manager.query<{ id: string; stationCode: string; bench: number; told: MachineTold; at: Date }[]>(
        `select d.id, d.station_code as "stationCode", d.bench, n.told, n.told_at as at
           from device d join device_now n on n.device_id = d.id
          where d.station_code = any($1) and d.kind = $2 and d.active and n.connected and n.heard >= $3 and n.told is not null
          order by d.station_code, d.bench`,
        [abouts.map((about) => about.stationCode), CONTROLLER, since],
      );
      return abouts.map(({ stationCode }) =>
        rows
          .filter((r) => r.stationCode === stationCode)
          .map(({ id, bench, told: { state, program, parts }, at }): ControllerNow => {
            return { deviceId: id, bench, state, program, parts, atMs: at.getTime() };
          }),
      );
    });
  }
}
