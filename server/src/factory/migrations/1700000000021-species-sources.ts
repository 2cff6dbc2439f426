import type { MigrationInterface, QueryRunner } from 'typeorm';

// One text stood for every figure of a species; of the woods that the program knew it named three sources at once.
const ONCE = 'Wood Handbook, ch. 13; density from specific gravity in ch. 5; rate a starting point';
const [MOVEMENT, DENSITY, RATE] = [
  'Wood Handbook (FPL-GTR-282), ch. 13',
  'Specific gravity in the Wood Handbook, ch. 5, brought to 8.5 % moisture',
  'A starting point of this program, nothing published',
];
const MAHOGANY = 'CITES Appendix II, bigleaf mahogany of the Neotropics';

const sourceOf = (has: string, known: string) =>
  `case when not (${has}) then '' when s ->> 'source' = '${ONCE}' then '${known}' else s ->> 'source' end`;

const UP = `
update setting set value = (
  select jsonb_agg(s - 'source' || jsonb_build_object(
    'sources', jsonb_build_object(
      'movement', ${sourceOf(`s -> 'radial' <> 'null' or s -> 'tangential' <> 'null'`, MOVEMENT)},
      'density', ${sourceOf(`s -> 'densityGPerCm3' <> 'null'`, DENSITY)},
      'rate', ${sourceOf(`s -> 'ratePerDay' <> 'null'`, RATE)},
      'meter', case when s -> 'meter' = 'null' then '' else 'The meter’s handbook' end),
    'restrictedBecause', case
      when s -> 'restricted' = 'false' then ''
      when s ->> 'name' = 'mahogany' then '${MAHOGANY}'
      else 'Not told: marked before reasons were kept' end) order by n)
  from jsonb_array_elements(value) with ordinality as of (s, n))
where key = 'species' and jsonb_array_length(value) > 0`;

const DOWN = `
update setting set value = (
  select jsonb_agg(s - 'sources' - 'restrictedBecause' || jsonb_build_object('source', case
    when s #>> '{sources,movement}' = '${MOVEMENT}' then '${ONCE}'
    else concat_ws('; ', nullif(s #>> '{sources,movement}', ''), nullif(s #>> '{sources,density}', ''), nullif(s #>> '{sources,rate}', '')) end)
  order by n)
  from jsonb_array_elements(value) with ordinality as of (s, n))
where key = 'species' and jsonb_array_length(value) > 0`;

/** Each figure of a species says where it is from, and a restricted one by what. */
export class SpeciesSources1700000000021 implements MigrationInterface {
  name = 'SpeciesSources1700000000021';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
