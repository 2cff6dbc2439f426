export * from './carrier.ts';
export * from './ceiling.ts';
export { OnCarrier } from './onCarrier.ts';
export * from './placement.ts';
export * from './placesFor.ts';
export * from './pressing.ts';
export * from './rig.ts';
export * from './stay.ts';
