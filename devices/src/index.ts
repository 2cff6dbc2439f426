export * from './climateSensors.ts';
