export * from './pairing.ts';
export * from './serial.ts';
