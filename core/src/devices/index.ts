export * from './kinds.ts';
export * from './message.ts';
export * from './pace.ts';
export * from './place.ts';
export * from './standing.ts';
export * from './topics.ts';
export * from './units.ts';
export * from './words.ts';
