export * from './fretSlotFiles.ts';
export * from './fretSlots.ts';
