import { RigCount } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { Rigs1700000000033 } from './migrations/1700000000033-rigs.ts';
import { RigCountEntity } from './rig.entity.ts';

export const rigs: RoomTables = { rows: [kept(RigCount, RigCountEntity)], entities: [], migrations: [Rigs1700000000033] };
