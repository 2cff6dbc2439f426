import type { Step } from '../step.ts';
import { listed, type AspectKind } from './aspect.ts';
import { said } from '../../units/index.ts';

/** What is noted when work begins, of how it is done: a press's pressure, the tool in the spindle. */
export interface JobSetting {
  id: string;
  name: string;
  /** a figure in this unit, between two bounds; words where there is none, such as which tool or jig */
  figure?: { unit: string; low: number; high: number };
}

/** Is it a figure, and which; in words. */
export const settingInWords = ({ name, figure }: JobSetting): string =>
  figure ? `${name} ${said(`${figure.low}–${figure.high}`, figure.unit)}` : name;

/** What is wrong with what a step asks to be noted. */
export function wrongSettings(all: readonly JobSetting[], stepName: string): string[] {
  const twice = all.find((s, i) => all.findIndex((other) => other.id === s.id || other.name.trim() === s.name.trim()) !== i);
  const crossed = all.find(({ figure }) => figure && figure.low > figure.high);
  return [
    ...(twice ? [`"${stepName}" notes ${twice.name} twice`] : []),
    ...(crossed ? [`At "${stepName}" the bounds of ${crossed.name} are the wrong way round`] : []),
    ...(all.some((s) => s.name.trim() === '') ? [`"${stepName}" notes something without a name`] : []),
  ];
}

export const settings: AspectKind<'settings', readonly JobSetting[]> = {
  key: 'settings',
  name: 'noted at the start',
  words: (all) => listed(all?.map(settingInWords)),
  check: (all, step: Step) => [
    ...(step.kind === 'work' ? [] : [`"${step.name}" is not work that somebody begins: nothing can be noted then`]),
    ...wrongSettings(all, step.name),
  ],
};
