export * from './approach.ts';
export * from './assignment.ts';
export * from './calendar.ts';
export * from './groupBy.ts';
export * from './interval.ts';
export * from './random.ts';
export * from './statistics.ts';
export * from './wallClock.ts';
