import type { View } from '../ground/api.ts';

const FAULT = /(?:[a-z]+\s+)?(\d+)\s*[x×]\s*(\d+)\s*@\s*(\d+)\s*,\s*(\d+)/gi;

/**
 * Reads boards typed one a line: `2400 210 195 52 knot 60x40@820,90`. A width right is the left one when left out, the
 * thickness the lot's.
 */
export function parseBoards(text: string, thicknessMm: number): { boards: View<'BoardDto'>[]; problems: string[] } {
  const boards: View<'BoardDto'>[] = [];
  const problems: string[] = [];
  text
    .split('\n')
    .map((line) => line.trim())
    .forEach((line, i) => {
      if (line === '') return;
      const faults = [...line.matchAll(FAULT)].map(([, lengthMm, widthMm, xMm, yMm]) => ({
        lengthMm: Number(lengthMm),
        widthMm: Number(widthMm),
        xMm: Number(xMm),
        yMm: Number(yMm),
      }));
      const sizes = line
        .replace(FAULT, '')
        .trim()
        .split(/[\s;]+/)
        .map((word) => Number(word.replace(',', '.')));
      const [lengthMm = NaN, widthMm = NaN, widthEndMm = widthMm, thick = thicknessMm] = sizes;
      if (sizes.length > 4 || ![lengthMm, widthMm, widthEndMm, thick].every((mm) => mm > 0))
        problems.push(`Line ${i + 1}: "${line}" is not length, width, width, thickness`);
      else boards.push({ lengthMm, widthMm, widthEndMm, thicknessMm: thick, faults });
    });
  return { boards, problems };
}
