export * from './shipInstrument.ts';
