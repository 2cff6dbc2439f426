import { programMissing } from '../program.ts';
import { ruleKind } from './rule.ts';

export const ProgramReleased = ruleKind('programReleased')<{
  /** the program, as steps call it */
  what: string;
}>({
  needs: () => ['programs'],
  judge({ what }, { programs }) {
    const program = programs?.[what];
    const sentence = program === undefined ? `Nobody could say whether the program "${what}" is released` : programMissing(what, program);
    if (sentence === null)
      return {
        rule: 'programReleased',
        verdict: 'pass',
        sentence: `The program "${what}" is released, revision ${program?.toRun?.name ?? ''}`,
      };
    return { rule: 'programReleased', verdict: 'stop', sentence, remedy: 'Release it under Machining, Programs' };
  },
  words: ({ what }) => `program "${what}" released`,
});
