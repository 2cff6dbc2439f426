export * from './coat.ts';
export * from './film.ts';
