import { missing, named, ruleKind } from './rule.ts';

export const InControl = ruleKind('inControl')<{
  /** what is looked at, as it is called */
  what: string;
  characteristic: string;
}>({
  needs: () => ['control'],
  judge({ what, characteristic }, { control }) {
    const now = control?.[characteristic];
    if (!now) return missing('inControl', `${what}: nothing has been measured`);
    if (now.signal !== null)
      return {
        rule: 'inControl',
        verdict: 'stop',
        sentence: `${what} is out of control: ${now.signal}`,
        remedy: 'Find what changed, and settle it under Machining, Dimensions',
      };
    if (now.values < now.needed) return missing('inControl', `${what}: ${now.values} of ${now.needed} values that a chart needs`);
    return { rule: 'inControl', verdict: 'pass', sentence: `${what} is in control, by ${now.values} values` };
  },
  words: ({ what }) => `${what} in control`,
  looksAt: ({ characteristic, what }) => named(characteristic, what),
});
