export * from './cost.ts';
export * from './explainLoads.ts';
export * from './planLoads.ts';
export * from './problem.ts';
