import type { RoomTables } from '../platform/database/tables.ts';
import { DeviceEntity, DeviceNowEntity } from './device.entity.ts';
import { Devices1700000000036 } from './migrations/1700000000036-devices.ts';

export const devices: RoomTables = { rows: [], entities: [DeviceEntity, DeviceNowEntity], migrations: [Devices1700000000036] };
