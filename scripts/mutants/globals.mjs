import { expect } from 'expect';
import { bind } from 'jest-each';

// The tests as they are, under a runner that keeps the modules loaded from one changed line to the next: what they ask
// Jest for, given by Mocha. Only for `npm run mutants`.
const { describe: suite, it, before } = globalThis;

export const describe = Object.assign((name, tests) => suite(name, () => void tests()), { each: bind(suite, false) });
export const test = Object.assign((name, run) => it(name, run), { each: bind((name, run) => it(name, run), false) });
export const beforeAll = before;
export { expect };
