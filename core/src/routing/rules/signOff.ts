import { ruleKind } from './rule.ts';

export const SignOffRule = ruleKind('signOff')<{ skill: string }>({
  needs: () => ['signOffs'],
  judge(rule, { signOffs = [] }) {
    const by = signOffs.find((s) => s.skill === rule.skill);
    return by
      ? { rule: 'signOff', verdict: 'pass', sentence: `Accepted by ${by.by}` }
      : { rule: 'signOff', verdict: 'wait', sentence: `Waits for someone with ${rule.skill} to accept` };
  },
  words(rule) {
    return `Accepted by someone with ${rule.skill}`;
  },
  checkWorld: ({ skill }, stepName, { skillLevels }) =>
    skillLevels.has(skill) ? [] : [`The gate of "${stepName}" waits for someone with ${skill}, which nobody holds`],
});
