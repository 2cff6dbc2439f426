import { FOR_A_FIELD_MS, KINDS, placeKeyOf, QUANTITIES } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { notFound, Problem } from '../platform/problems/problems.ts';
import { DeviceEntity } from './device.entity.ts';
import type { DeviceValuesView, DeviceValueView } from './devices.dto.ts';

/** What waits for a field: values that were sent by the press of a button. */
@Injectable()
export class ValuesService {
  constructor(
    private readonly database: DataSource,
    private readonly clock: Clock,
  ) {}

  /** What came to a place after another value, and is nobody's yet; nothing that is old by now. */
  async waiting(place: string, after: string | undefined): Promise<DeviceValuesView> {
    const [[last], all, values] = await Promise.all([
      this.database.query<{ seq: string }[]>('select coalesce(max(seq), 0)::text as seq from device_value'),
      this.database.getRepository(DeviceEntity).find({ where: { active: true }, order: { name: 'ASC' } }),
      after === undefined ? [] : this.after(place, after),
    ]);
    const here = all.filter((d) => placeKeyOf(d) === place && (QUANTITIES as readonly string[]).includes(KINDS[d.kind].tells));
    return { cursor: last?.seq ?? '0', devices: here.map((d) => d.name), values };
  }

  private async after(place: string, after: string): Promise<DeviceValueView[]> {
    const rows = await this.database.query<(Omit<DeviceValueView, 'atMs'> & { at: Date })[]>(
      `select v.seq::text as seq, v.device_id as "deviceId", d.name as "deviceName", v.quantity, v.value, v.at
         from device_value v join device d on d.id = v.device_id
        where v.place = $1 and v.seq > $2::numeric and v.taken_by is null and v.at > $3
        order by v.seq limit 100`,
      [place, after, new Date(this.clock.nowMs() - FOR_A_FIELD_MS)],
    );
    return rows.map(({ at, ...row }) => ({ ...row, atMs: at.getTime() }));
  }

  /** A field takes a value; whoever comes second is told so. */
  async take(seq: string, by: string): Promise<{ id: string }> {
    const [, count] = await this.database.query<[unknown, number]>(
      'update device_value set taken_by = $2 where seq = $1 and (taken_by is null or taken_by = $2)',
      [seq, by],
    );
    if (count === 1) return { id: seq };
    const [known] = await this.database.query<{ seq: string }[]>('select seq::text from device_value where seq = $1', [seq]);
    if (!known) throw notFound('value', seq);
    throw new Problem(409, 'taken', 'Taken already', 'Another field has taken this value.');
  }
}
