import { asked, type Finding } from '../../ledger/index.ts';
import { programAsked, ProgramFor, programMissing } from '../program.ts';
import { listed, type AspectKind, type Bench } from './aspect.ts';
import { OWN_WAY } from './ways.ts';

export const PREREQUISITE_KINDS = ['program', 'fixture', 'sample', 'kit'] as const;
/** What is kept under Setup; programs have a desk of their own. */
export const EQUIPMENT_KINDS = ['fixture', 'sample', 'kit'] as const;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];

/** Something that must exist before a step is begun: a released revision, a proven fixture, an accepted sample, a kit. */
export interface Prerequisite {
  kind: (typeof PREREQUISITE_KINDS)[number];
  what: string;
  /** of a program: whoever starts it ticks the start checklist at the machine */
  checked?: boolean;
}

/** The programs among what must exist first. */
export const programsIn = (needs: readonly Prerequisite[] = []): readonly Prerequisite[] => needs.filter((n) => n.kind === 'program');

export const needs: AspectKind<'needs', readonly Prerequisite[]> = {
  key: 'needs',
  name: 'must exist first',
  words: (all) => listed(all?.map((n) => `${n.kind} ${n.what}${n.checked === true ? ', with a start checklist' : ''}`)),
  check: (all, { name }) => (programsIn(all).length > 1 ? [`"${name}" asks for more than one program: make a step of each`] : []),
  marks: (all) => all.map((n) => `needs ${n.kind}`),
  asks: (all, moment, { batch, options }) =>
    moment === 'begin' ? programsIn(all).map((n) => asked(ProgramFor, programAsked(n.what, batch, options))) : [],
  mayBegin: (all, bench): Finding[] =>
    all.flatMap((need) => {
      if (need.kind === 'program') return programFindings(need.what, bench);
      const sentence = bench.factory.missing(bench.batch.modelId, need);
      const remedy = 'Release it under Setup, or pause the batch';
      return sentence === null ? [] : [{ rule: 'prerequisite', verdict: 'stop', sentence, remedy }];
    }),
};

/** What speaks against running a program at a step, done at its own machine. */
function programFindings(what: string, { batch, options, wayId, answers }: Bench): Finding[] {
  if (wayId !== OWN_WAY) return [];
  const sentence = programMissing(what, answers.to(ProgramFor, programAsked(what, batch, options)));
  const remedy = 'Release it under Machining, Programs, or do the step another way where its route knows one';
  return sentence === null ? [] : [{ rule: 'prerequisite', verdict: 'stop', sentence, remedy }];
}
