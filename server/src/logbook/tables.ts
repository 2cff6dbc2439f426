import type { RowKind } from '@ample-crane/core';
import type { EntityTarget, ObjectLiteral } from 'typeorm';
import { MeasureEntity } from '../assembly/assembly.entity.ts';
import { CoatEntity } from '../finishing/finishing.entity.ts';
import { InstrumentEntity } from '../fitting/instrument.entity.ts';
import { OrderEntity } from '../orders/order.entity.ts';
import {
  BatchEntity,
  DefectEntity,
  OverrideEntity,
  PieceEntity,
  PlacementEntity,
  RunEntity,
  VisitEntity,
} from '../routing/routing.entity.ts';
import { BlankEntity, BoardEntity, LotEntity, ReadingEntity, ReadingSessionEntity } from '../timber/timber.entity.ts';

/** Where each kind of row is kept, in the order that foreign keys ask for. */
export const STATE_TABLES: readonly (readonly [RowKind, EntityTarget<ObjectLiteral>])[] = [
  ['lot', LotEntity],
  ['session', ReadingSessionEntity],
  ['reading', ReadingEntity],
  ['order', OrderEntity],
  ['board', BoardEntity],
  ['blank', BlankEntity],
  ['batch', BatchEntity],
  ['instrument', InstrumentEntity],
  ['piece', PieceEntity],
  ['visit', VisitEntity],
  ['run', RunEntity],
  ['coat', CoatEntity],
  ['measure', MeasureEntity],
  ['defect', DefectEntity],
  ['override', OverrideEntity],
  ['placement', PlacementEntity],
];
