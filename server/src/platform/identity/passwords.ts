import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import { badInput } from '../problems/problems.ts';

export const LEAST_LENGTH = 10;
/** Of the estimator's scores 0…4: 3 withstands about 10⁸ guesses, more than a sign-in ever lets anybody make. */
const LEAST_SCORE = 3;

const estimator = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });

/** argon2id with the library's defaults (19 MiB, 2 passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

/**
 * Refuses a password that others would guess.
 *
 * @param field where it was typed
 * @param known what everybody knows of its owner: sign-in name, name, the factory's name; of several words each
 */
export function checkStrength(field: string, password: string, known: readonly string[]): void {
  if (password.length < LEAST_LENGTH) throw badInput(field, `A password needs ${LEAST_LENGTH} characters at least`);
  // The estimator's work grows with the square of the length; what is long needs no estimate of its end.
  const words = known.flatMap((name) => [...name.split(/\s+/), name.replace(/\W/g, '')]).filter((word) => word.length > 2);
  const { score } = estimator.check(password.slice(0, 64), words);
  if (score < LEAST_SCORE)
    throw badInput(field, 'Others would guess this password: it is common, or follows from names or patterns. Take a few unrelated words');
}

let nobodys: Promise<string> | undefined;

/** Whether a password is right; takes as long for somebody who does not exist. */
export async function isRight(password: string, passwordHash: string | undefined): Promise<boolean> {
  nobodys ??= hashPassword(randomBytes(16).toString('hex'));
  const right = await verify(passwordHash ?? (await nobodys), password);
  return right && passwordHash !== undefined;
}
