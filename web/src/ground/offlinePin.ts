import { scryptAsync } from '@noble/hashes/scrypt.js';
import { bytesToHex, hexToBytes, randomBytes } from '@noble/hashes/utils.js';

// Without network the server cannot be asked: the tablet itself tells by what it kept when somebody was let on. Slow on
// purpose, and pure arithmetic: browsers keep their own ways of hashing shut over plain http.
const COST = { N: 2 ** 13, r: 8, p: 1, dkLen: 32 };
const MOST_TRIES = 5;

interface Kept {
  salt: string;
  hash: string;
  untilMs: number;
  tries: number;
}

type Store = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

const keyOf = (personId: string) => `pin of ${personId}`;
const hashOf = async (pin: string, salt: string) => bytesToHex(await scryptAsync(pin, hexToBytes(salt), COST));

function read(store: Store, personId: string): Kept | null {
  try {
    const kept = JSON.parse(store.getItem(keyOf(personId)) ?? 'null') as Kept | null;
    return kept && typeof kept.salt === 'string' && typeof kept.hash === 'string' ? kept : null;
  } catch {
    return null;
  }
}

/** Keeps what tells a PIN from others on this device, for as long as its owner has been let on. */
export async function keepPin(personId: string, pin: string, untilMs: number, store: Store = localStorage): Promise<void> {
  const salt = bytesToHex(randomBytes(16));
  const kept: Kept = { salt, hash: await hashOf(pin, salt), untilMs, tries: 0 };
  store.setItem(keyOf(personId), JSON.stringify(kept));
}

export const forgetPin = (personId: string, store: Store = localStorage): void => store.removeItem(keyOf(personId));

/** What a tablet kept of everybody, when it is signed out. */
export function forgetPins(store: Storage = localStorage): void {
  for (const key of Object.keys(store)) if (key.startsWith(keyOf(''))) store.removeItem(key);
}

/** Whether a PIN is the one that was kept; after five wrong ones nothing is kept any more, and only the server can tell. */
export async function isPinKept(personId: string, pin: string, nowMs: number, store: Store = localStorage): Promise<boolean> {
  const kept = read(store, personId);
  if (!kept || kept.untilMs < nowMs) return false;
  const right = (await hashOf(pin, kept.salt)) === kept.hash;
  const tries = right ? 0 : kept.tries + 1;
  if (tries >= MOST_TRIES) store.removeItem(keyOf(personId));
  else store.setItem(keyOf(personId), JSON.stringify({ ...kept, tries }));
  return right;
}
