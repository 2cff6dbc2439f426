export * from './batch.ts';
export * from './decide.ts';
export * from './finding.ts';
export * from './route.ts';
export * from './rules.ts';
