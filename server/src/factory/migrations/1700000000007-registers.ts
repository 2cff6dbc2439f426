import type { MigrationInterface, QueryRunner } from 'typeorm';

// What the program knew of each species when this was written; a factory's own corrections of its meters join it.
const KNOWN = `
  (1, 'mahogany', 0.00172, 0.00238, 0.53, 0.034, true),
  (2, 'sugar maple', 0.00165, 0.00353, 0.68, 0.026, false),
  (3, 'black walnut', 0.0019, 0.00274, 0.59, 0.03, false),
  (4, 'white ash', 0.00169, 0.00274, 0.65, 0.03, false),
  (5, 'red alder', 0.00151, 0.00256, 0.44, 0.046, false),
  (6, 'Sitka spruce', 0.00148, 0.00263, 0.43, 0.055, false),
  (7, 'western redcedar', 0.00111, 0.00234, 0.34, 0.055, false),
  (8, 'black cherry', 0.00126, 0.00248, 0.54, 0.034, false),
  (9, 'basswood', 0.0023, 0.0033, 0.4, 0.05, false),
  (10, 'yellow-poplar', 0.00158, 0.00289, 0.45, 0.045, false),
  (11, 'eastern white pine', 0.00071, 0.00212, null, null, false)`;

const UP = `
with meters as (select m.key as name, m.value as meter from setting, jsonb_each(value) m where setting.key = 'meterSpecies'),
known (n, name, radial, tangential, density, rate, restricted) as (values ${KNOWN})
insert into setting
select 'species', jsonb_agg(jsonb_build_object(
  'name', coalesce(known.name, meters.name), 'radial', radial, 'tangential', tangential, 'densityGPerCm3', density,
  'ratePerDay', rate, 'restricted', coalesce(restricted, false), 'meter', meter,
  'source', case when known.name is null then '' else
    'Wood Handbook, ch. 13; density from specific gravity in ch. 5; rate a starting point' end
) order by known.n, meters.name)
from known full join meters on meters.name = known.name
having count(meters.name) > 0;
delete from setting where key = 'meterSpecies';
`;

const DOWN = `
insert into setting
select 'meterSpecies', jsonb_object_agg(s ->> 'name', s -> 'meter')
from setting, jsonb_array_elements(value) s where key = 'species' and s -> 'meter' <> 'null'
having count(*) > 0;
delete from setting where key in ('species', 'defects');
`;

/** What a species is and how it reads on meters is one register that the factory edits; what can be wrong is another. */
export class Registers1700000000007 implements MigrationInterface {
  name = 'Registers1700000000007';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
