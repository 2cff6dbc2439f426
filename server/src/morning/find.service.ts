import { isAlike, type Person } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ask } from '../platform/database/prepared.ts';
import { FactoryService } from '../factory/factory.service.ts';
import { beginning, numbered, within } from '../platform/paging/typed.ts';
import type { FoundView } from './morning.dto.ts';

const FOUND_MAX = 12;
/** So many that hold a text are looked at to find the latest of them. */
const LOOKED_AT = 100;
/** Shorter texts are looked for at the beginning of names only: within them they are everywhere. */
const TELLING = 3;

type Found = FoundView & { exact: number };

/** Finds what a text may mean, as far as an index leads: it is asked at every key. */
@Injectable()
export class FindService {
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
  ) {}

  /** What a typed or scanned text may mean, what is exactly that before the rest. */
  async find(text: string): Promise<FoundView[]> {
    const { models, species, people } = await this.names();
    const like = text.length < TELLING ? beginning(text) : within(text);
    const kinds = await Promise.all([
      this.batches(
        text,
        models.filter((m) => isAlike(m.name, text)).map((m) => m.id),
      ),
      this.lots(
        text,
        species.filter((name) => isAlike(name, text)),
        like,
      ),
      this.instruments(text, like),
      this.orders(text, like),
      this.places(text),
      this.parts(text),
    ]);
    const named = people.filter((p) => isAlike(p.name, text)).map(toFound(text));
    return [...kinds.flat(), ...named]
      .sort((a, b) => b.exact - a.exact)
      .slice(0, FOUND_MAX)
      .map(({ kind, id, sentence }) => ({ kind, id, sentence }));
  }

  private async names() {
    const { setUp } = await this.factories.load();
    const people = [...setUp.people.values()].filter((p) => p.active);
    return { models: [...setUp.models.values()], species: setUp.settings.species.map((s) => s.name), people };
  }

  private batches(text: string, modelIds: readonly string[]): Promise<Found[]> {
    return ask(
      this.database,
      `select 'batch' as kind, b.id, b.quantity || ' × ' || m.name || ' ' || b.component || ', ' || b.status as sentence, (b.id = upper($1))::int as exact
       from batch b join model m on m.id = b.model_id
       where b.id in (
         (select id from batch where id like $2 order by id using ~<~ limit $4)
         union all
         select late.id from unnest($3::text[]) as named(id) cross join lateral (
           select id from batch where model_id = named.id order by number desc limit $4) late)
       order by exact desc, b.number desc limit $4`,
      [text, beginning(numbered('B', text)), modelIds, FOUND_MAX],
    );
  }

  private lots(text: string, species: readonly string[], like: string): Promise<Found[]> {
    return ask(
      this.database,
      `select 'lot' as kind, l.id, l.species || ', ' || l.form || ', ' || l.state as sentence, (l.id = upper($1))::int as exact
       from lot l
       where l.id in (
         (select id from lot where id like $2 order by id using ~<~ limit $5)
         union all
         select late.id from unnest($3::text[]) as named(species) cross join lateral (
           select id from lot where lot.species = named.species order by number desc limit $5) late
         union all
         (select id from lot where supplier ilike $4 limit ${LOOKED_AT}))
       order by exact desc, l.number desc limit $5`,
      [text, beginning(numbered('L', text)), species, like, FOUND_MAX],
    );
  }

  private instruments(text: string, like: string): Promise<Found[]> {
    return ask(
      this.database,
      `select 'instrument' as kind, i.serial as id, m.name || ', ' || i.state as sentence, (i.serial = upper($1))::int as exact
       from (select serial, model_id, state, fitted_at from instrument where serial ilike $2 limit ${LOOKED_AT}) i
         join model m on m.id = i.model_id
       order by exact desc, i.fitted_at desc limit $3`,
      [text, like, FOUND_MAX],
    );
  }

  private orders(text: string, like: string): Promise<Found[]> {
    return ask(
      this.database,
      `select 'order' as kind, o.id, o.quantity || ' × ' || m.name || ' for ' || o.customer as sentence, (o.id = upper($1))::int as exact
       from customer_order o join model m on m.id = o.model_id
       where o.id in (
         (select id from customer_order where id like $2 order by id using ~<~ limit $4)
         union all
         (select id from customer_order where customer ilike $3 limit ${LOOKED_AT}))
       order by exact desc, o.number desc limit $4`,
      [text, beginning(numbered('O', text)), like, FOUND_MAX],
    );
  }

  /** Pieces, boards and blanks by their own number: what they are in now, or came from. A fitted piece is its instrument. */
  private parts(text: string): Promise<Found[]> {
    return ask(
      this.database,
      `select case when p.serial is null then 'batch' else 'instrument' end as kind, coalesce(p.serial, p.batch_id) as id,
          'piece ' || p.id || ', ' || m.name || ' ' || p.component || ', ' || p.state as sentence, 1 as exact
          from piece p join model m on m.id = p.model_id
          where p.id = upper($1) and not exists (select from instrument i where i.serial = p.id)
       union all
       select 'lot', b.lot_id, 'board ' || b.id || ', ' || b.state, 1 from board b where b.id = upper($1)
       union all
       select case when k.piece_id is null then 'lot' else 'batch' end, coalesce(p.batch_id, k.lot_id), 'blank ' || k.id || ', ' || k.state, 1
          from blank k left join piece p on p.id = k.piece_id where k.id = upper($1)`,
      [text],
    );
  }

  private places(text: string): Promise<Found[]> {
    return ask(
      this.database,
      `(select 'carrier' as kind, c.id, c.name || ', ' || c.taken || ' of ' || c.places || ' places taken' as sentence, (upper(c.id) = upper($1))::int as exact
          from carrier c where c.active and (c.id ilike $2 or c.name ilike $2) order by exact desc, c.id limit $3)
       union all
       (select 'station', s.code, s.name, (upper(s.code) = upper($1))::int from station s
          where s.code ilike $2 or s.name ilike $2 order by 4 desc, s.position limit $3)`,
      [text, within(text), FOUND_MAX],
    );
  }
}

const toFound =
  (text: string) =>
  ({ id, name, skills }: Pick<Person, 'id' | 'name' | 'skills'>): Found => ({
    kind: 'person',
    id,
    sentence: [name, ...skills.map((s) => s.skill)].join(', '),
    exact: Number(name.toLowerCase() === text.toLowerCase()),
  });
