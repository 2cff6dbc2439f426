import { said } from '../units/index.ts';
import type { Told } from './message.ts';
import { asTyped } from './units.ts';

const UNIT = { length: 'mm', mass: 'g', moisture: '%' } as const;
const STATES = { idle: 'stands', running: 'runs', held: 'feed is held', fault: 'tells a fault' } as const;

/** What a device told, in words: "9.53 mm", "21.4 °C, 46 %", "runs MR-body-B.nc, 4 parts". */
export function toldInWords(told: Told): string {
  switch (told.kind) {
    case 'value':
      return said(asTyped(told.quantity, told.value, UNIT[told.quantity]) ?? '', UNIT[told.quantity]);
    case 'air':
      return `${said(told.tempC.toFixed(1), '°C')}, ${(told.relativeHumidity * 100).toFixed(0)} %`;
    case 'machine':
      return machineInWords(told);
  }
}

/** How a machine stands by what its controller told. */
export function machineInWords({ state, program, parts }: Pick<Extract<Told, { kind: 'machine' }>, 'state' | 'program' | 'parts'>): string {
  const on = program === null ? 'no program loaded' : `${program}, ${parts} ${parts === 1 ? 'part' : 'parts'}`;
  return state === 'running' ? `runs ${on}` : `${STATES[state]}, ${on}`;
}
