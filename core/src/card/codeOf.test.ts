import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { codeOf } from './codeOf.ts';

describe('a code names by itself', () => {
  test.each([
    ['http://mill.local:4500/batches/B12', { kind: 'batch', id: 'B12' }],
    ['https://10.0.0.7/lots/L3/', { kind: 'lot', id: 'L3' }],
    [' https://house/records/26114WS007\r\n', { kind: 'instrument', id: '26114WS007' }],
    ['http://house/carriers/Rack%201', { kind: 'carrier', id: 'Rack 1' }],
    ['HTTP://HOUSE/STATION/FN2', { kind: 'station', id: 'FN2' }],
    ['B12', { kind: 'batch', id: 'B12' }],
    ['b12 ', { kind: 'batch', id: 'B12' }],
    ['L99', { kind: 'lot', id: 'L99' }],
  ])('%s', (text, code) => {
    expect(codeOf(text)).toEqual(code);
  });
  test.each([
    ['nothing', ''],
    ['a serial, which only the factory knows', '26114WS007'],
    ['a piece, which may be in another batch by now', 'B12-03'],
    ['another page', 'http://house/orders/O1'],
    ['a page that is about none', 'http://house/batches/'],
    ['more than an id', 'http://house/batches/B1/card.pdf'],
    ['an address that asks for more', 'http://house/batches/B1?move=1'],
    ['what cannot be decoded', 'http://house/carriers/%E0%A4%A'],
    ['no address', 'javascript://house/batches/B1'],
  ])('not %s', (_, text) => {
    expect(codeOf(text)).toBeNull();
  });
  test('whatever is scanned, it never throws, and what it names has a name', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.webUrl(),
          fc.string().map((s) => `http://h/batches/${s}`),
        ),
        (text) => {
          const code = codeOf(text);
          expect(code === null || code.id.length > 0).toBe(true);
        },
      ),
    );
  });
});
