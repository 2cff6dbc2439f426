export * from './heldCard.ts';
