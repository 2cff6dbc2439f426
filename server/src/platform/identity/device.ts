const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrom(e|ium)\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const MACHINES: readonly (readonly [RegExp, string])[] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS/, 'Mac'],
  [/Linux/, 'Linux'],
];

/** What a browser calls itself, in words its owner knows again; a hint, since anything can call itself anything. */
export function deviceInWords(userAgent: string | undefined): string {
  const of = (known: typeof BROWSERS) => known.find(([pattern]) => pattern.test(userAgent ?? ''))?.[1];
  const [browser, machine] = [of(BROWSERS), of(MACHINES)];
  return browser === undefined ? 'Another program' : machine === undefined ? browser : `${browser} on ${machine}`;
}
