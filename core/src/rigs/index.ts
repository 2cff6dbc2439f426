export * from './brings.ts';
export * from './choices.ts';
export * from './commands/index.ts';
export * from './loadsIn.ts';
export * from './partFilled.ts';
export * from './rhythm.ts';
export * from './rigCount.ts';
