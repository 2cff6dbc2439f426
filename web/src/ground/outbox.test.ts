import { describe, expect, test } from '@jest/globals';
import { ApiProblem } from './api.ts';
import { Outbox, type OutboxEntry, type Sending } from './outbox.ts';

const memory = () => {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
};
const entry = (key: string, batchId = 'B1', over: Partial<OutboxEntry> = {}) => ({
  key,
  personId: 'ann',
  batchId,
  command: 'accept' as const,
  given: {},
  atMs: 5,
  sentence: key,
  ...over,
});
const problem = (status: number, detail = '') => new ApiProblem({ status, title: 'No', detail });

/** A server that keeps a version for each batch, carries a key out once, and can be told to fail. */
function server(versions: Record<string, number> = { B1: 4, B2: 7 }) {
  const carried: string[] = [];
  let answer: ((e: OutboxEntry) => ApiProblem | undefined) | undefined;
  const send: Sending = (e, version) => {
    const fault = answer?.(e);
    if (fault) return Promise.reject(fault);
    const now = versions[e.batchId] ?? 0;
    if (carried.includes(e.key)) return Promise.resolve({ version: now });
    if (version !== now) return Promise.reject(problem(409, `is ${now}, not ${version}`));
    carried.push(e.key);
    versions[e.batchId] = now + 1;
    return Promise.resolve({ version: now + 1 });
  };
  return { send, carried, versions, fail: (how: typeof answer) => (answer = how) };
}

describe('entries that wait to be sent', () => {
  test('go out in order, each on the version the one before left', async () => {
    const s = server();
    const box = new Outbox(memory(), s.send);
    box.add(entry('start'), 4);
    box.add(entry('finish'), 4);
    box.add(entry('other', 'B2'), 7);
    await box.flush('ann');
    expect(s.carried).toEqual(['start', 'finish', 'other']);
    expect(box.entries()).toEqual([]);
  });
  test('survive a reload, and wait while the server cannot be reached', async () => {
    const s = server();
    const storage = memory();
    const box = new Outbox(storage, s.send);
    s.fail(() => problem(0));
    box.add(entry('start'), 4);
    box.add(entry('finish'), 4);
    await box.flush('ann');
    const again = new Outbox(storage, s.send);
    expect(again.entries().map((e) => [e.key, e.version, e.state])).toEqual([
      ['start', 4, 'waiting'],
      ['finish', null, 'waiting'],
    ]);
    s.fail(undefined);
    await again.flush('ann');
    expect([s.carried, again.entries()]).toEqual([['start', 'finish'], []]);
  });
  test('a reload between two of them keeps what the second rests on', async () => {
    const s = server();
    const storage = memory();
    const box = new Outbox(storage, s.send);
    box.add(entry('start'), 4);
    box.add(entry('finish'), 4);
    s.fail((e) => (e.key === 'finish' ? problem(0) : undefined));
    await box.flush('ann');
    s.fail(undefined);
    const again = new Outbox(storage, s.send);
    await again.flush('ann');
    expect([s.carried, again.entries()]).toEqual([['start', 'finish'], []]);
  });
  test('an answer that was lost is asked for again under the same key', async () => {
    const s = server();
    const box = new Outbox(memory(), s.send);
    let lost = true;
    const flaky: Sending = async (e, version) => {
      const done = await s.send(e, version);
      if (lost) throw problem(0);
      return done;
    };
    const lossy = new Outbox(memory(), flaky);
    lossy.add(entry('start'), 4);
    await lossy.flush('ann');
    expect([s.carried, lossy.entries().length]).toEqual([['start'], 1]);
    lost = false;
    await lossy.flush('ann');
    expect([s.carried, lossy.entries().length]).toEqual([['start'], 0]);
    expect(box.entries()).toEqual([]);
  });
  test('wait for the person who made them', async () => {
    const s = server();
    const box = new Outbox(memory(), s.send);
    box.add(entry('start'), 4);
    await box.flush('bob');
    expect([s.carried, box.entries().length]).toEqual([[], 1]);
  });
  test('two flushes at once send once', async () => {
    const s = server();
    const box = new Outbox(memory(), s.send);
    box.add(entry('start'), 4);
    await Promise.all([box.flush('ann'), box.flush('ann')]);
    expect(s.carried).toEqual(['start']);
  });
});

