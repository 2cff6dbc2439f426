import { mayActAs, ROLES, type Role } from '@ample-crane/core';
import { SetMetadata } from '@nestjs/common';

export { mayActAs, ROLES, type Role };

export const lesserOf = (a: Role, b: Role): Role => (mayActAs(a, b) ? b : a);

export const STATION_MAY = 'station may';
/** A change that a tablet may make as a station, before anybody has said who they are. */
export const StationMay = () => SetMetadata(STATION_MAY, true);

export const ALLOWED = 'allowed';
/** The least role that may call a route; a route that says nothing is closed to everyone. */
export const Allow = (role: Role | 'public') => SetMetadata(ALLOWED, role);
