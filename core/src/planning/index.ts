export * from './forecast.ts';
export * from './loadsAhead.ts';
export * from './makeNext.ts';
export * from './orderStanding.ts';
export * from './takeOrder.ts';
export * from './walkThrough.ts';
export * from './rigsAhead.ts';
