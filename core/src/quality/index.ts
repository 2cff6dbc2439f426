export { offMeasures, unmeasuredIn } from './answers.ts';
export * from './charts/index.ts';
export * from './dimension.ts';
export * from './dimensionNow.ts';
export * from './measure.ts';
export * from './measureEvidence.ts';
export * from './settleSignal.ts';
export * from './takeMeasures.ts';
