import { mean } from '../../maths/index.ts';
import { measured, measuresFor, missing, named, ruleKind } from './rule.ts';

/** Looks at moisture readings by depth, or at the measures of one characteristic for the shell and one for the core. */
export const Gradient = ruleKind('gradient')<{ limit: number; shell?: string; core?: string }>({
  needs: ({ shell, core }) => [measuresFor(shell), measuresFor(core)],
  judge(rule, evidence) {
    const byName = rule.core !== undefined;
    const core = byName ? measured(evidence, rule.core) : measured(evidence, undefined).filter((m) => m.depth === 'core');
    const shell =
      rule.shell !== undefined ? measured(evidence, rule.shell) : measured(evidence, undefined).filter((m) => m.depth !== 'core');
    if (core.length === 0 || shell.length === 0)
      return missing(
        'gradient',
        byName ? 'Shell and core have not both been measured' : 'No core reading yet: type one with c before it, as in c9.6',
      );
    const difference = mean(core.map((m) => m.value)) - mean(shell.map((m) => m.value));
    const sentence = `Core ${Math.abs(difference).toFixed(1)} points ${difference >= 0 ? 'wetter' : 'drier'} than shell; limit ${rule.limit.toFixed(1)}`;
    return Math.abs(difference) <= rule.limit + 1e-9
      ? { rule: 'gradient', verdict: 'pass', sentence }
      : { rule: 'gradient', verdict: 'stop', sentence, remedy: 'Let the lot even out before it is cut' };
  },
  words(rule) {
    return `Core and shell within ${rule.limit} points`;
  },
  looksAt: ({ shell, core }) => [...named(shell), ...named(core)],
});
