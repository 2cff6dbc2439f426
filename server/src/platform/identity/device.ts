import ipaddr from 'ipaddr.js';

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

/**
 * Where a request comes from, as far as it tells one caller from another: somebody with one IPv6 line has more addresses
 * than anyone can count, all of one network.
 */
export function networkOf(address: string): string {
  if (!ipaddr.isValid(address)) return address;
  const parsed = ipaddr.process(address);
  if (!(parsed instanceof ipaddr.IPv6)) return parsed.toString();
  return `${parsed.parts
    .slice(0, 4)
    .map((part) => part.toString(16))
    .join(':')}::/64`;
}
