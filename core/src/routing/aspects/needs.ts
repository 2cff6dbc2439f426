import type { Finding } from '../../ledger/index.ts';
import { listed, type AspectKind } from './aspect.ts';

export const PREREQUISITE_KINDS = ['program', 'fixture', 'sample', 'kit'] as const;
/** Something that must exist before a step is begun: a released revision, a proven fixture, an accepted sample, a kit. */
export interface Prerequisite {
  kind: (typeof PREREQUISITE_KINDS)[number];
  what: string;
}

export const needs: AspectKind<'needs', readonly Prerequisite[]> = {
  key: 'needs',
  name: 'must exist first',
  words: (all) => listed(all?.map((n) => `${n.kind} ${n.what}`)),
  marks: (all) => all.map((n) => `needs ${n.kind}`),
  mayBegin: (all, { batch, factory }): Finding[] =>
    all.flatMap((need) => {
      const sentence = factory.missing(batch.modelId, need);
      const remedy = 'Release it under Setup, or pause the batch';
      return sentence === null ? [] : [{ rule: 'prerequisite', verdict: 'stop', sentence, remedy }];
    }),
};
