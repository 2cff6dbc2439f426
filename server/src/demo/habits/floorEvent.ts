/** What is to happen on the floor, and when somebody looks again. */
export type FloorEvent =
  | { kind: 'shift ends'; batchId: string }
  | { kind: 'shift begins'; batchId: string }
  | { kind: 'work done'; batchId: string }
  | { kind: 'try to move'; batchId: string }
  | { kind: 'fit' | 'join' | 'part' | 'refit' | 'ship' | 'send'; batchId: string }
  | { kind: 'come back'; batchId: string }
  | { kind: 'press' | 'unload'; batchId: string };
