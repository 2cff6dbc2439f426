export * from './coat.ts';
export * from './film.ts';
export * from './logCoat.ts';
export * from './logScuff.ts';
