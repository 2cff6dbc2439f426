export * from './broker.ts';
export * from './climateSensors.ts';
export * from './device.ts';
export * from './standIns/heronLane.ts';
export * from './standIns/serve.ts';
