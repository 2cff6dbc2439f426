import { describe, expect, test } from '@jest/globals';
import { render } from '../test/render.tsx';
import { fileOf, howMany, PAGE_SIZE, usePaging, type Paging } from './paging.ts';

function pagingAt(at: string): Paging {
  let shown: Paging | undefined;
  const Asks = () => {
    shown = usePaging('-fittedMs');
    return null;
  };
  render(<Asks />, { at });
  if (!shown) throw new Error('Nothing was shown');
  return shown;
}

describe('the page of a long list', () => {
  test('is the first, in the usual order, until somebody says otherwise', () => {
    expect(pagingAt('/records')).toMatchObject({ page: 0, text: '', asked: { size: PAGE_SIZE, sort: '-fittedMs' } });
    expect(pagingAt('/records').asked).not.toHaveProperty('after');
  });
  test('begins as an address says that somebody was sent', () => {
    expect(pagingAt('/records?list=done&sort=serial&text=26').asked).toEqual({ size: PAGE_SIZE, sort: 'serial', text: '26' });
  });
});

test('how many there are is told as far as it is known', () => {
  expect([howMany({ found: 486, foundExactly: true }), howMany({ found: 1000, foundExactly: false })]).toEqual(['486', 'more than 1,000']);
});

test('the file of a list is asked for with what narrows it', () => {
  expect(fileOf('/api/list.csv', { state: undefined, text: 'a b', done: '' })).toBe('/api/list.csv?text=a+b');
});
