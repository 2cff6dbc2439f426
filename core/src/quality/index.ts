export { offMeasures, unmeasuredPieces } from './answers.ts';
export * from './measure.ts';
export * from './measureEvidence.ts';
export * from './takeMeasures.ts';
