export * from './coat.ts';
export * from './cure.ts';
export * from './film.ts';
