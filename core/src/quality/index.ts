export { unmeasuredPieces } from './answers.ts';
export * from './defects.ts';
export * from './measure.ts';
export * from './measureEvidence.ts';
export * from './takeMeasures.ts';
