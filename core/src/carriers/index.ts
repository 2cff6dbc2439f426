export * from './carrier.ts';
export * from './placement.ts';
