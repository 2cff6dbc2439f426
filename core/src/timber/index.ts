export * from './drying.ts';
export * from './lot.ts';
export * from './meter.ts';
export * from './moistureGate.ts';
export * from './readings.ts';
export * from './shrinkage.ts';
