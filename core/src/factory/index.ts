export * from './factory.ts';
export * from './parts.ts';
