export * from './defects.ts';
export * from './measure.ts';
export * from './measureEvidence.ts';
