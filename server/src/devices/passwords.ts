import { createHash, randomBytes } from 'node:crypto';

const BYTES = 24;

/** A password for a device, drawn by chance: nobody has to remember it. */
export const newDevicePassword = (): string => randomBytes(BYTES).toString('base64url');

/** What is kept of it. It cannot be guessed, so one round of hashing hides it. */
export const hashOfDevicePassword = (password: string): string => createHash('sha256').update(password).digest('hex');
