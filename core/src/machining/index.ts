export * from './commands/index.ts';
export * from './cutter.ts';
export * from './fretSlotFiles.ts';
export * from './fretSlots.ts';
export * from './program.ts';
export * from './programsWanted.ts';
export * from './timeTruth.ts';
