// Symmetric systems of three unknowns, as the fit of three parameters asks for them thousands of times.

export const AXES = [0, 1, 2] as const;
export type Vector = [number, number, number];
export type Matrix = [Vector, Vector, Vector];

export const zero = (): Matrix => [
  [0, 0, 0],
  [0, 0, 0],
  [0, 0, 0],
];
export const identity = (): Matrix => [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

export const times3 = (m: Matrix, v: Vector): Vector => [
  m[0][0] * v[0] + m[0][1] * v[1] + m[0][2] * v[2],
  m[1][0] * v[0] + m[1][1] * v[1] + m[1][2] * v[2],
  m[2][0] * v[0] + m[2][1] * v[1] + m[2][2] * v[2],
];

/** The inverse of a matrix, by its cofactors; not finite where it has none. */
export function inverse([[a, b, c], [d, e, f], [g, h, i]]: Matrix): Matrix {
  const [ca, cb, cc] = [e * i - f * h, f * g - d * i, d * h - e * g];
  const det = a * ca + b * cb + c * cc;
  return [
    [ca / det, (c * h - b * i) / det, (b * f - c * e) / det],
    [cb / det, (a * i - c * g) / det, (c * d - a * f) / det],
    [cc / det, (b * g - a * h) / det, (a * e - b * d) / det],
  ];
}

/** vᵀ·M·v */
export function quadratic(m: Matrix, v: Vector): number {
  const w = times3(m, v);
  return v[0] * w[0] + v[1] * w[1] + v[2] * w[2];
}
