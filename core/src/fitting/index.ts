export * from './instrument.ts';
export * from './pairing.ts';
export * from './serial.ts';
