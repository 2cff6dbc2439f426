export * from './heldCard.ts';
export * from './codeOf.ts';
