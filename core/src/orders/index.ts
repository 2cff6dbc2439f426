export * from './order.ts';
export * from './placeOrder.ts';
