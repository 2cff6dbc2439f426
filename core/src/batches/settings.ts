import { refuse, wrongInput, type Refused } from '../ledger/index.ts';
import type { JobSetting } from '../routing/index.ts';
import { said } from '../units/index.ts';

/** What somebody says of a setting when work begins. */
export interface SettingSaid {
  id: string;
  figure?: number;
  words?: string;
}

/** A setting as it was noted: it can be read without the route that asked for it. */
export interface SettingNoted {
  id: string;
  name: string;
  value: number | string;
  unit: string;
}

const NOTHING: readonly SettingNoted[] = [];

/** What was noted of the settings that a step asks for; or what is missing, or out of bounds. */
export function noted(settings: readonly JobSetting[], told: readonly SettingSaid[]): Refused | readonly SettingNoted[] {
  if (settings.length === 0) return NOTHING;
  const values = settings.map((setting) => ({
    setting,
    value: valueOf(
      setting,
      told.find((s) => s.id === setting.id),
    ),
  }));
  const missing = values.flatMap(({ setting, value }) => (value === undefined ? [setting.name] : []));
  if (missing.length > 0)
    return refuse(`Not noted yet: ${missing.join(', ')}`, { field: 'settings', remedy: 'This step asks for it when work begins' });
  for (const { setting, value } of values) {
    const { figure } = setting;
    if (figure && typeof value === 'number' && (value < figure.low || value > figure.high))
      return refuse(
        `${setting.name} is to be ${said(`${figure.low}–${figure.high}`, figure.unit)}; ${said(value, figure.unit)} was noted`,
        { field: 'settings' },
      );
  }
  return values.flatMap(({ setting: { id, name, figure }, value }) =>
    value === undefined ? [] : [{ id, name, value, unit: figure?.unit ?? '' }],
  );
}

/** What was said of a setting that nobody asks for. */
export function strangeSetting(settings: readonly JobSetting[], said: readonly SettingSaid[], field = 'settings'): Refused | undefined {
  const strange = said.find(
    (s, i) => !settings.some((setting) => setting.id === s.id) || said.findIndex((other) => other.id === s.id) !== i,
  );
  return strange && wrongInput(field, `${strange.id} is not asked for, or said twice`);
}

/** The figure or the words that were said, as the setting asks for them. */
export function valueOf({ figure }: JobSetting, said: SettingSaid | undefined): number | string | undefined {
  if (figure) return Number.isFinite(said?.figure) ? said?.figure : undefined;
  const words = said?.words?.trim() ?? '';
  return words === '' ? undefined : words;
}

/** As it stands in a sentence: "pressure 4 bar". */
export const settingSentence = ({ name, value, unit }: SettingNoted): string => `${name.toLowerCase()} ${said(value, unit)}`;
