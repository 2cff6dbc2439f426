export const ROLES = ['viewer', 'operator', 'lead', 'manager', 'admin'] as const;
/** Each may do what the ones before it may. */
export type Role = (typeof ROLES)[number];

export const mayActAs = (role: Role, needed: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(needed);
