export * from './countKits.ts';
export * from './kitStock.ts';
export * from './strings.ts';
