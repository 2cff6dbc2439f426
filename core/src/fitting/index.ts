export * from './fitInstruments.ts';
export * from './neckAngle.ts';
export * from './pairing.ts';
export * from './serial.ts';
export * from './serialCount.ts';
