import { distance } from 'fastest-levenshtein';

/** Texts shorter than this mean what they say. */
const FORGIVEN_FROM = 4;
/** From this length on two slips are forgiven, one below. */
const TWO_SLIPS_FROM = 7;

/** Whether a name holds a text, or a word that begins like it but for a slip or two: a letter too few, too many, or wrong. */
export function isAlike(name: string, text: string): boolean {
  const [held, sought] = [name.toLowerCase(), text.trim().toLowerCase()];
  if (held.includes(sought)) return true;
  if (sought.length < FORGIVEN_FROM) return false;
  const slips = sought.length < TWO_SLIPS_FROM ? 1 : 2;
  return [held, ...held.split(/\s+/)].some((word) => {
    for (let length = sought.length - slips; length <= sought.length + slips; length++)
      if (distance(word.slice(0, length), sought) <= slips) return true;
    return false;
  });
}
