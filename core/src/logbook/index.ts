export * from './apply.ts';
export * from './entry.ts';
export * from './order.ts';
export * from './state.ts';
export * from './contextOf.ts';
export * from './measureEvidence.ts';
