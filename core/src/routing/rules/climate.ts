import { boothObjections, isPast, type SprayLimits } from '../../climate/index.ts';
import { missing, ruleKind } from './rule.ts';
import { said } from '../../units/index.ts';

export const Climate = ruleKind('climate')<{ limits: SprayLimits }>({
  needs: () => ['air'],
  judge(rule, { air, nowMs }) {
    if (!air) return missing('climate', 'No climate reading from the booth');
    const objections = boothObjections(air, nowMs, rule.limits);
    if (isPast(air, nowMs)) return missing('climate', objections.join('. '));
    return objections.length === 0
      ? {
          rule: 'climate',
          verdict: 'pass',
          sentence: `Booth at ${said(air.tempC.toFixed(1), '°C')} and ${(air.relativeHumidity * 100).toFixed(0)} %: fit to spray`,
        }
      : { rule: 'climate', verdict: 'wait', sentence: objections.join('. ') };
  },
  words() {
    return 'Air fit to spray';
  },
});
