import { graphlib, layout } from '@dagrejs/dagre';
import type { Route } from '@ample-crane/core';

export const NODE_WIDTH = 120;
export const NODE_HEIGHT = 58;
const BETWEEN_STEPS = 20;
const BETWEEN_STREAMS = 18;
const MARGIN = 14;

export interface Placed {
  id: string;
  /** left upper corner */
  x: number;
  y: number;
}

export interface Link {
  from: string;
  to: string;
  points: { x: number; y: number }[];
}

export interface RouteLayout {
  width: number;
  height: number;
  nodes: Placed[];
  links: Link[];
}

/** Lays a route out from left to right, its streams beside each other where they run apart. */
export function layoutRoute(route: Pick<Route, 'operations'>): RouteLayout {
  const graph = new graphlib.Graph();
  graph.setGraph({ rankdir: 'LR', ranksep: BETWEEN_STEPS, nodesep: BETWEEN_STREAMS, marginx: MARGIN, marginy: MARGIN });
  graph.setDefaultEdgeLabel(() => ({}));
  const known = new Set(route.operations.map((o) => o.id));
  for (const o of route.operations) graph.setNode(o.id, { width: NODE_WIDTH, height: NODE_HEIGHT });
  for (const o of route.operations) for (const next of o.next) if (known.has(next)) graph.setEdge(o.id, next);
  if (route.operations.length === 0) return { width: 0, height: 0, nodes: [], links: [] };
  layout(graph);
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number };
  return {
    width,
    height,
    nodes: route.operations.map(({ id }) => {
      const { x = 0, y = 0 } = graph.node(id) as { x?: number; y?: number };
      return { id, x: x - NODE_WIDTH / 2, y: y - NODE_HEIGHT / 2 };
    }),
    links: graph.edges().map((edge) => ({
      from: edge.v,
      to: edge.w,
      points: (graph.edge(edge) as { points: Link['points'] }).points,
    })),
  };
}

/** The step a person means by an arrow key: along the line, or the nearest above or below. */
export function neighbour(map: RouteLayout, id: string, key: string): string | undefined {
  const here = map.nodes.find((n) => n.id === id);
  if (!here) return undefined;
  if (key === 'ArrowRight') return map.links.find((l) => l.from === id)?.to;
  if (key === 'ArrowLeft') return map.links.find((l) => l.to === id)?.from;
  const side = key === 'ArrowDown' ? 1 : key === 'ArrowUp' ? -1 : 0;
  if (side === 0) return undefined;
  const distance = (n: Placed) => Math.hypot(n.x - here.x, (n.y - here.y) * 2);
  return map.nodes.filter((n) => (n.y - here.y) * side > NODE_HEIGHT / 2).sort((a, b) => distance(a) - distance(b))[0]?.id;
}
