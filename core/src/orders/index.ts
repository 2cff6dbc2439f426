export * from './order.ts';
