export * from './forecast.ts';
export * from './loadsAhead.ts';
export * from './makeNext.ts';
export * from './orderStanding.ts';
export * from './policyPrice.ts';
export * from './takeOrder.ts';
export { walkThrough, type WalkStep, type WalkThrough } from './walkThrough.ts';
export * from './rigsAhead.ts';
