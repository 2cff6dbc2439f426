import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

/** The same as core tells of each pass of work that is not for orders, from all that are on record. */
export const FROM_CLASSED_VISITS = `
select concat_ws(' ', station_code, work_class, floor(extract(epoch from finished_at) / 3600)::int) as id,
  station_code, work_class, floor(extract(epoch from finished_at) / 3600)::int as hour,
  sum(good + rework + scrap)::int as pieces, sum(round((touch_ms / 1000)::numeric))::double precision as touch_s
from visit
where work_class <> 'order' and finished_at is not null and touch_ms > 0
group by station_code, work_class, floor(extract(epoch from finished_at) / 3600)`;

// What a batch is made for: until now it was a trial or was not. Each class has hours of its own.
export class WorkClasses1700000000038 implements MigrationInterface {
  name = 'WorkClasses1700000000038';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
alter table batch add column work_class text not null default 'order', add column judged jsonb;
update batch set work_class = 'trial' where trial;
alter table batch drop column trial;
alter table visit add column work_class text not null default 'order';
update visit set work_class = 'trial' from batch where batch.id = visit.batch_id and batch.work_class = 'trial';
create index batch_work_class on batch (work_class, status) where work_class <> 'order';

create table class_hour (
  id text primary key,
  station_code text not null,
  work_class text not null,
  hour int not null,
  pieces int not null,
  touch_s double precision not null
);
create index class_hour_hour on class_hour (hour);
grant select, insert, update, delete on class_hour to ${APPLICATION_ROLE};

insert into class_hour ${FROM_CLASSED_VISITS};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
drop table class_hour;
drop index batch_work_class;
alter table visit drop column work_class;
alter table batch add column trial boolean not null default false;
update batch set trial = true where work_class in ('trial', 'tooling');
alter table batch drop column work_class, drop column judged;`);
  }
}
