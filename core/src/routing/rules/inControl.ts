import { missing, named, ruleKind } from './rule.ts';

/** What the chart of a characteristic says of the process that made some pieces. */
export interface ControlNow {
  /** how many values its limits rest on and are held against; fewer than it needs make no limits */
  values: number;
  needed: number;
  /** the rule that fired and is not settled, in words */
  signal: string | null;
}

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
