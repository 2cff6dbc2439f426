export * from './activity.ts';
export * from './constraint.ts';
export * from './figures.ts';
export * from './limit.ts';
export * from './months.ts';
