export * from './board.ts';
export * from './guillotine.ts';
export * from './plan.ts';
