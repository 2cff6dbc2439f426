/** The colours of the two themes; every text pair meets WCAG AA (tokens.test.ts). */
export interface Tokens {
  ground: string;
  raised: string;
  rule: string;
  ink: string;
  quiet: string;
  body: string;
  neck: string;
  instrument: string;
  ready: string;
  waiting: string;
  attention: string;
  stop: string;
  /** text on a filled action */
  onAction: string;
}

/** Daylight. */
export const paper: Tokens = {
  ground: '#F7F4ED',
  raised: '#FFFDF8',
  rule: '#DDD5C5',
  ink: '#22282B',
  quiet: '#5C6468',
  body: '#9E5A15',
  neck: '#1F6E75',
  instrument: '#6A3D73',
  ready: '#3F7A36',
  waiting: '#5E6C76',
  attention: '#8C6110',
  stop: '#BC3B24',
  onAction: '#FFFDF8',
};

/** Spray room and evening. */
export const booth: Tokens = {
  ground: '#171B1D',
  raised: '#20262A',
  rule: '#3B444A',
  ink: '#EDE7DB',
  quiet: '#A9B0B3',
  body: '#E0A25F',
  neck: '#6FBCC3',
  instrument: '#C49BCD',
  ready: '#8CC783',
  waiting: '#A3B1BB',
  attention: '#E2B24F',
  stop: '#F08A74',
  onAction: '#171B1D',
};

function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Contrast of two colours, 1…21. @source WCAG 2.2, relative luminance */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return ((light ?? 0) + 0.05) / ((dark ?? 0) + 0.05);
}
