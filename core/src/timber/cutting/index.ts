export * from './board.ts';
export * from './guillotine.ts';
export * from './objections.ts';
export * from './plan.ts';
export { CutPlanner } from './planner.ts';
export * from './tally.ts';
export * from './whyShort.ts';
