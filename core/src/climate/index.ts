export * from './air.ts';
export * from './cure.ts';
export * from './emcTrace.ts';
export * from './loggerFile.ts';
export * from './season.ts';
export * from './shopAir.ts';
export * from './stays.ts';
