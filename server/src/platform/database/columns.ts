import { Column, type ColumnOptions } from 'typeorm';

const toDate = (ms: number | null | undefined) => (ms === null || ms === undefined ? ms : new Date(ms));
/** @param date as the driver reads it, or as it stands in JSON */
const toMs = (date: Date | string | null) => (date === null ? null : new Date(date).getTime());

/** An instant: epoch milliseconds in the program, `timestamptz` in the database. */
export const Instant = (name: string, options: ColumnOptions = {}) =>
  Column({ ...options, name, type: 'timestamptz', transformer: { to: toDate, from: toMs } });

export const Text = (options: ColumnOptions = {}) => Column({ ...options, type: 'text' });
export const Count = (options: ColumnOptions = {}) => Column({ ...options, type: 'int' });
export const Quantity = (options: ColumnOptions = {}) => Column({ ...options, type: 'double precision' });
export const Flag = (options: ColumnOptions = {}) => Column({ ...options, type: 'boolean' });
export const Json = (options: ColumnOptions = {}) => Column({ ...options, type: 'jsonb' });
export const OrNothing = { nullable: true } as const;
