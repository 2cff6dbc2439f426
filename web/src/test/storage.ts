// A page's storages, for tests that run without a page.
for (const name of ['localStorage', 'sessionStorage']) {
  const kept = new Map<string, string>();
  Object.defineProperty(globalThis, name, {
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
      clear: () => kept.clear(),
    },
  });
}
