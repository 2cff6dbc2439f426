export * from './carrier.ts';
export { OnCarrier } from './onCarrier.ts';
export * from './placement.ts';
export * from './placesFor.ts';
