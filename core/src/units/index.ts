export * from './columns.ts';
export * from './formats.ts';
export * from './said.ts';
