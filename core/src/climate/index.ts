export * from './air.ts';
