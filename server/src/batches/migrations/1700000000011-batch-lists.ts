import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
-- Work that is open, wherever it is asked for.
create index batch_at on batch (station_code) where status <> 'done';
create index batch_step on batch (model_id, operation_id) where status <> 'done';
create index batch_route on batch (route_id) where status <> 'done';
-- Lists by the page.
create index batch_open_number on batch (number, id) where status <> 'done';
create index batch_open_due on batch (coalesce(due_at, 'infinity'), id) where status <> 'done';
create index batch_done_number on batch (number, id) where status = 'done';
create index batch_done_ended on batch (ended_at, id) where status = 'done';
drop index batch_ended;
create index instrument_fitted on instrument (fitted_at, serial);
create index instrument_model on instrument (model_id, fitted_at, serial);
create index instrument_gone on instrument (coalesce(shipped_at, '-infinity'), serial);
create index instrument_consignee on instrument (coalesce(consignee, chr(1114111)), serial);
create index instrument_order on instrument (order_id) where order_id is not null;
create index instrument_state on instrument (state, fitted_at, serial) where state <> 'shipped';
-- Found by what is typed.
create index batch_id_begins on batch (id text_pattern_ops);
create index batch_model on batch (model_id, number);
create index instrument_serial_within on instrument using gin (serial gin_trgm_ops);
create index instrument_serial_begins on instrument (serial text_pattern_ops);
create index instrument_consignee_within on instrument using gin (consignee gin_trgm_ops);
create index piece_lot on piece (lot_id) where lot_id is not null;
-- Pieces that are under way and not yet an instrument, and the batch that a piece was first of.
create index piece_part_made on piece (lot_id, batch_id) where component <> 'instrument' and state in ('good', 'rework');
create index piece_born on piece (split_part(id, '-', 1));
-- While they were there, whatever the times of an old entry say.
create index visit_stay on visit using gist (station_code, tstzrange(arrived_at, greatest(arrived_at, coalesce(left_at, 'infinity'))));
`;

const DOWN = `
create index batch_ended on batch (ended_at);
drop index batch_at, batch_step, batch_route, batch_open_number, batch_open_due, batch_done_number, batch_done_ended,
  instrument_fitted, instrument_model, instrument_gone, instrument_consignee, instrument_order, instrument_state,
  batch_id_begins, batch_model, instrument_serial_within, instrument_serial_begins, instrument_consignee_within,
  piece_lot, piece_part_made, piece_born, visit_stay;
`;

export class BatchLists1700000000011 implements MigrationInterface {
  name = 'BatchLists1700000000011';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
