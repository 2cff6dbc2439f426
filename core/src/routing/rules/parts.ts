import { missing, ruleKind } from './rule.ts';

export const Parts = ruleKind('parts')<unknown>({
  needs: () => ['shortParts'],
  judge(_, { shortParts }) {
    if (shortParts === undefined) return missing('parts', 'Nobody could say whether the kit is complete');
    return shortParts.length === 0
      ? { rule: 'parts', verdict: 'pass', sentence: 'Kit complete' }
      : { rule: 'parts', verdict: 'wait', sentence: `Short: ${shortParts.join(', ')}` };
  },
  words() {
    return 'Kit complete';
  },
});
