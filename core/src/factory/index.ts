export * from './cautions.ts';
export * from './defects.ts';
export * from './factory.ts';
export * from './setUp.ts';
export * from './pauseCauses.ts';
export * from './people.ts';
export * from './standIns.ts';
export * from './told.ts';
