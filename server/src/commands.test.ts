import { readFileSync, readdirSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { asked, COMMANDS, question, ROLES } from '@ample-crane/core';
import { describe as describeApi } from './create.ts';
import { EvidenceSources } from './logbook/evidence.ts';
import { GIVES } from './logbook/gives.ts';
import { openFactory, type TestFactory } from './test/factory.ts';

interface Operation {
  [GIVES]?: string;
  requestBody?: { content: Record<string, { schema: { $ref?: string } }> };
}

let factory: TestFactory;
const routes: { command: string; path: string; operation: Operation }[] = [];
beforeAll(async () => {
  factory = await openFactory();
  for (const [path, item] of Object.entries(describeApi(factory.app).paths))
    for (const operation of Object.values(item) as Operation[])
      if (operation[GIVES] !== undefined) routes.push({ command: operation[GIVES], path, operation });
});
afterAll(() => factory.close());

/** The pages' own sources, without the generated client. */
const pages = (): string =>
  readdirSync(new URL('../../web/src', import.meta.url), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.(gen|test)\.tsx?$/.test(file))
    .map((file) => readFileSync(new URL(`../../web/src/${file}`, import.meta.url), 'utf8'))
    .join('\n');

describe('every command of core', () => {
  test('has one route, and every route that gives one is of core', () => {
    expect(routes.map((r) => r.command).sort()).toEqual(COMMANDS.map((c) => c.name).sort());
  });
  test('is asked for with a DTO', () => {
    const without = routes.filter(({ operation: { requestBody } }) => {
      const [body] = Object.values(requestBody?.content ?? {});
      return body?.schema.$ref === undefined;
    });
    // A file comes as a form, described where it is read.
    expect(without.map((r) => r.command)).toEqual(['import readings']);
  });
  test('is closed to whoever stands below the role that core names', async () => {
    for (const { command, path } of routes) {
      const role = COMMANDS.find((c) => c.name === command)?.role ?? 'admin';
      const below = ROLES[ROLES.indexOf(role) - 1];
      if (below === undefined) throw new Error(`${command} is open to everybody`);
      const caller = await factory.as(below);
      const answer = await caller.post(path.replace('/api', '').replace(/\{\w+\}/g, 'nothing'), {});
      expect([command, answer.status]).toEqual([command, 403]);
    }
  });
  test('has its place in the pages', () => {
    const written = pages();
    const isThere = (path: string): boolean => {
      const act = /^\/api\/batches\/\{id\}\/(.+)$/.exec(path)?.[1];
      return [`'${path}'`, `useBatchCommand('${act ?? ''}'`, `act="${act ?? ''}"`].some((use) => written.includes(use));
    };
    expect(routes.filter(({ path }) => !isThere(path)).map((r) => r.command)).toEqual([]);
  });
});

describe('questions', () => {
  test('nobody answers what no room knows', () => {
    const sources = factory.app.get(EvidenceSources);
    expect(sources.knows(asked(question<object, number>('how the day will be'), {}))).toBe(false);
  });
  test('two rooms never answer the same', () => {
    const sources = factory.app.get(EvidenceSources);
    const twice = question<object, number>('twice');
    sources.add(twice, () => Promise.resolve(1));
    expect(() => sources.add(twice, () => Promise.resolve(2))).toThrow(/Two rooms answer/);
  });
});
