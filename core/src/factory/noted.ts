/** A line of a register: what steps and the logbook name by a key that stays, in the factory's words. */
export interface Noted {
  key: string;
  text: string;
}

/** What is wrong with such a register, and with which line; undefined when it can be kept. */
export function checkNoted(register: readonly Noted[], what: string): { index: number; problem: string } | undefined {
  if (register.length === 0) return { index: 0, problem: `Name at least one ${what}` };
  const keys = register.map((line) => line.key.trim().toLowerCase());
  const twice = keys.findIndex((key, i) => keys.indexOf(key) !== i);
  return twice < 0 ? undefined : { index: twice, problem: `"${register[twice]?.key ?? ''}" stands there twice` };
}
