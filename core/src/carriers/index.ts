export * from './carrier.ts';
export * from './placement.ts';
export * from './placesFor.ts';