describe('the device', () => {
  test('shares what waits between its pages: none overwrites what another has added', async () => {
    const s = server();
    const storage = memory();
    const [one, two] = [new Outbox(storage, s.send), new Outbox(storage, s.send)];
    one.add(entry('start'), 4);
    two.add(entry('finish'), 4);
    one.reread();
    for (const box of [one, two, new Outbox(storage, s.send)])
      expect(box.entries().map((e) => [e.key, e.version])).toEqual([
        ['start', 4],
        ['finish', null],
      ]);
    await Promise.all([one.flush('ann'), two.flush('ann')]);
    expect([s.carried, new Outbox(storage, s.send).entries()]).toEqual([['start', 'finish'], []]);
  });
  test.each(['{"half', 'null', '{"key":"a"}', '[{"key":"a"}]', '[null]'])(
    'keeps what it cannot read, until somebody removes it: %s',
    (text) => {
      const storage = memory();
      storage.setItem('outbox', text);
      const box = new Outbox(storage, server().send);
      expect([box.entries(), box.trouble().unreadable]).toEqual([[], text]);
      box.add(entry('start'), 4);
      const again = new Outbox(storage, server().send);
      expect([again.entries().length, again.trouble().unreadable]).toEqual([1, text]);
      again.forgetUnreadable();
      expect(again.trouble().unreadable).toBeNull();
      expect(new Outbox(storage, server().send).trouble().unreadable).toBeNull();
    },
  );
  test('without room says so, and still sends what it was given', async () => {
    const s = server();
    const storage = memory();
    let room = false;
    const setItem = (key: string, value: string) => {
      if (!room) throw new Error('no room');
      storage.setItem(key, value);
    };
    const box = new Outbox({ ...storage, setItem }, s.send);
    box.add(entry('start'), 4);
    box.add(entry('finish'), 4);
    expect([box.trouble().full, box.entries().length]).toEqual([true, 2]);
    room = true;
    await box.flush('ann');
    expect([s.carried, box.entries(), box.trouble().full]).toEqual([['start', 'finish'], [], false]);
  });
});

describe('a refusal', () => {
  const refused = async () => {
    const s = server({ B1: 9, B2: 7 });
    const box = new Outbox(memory(), s.send);
    box.add(entry('start'), 4);
    box.add(entry('finish'), 4);
    box.add(entry('other', 'B2'), 7);
    await box.flush('ann');
    return { s, box };
  };
  test('holds up its own batch, not another, and drops nothing', async () => {
    const { s, box } = await refused();
    expect(s.carried).toEqual(['other']);
    expect(box.entries().map((e) => [e.key, e.state, e.problem?.status])).toEqual([
      ['start', 'conflict', 409],
      ['finish', 'waiting', undefined],
    ]);
  });
  test('is sent on what is there now, when somebody chooses so', async () => {
    const { s, box } = await refused();
    box.retry('start', 9);
    await box.flush('ann');
    expect(s.carried).toEqual(['other', 'start', 'finish']);
  });
  test('of its time is sent as of now, when somebody chooses so', async () => {
    const { s, box } = await refused();
    const sent: (boolean | undefined)[] = [];
    s.fail((e) => {
      sent.push(e.asOfNow);
      return e.asOfNow ? undefined : problem(400, 'Batch B1 has been changed since then');
    });
    box.retry('start', 9);
    await box.flush('ann');
    expect(box.entries()[0]?.state).toBe('conflict');
    box.retry('start', 9, true);
    await box.flush('ann');
    expect([sent.slice(0, 2), s.carried]).toEqual([
      [false, true],
      ['other', 'start'],
    ]);
  });
  test('is set aside, kept until somebody forgets it; what rested on it asks as well', async () => {
    const { s, box } = await refused();
    box.setAside('start');
    await box.flush('ann');
    expect(box.entries().map((e) => [e.key, e.state])).toEqual([
      ['start', 'aside'],
      ['finish', 'conflict'],
    ]);
    box.forget('finish');
    expect(box.entries()).toHaveLength(2);
    box.forget('start');
    box.retry('finish', 9);
    await box.flush('ann');
    expect([s.carried, box.entries()]).toEqual([['other', 'finish'], []]);
  });
  test('a broken or busy server is no refusal', async () => {
    for (const status of [0, 401, 429, 500, 503]) {
      const s = server();
      s.fail(() => problem(status));
      const box = new Outbox(memory(), s.send);
      box.add(entry('start'), 4);
      await box.flush('ann');
      expect(box.entries()[0]?.state).toBe('waiting');
    }
  });
});
