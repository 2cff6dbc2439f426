export * from './constraint.ts';
export * from './meter.ts';
