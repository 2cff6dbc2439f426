import { describe, expect, test } from '@jest/globals';
import { simplestRoute, addStream, insertAfter, type Route, type StepSeed } from '@ample-crane/core';
import { layoutRoute, neighbour, NODE_HEIGHT, NODE_WIDTH } from './layout.ts';

const seed = (name: string, kind: StepSeed['kind'] = 'work'): StepSeed => ({ name, kind, stage: 'bodies', stationCode: 'S' });
/** Bodies are cut and glued, necks carved; both meet at the fitting and are shipped. */
const forked = (): Route => {
  const base = simplestRoute(
    { id: 'r-1', modelId: 'r', version: 1 },
    { body: seed('Cut'), fit: seed('Fit', 'fit'), ship: seed('Ship', 'dispatch') },
  );
  return addStream(insertAfter(base, 'cut', seed('Glue')).route, 'neck', 'fit', seed('Carve')).route;
};

describe('a route as it is drawn', () => {
  const map = layoutRoute(forked());
  const at = (id: string) => map.nodes.find((n) => n.id === id) ?? { x: NaN, y: NaN };

  test('runs from left to right, every step once, within its own bounds', () => {
    for (const { from, to } of map.links) expect(at(from).x + NODE_WIDTH).toBeLessThan(at(to).x);
    expect(map.nodes.map((n) => n.id).sort()).toEqual(['carve', 'cut', 'fit', 'glue', 'ship']);
    for (const { x, y } of map.nodes) {
      expect(x >= 0 && y >= 0).toBe(true);
      expect(x + NODE_WIDTH <= map.width && y + NODE_HEIGHT <= map.height).toBe(true);
    }
  });
  test('lays no step over another', () => {
    const apart = map.nodes.flatMap((a, i) =>
      map.nodes.slice(i + 1).map((b) => Math.abs(a.x - b.x) >= NODE_WIDTH || Math.abs(a.y - b.y) >= NODE_HEIGHT),
    );
    expect(apart).not.toContain(false);
  });
  test('leaves out a link to a step there is not, rather than fail', () => {
    const route = forked();
    const broken = { ...route, operations: route.operations.map((o) => (o.id === 'glue' ? { ...o, next: ['gone'] } : o)) };
    expect(layoutRoute(broken).links.map((l) => `${l.from}>${l.to}`)).not.toContain('glue>gone');
  });
  test('of nothing is nothing', () => {
    expect(layoutRoute({ operations: [] })).toEqual({ width: 0, height: 0, nodes: [], links: [] });
  });

  test.each([
    ['cut', 'ArrowRight', 'glue'],
    ['glue', 'ArrowLeft', 'cut'],
    ['cut', 'ArrowLeft', undefined],
    ['ship', 'ArrowRight', undefined],
    ['cut', 'Enter', undefined],
    ['nowhere', 'ArrowRight', undefined],
  ])('from %s, %s leads to %s', (from, key, to) => {
    expect(neighbour(map, from, key)).toBe(to);
  });
  test('up and down change the stream', () => {
    const [body, neck] = [at('glue'), at('carve')];
    const [down, up] = body.y < neck.y ? ['glue', 'carve'] : ['carve', 'glue'];
    expect(neighbour(map, down, 'ArrowDown')).toBe(up);
    expect(neighbour(map, up, 'ArrowUp')).toBe(down);
    expect(neighbour(map, down, 'ArrowUp')).toBeUndefined();
  });
});
