import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

/** The same as core tells of each pass, from all that are on record. */
export const FROM_VISITS = `
select '[' || concat_ws(',', to_json(model_id), to_json(operation_id), to_json(station_code)) || ']' as id,
  model_id, operation_id, station_code, count(*)::int as batches,
  sum(good + rework + scrap)::int as pieces, sum(load_s)::double precision as load_s,
  sum(round((touch_ms / 1000)::numeric))::double precision as touch_s
from visit
where load_s is not null and not redo and finished_at is not null and touch_ms > 0
group by model_id, operation_id, station_code`;

// How long each step of a model takes at a station, told by every pass that is done.
export class StepTimes1700000000035 implements MigrationInterface {
  name = 'StepTimes1700000000035';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table step_times (
  id text primary key,
  model_id text not null,
  operation_id text not null,
  station_code text not null,
  batches int not null,
  pieces int not null,
  load_s double precision not null,
  touch_s double precision not null
);
create index step_times_model on step_times (model_id);
grant select, insert, update, delete on step_times to ${APPLICATION_ROLE};

insert into step_times ${FROM_VISITS};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table step_times');
  }
}
