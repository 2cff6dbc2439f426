export * from './capability.ts';
export * from './chart.ts';
export * from './constants.ts';
export * from './drift.ts';
export * from './gaugeStudy.ts';
export * from './limits.ts';
export * from './runs.ts';
