export * from './factory.ts';
export * from './parts.ts';
export * from './people.ts';
export * from './told.ts';
