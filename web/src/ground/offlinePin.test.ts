import { describe, expect, test } from '@jest/globals';
import { forgetPin, isPinKept, keepPin } from './offlinePin.ts';

function memory() {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
}

describe('a PIN without network', () => {
  test('is told by what the tablet kept, as long as its owner may be there', async () => {
    const store = memory();
    await keepPin('yusuf', '2580', 1000, store);
    expect([...store.kept.values()].join()).not.toContain('2580');
    expect([await isPinKept('yusuf', '2580', 999, store), await isPinKept('yusuf', '2581', 999, store)]).toEqual([true, false]);
    expect([await isPinKept('yusuf', '2580', 1001, store), await isPinKept('greta', '2580', 999, store)]).toEqual([false, false]);
    forgetPin('yusuf', store);
    expect(await isPinKept('yusuf', '2580', 999, store)).toBe(false);
  });
  test('guessed at five times is told by nobody but the server', async () => {
    const store = memory();
    await keepPin('yusuf', '2580', 1000, store);
    for (let i = 0; i < 5; i++) expect(await isPinKept('yusuf', `000${i}`, 0, store)).toBe(false);
    expect(await isPinKept('yusuf', '2580', 0, store)).toBe(false);
  });
  test('damaged is none', async () => {
    const store = memory();
    store.setItem('pin of yusuf', '{"half');
    expect(await isPinKept('yusuf', '2580', 0, store)).toBe(false);
  });
});
