export * from './eventQueue.ts';
export * from './forecast.ts';
export * from './recorder.ts';
export * from './scenario.ts';
export * from './simulate.ts';
export * from './walkThrough.ts';
export * from './takeOrder.ts';
export * from './wholeHistory.ts';
