import type { Board } from '@ample-crane/core';

const VIEW_WIDTH = 1000;
const PAD = 6;

/** How a board is drawn: its millimetres on the drawing, and a point of the screen back to its millimetres. */
export function boardScale(board: Board) {
  const scale = (VIEW_WIDTH - 2 * PAD) / board.lengthMm;
  const height = Math.max(board.widthMm, board.widthEndMm) * scale + 2 * PAD;
  return {
    width: VIEW_WIDTH,
    height,
    scale,
    x: (mm: number) => PAD + mm * scale,
    y: (mm: number) => height - PAD - mm * scale,
    mmAt: (drawing: Pick<DOMRect, 'left' | 'top' | 'width'>, point: { clientX: number; clientY: number }) => {
      const perPixel = drawing.width > 0 ? VIEW_WIDTH / drawing.width : 1;
      return {
        xMm: ((point.clientX - drawing.left) * perPixel - PAD) / scale,
        yMm: (height - PAD - (point.clientY - drawing.top) * perPixel) / scale,
      };
    },
  };
}

/** The drawing of a board under a point of the screen, and whose it is. */
export function boardUnder({ clientX, clientY }: { clientX: number; clientY: number }): { boardId: string; drawing: DOMRect } | null {
  const drawing = document.elementFromPoint(clientX, clientY)?.closest<SVGSVGElement>('svg[data-board]');
  const boardId = drawing?.dataset['board'];
  return drawing && boardId !== undefined ? { boardId, drawing: drawing.getBoundingClientRect() } : null;
}
