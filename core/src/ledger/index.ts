export * from './concerns.ts';
export * from './decision.ts';
export * from './entry.ts';
export * from './finding.ts';
export * from './ledger.ts';
export * from './rowKind.ts';
export * from './rows.ts';
