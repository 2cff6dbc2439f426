import { cutLines, type Board, type PlacedBlank } from '@ample-crane/core';
import { INK, makePdf, MARGIN, onPaper, QUIET, RULE, small, type Doc, type Print } from '../platform/http/pdf.ts';
import type { PlanView } from './cutting.dto.ts';

const BOARD_HEIGHT = 46;
const LINE = 13;
/** lines stand side by side, each with a box to tick */
const COLUMNS = 2;
const TICK = 7;

/** The sawyer's paper: each board drawn to scale with its blanks and faults, and the cuts in the order they are made. */
export function cutListPdf(plan: PlanView, print: Print): Promise<Buffer> {
  const boards = plan.plans.flatMap(({ boardId, placed }) => {
    const board = plan.whole.find((b) => b.id === boardId);
    return board && placed.length > 0 ? [{ board, placed }] : [];
  });
  return makePdf(`Cut list ${plan.id}`, print, 'A4', (doc) => {
    doc.font('heading').fontSize(18).fillColor(INK).text(`Cut list ${plan.id}`, MARGIN, MARGIN, { lineBreak: false });
    const { kerfMm, edgingMm, endTrimMm } = plan.settings;
    small(
      doc,
      `${print.factory} · lots ${plan.lotIds.join(', ')} · ${boards.length} boards, ${plan.blanks} blanks · kerf ${kerfMm}, edging ${edgingMm}, end trim ${endTrimMm} mm · all lengths in mm · printed ${onPaper(print, print.nowMs)}`,
      MARGIN,
      MARGIN + 22,
    );
    let y = MARGIN + 42;
    for (const { board, placed } of boards) {
      const lines = cutLines(placed, kerfMm);
      const rows = Math.ceil(lines.length / COLUMNS);
      const height = 16 + BOARD_HEIGHT + 8 + rows * LINE + 12;
      if (y + height > doc.page.height - MARGIN) {
        doc.addPage();
        y = MARGIN;
      }
      drawBoard(doc, board, placed, y);
      const column = (doc.page.width - 2 * MARGIN) / COLUMNS;
      lines.forEach((line, i) => {
        const [left, top] = [MARGIN + (i % COLUMNS) * column, y + 16 + BOARD_HEIGHT + 8 + Math.floor(i / COLUMNS) * LINE];
        doc
          .rect(left, top + 0.5, TICK, TICK)
          .lineWidth(0.6)
          .strokeColor(INK)
          .stroke();
        doc
          .font('text')
          .fontSize(8)
          .fillColor(INK)
          .text(line, left + TICK + 5, top, { width: column - TICK - 11, height: LINE, ellipsis: true });
      });
      y += height;
    }
  });
}

function drawBoard(doc: Doc, board: Board & { grade: string | null }, placed: readonly PlacedBlank[], top: number): void {
  const width = doc.page.width - 2 * MARGIN;
  const across = Math.max(board.widthMm, board.widthEndMm);
  const scale = Math.min(width / board.lengthMm, BOARD_HEIGHT / across);
  const base = top + 14 + BOARD_HEIGHT;
  const x = (mm: number) => MARGIN + mm * scale;
  const y = (mm: number) => base - mm * scale;
  doc
    .font('bold')
    .fontSize(9)
    .fillColor(INK)
    .text(
      `${board.id}   ${board.lengthMm} × ${board.widthMm}/${board.widthEndMm} × ${board.thicknessMm} mm${board.grade === null ? '' : `   grade ${board.grade}`}`,
      MARGIN,
      top,
      {
        lineBreak: false,
      },
    );
  doc
    .moveTo(x(0), y(0))
    .lineTo(x(board.lengthMm), y(0))
    .lineTo(x(board.lengthMm), y(board.widthEndMm))
    .lineTo(x(0), y(board.widthMm))
    .closePath()
    .lineWidth(0.8)
    .strokeColor(INK)
    .stroke();
  for (const f of board.faults)
    doc
      .rect(x(f.xMm), y(f.yMm + f.widthMm), f.lengthMm * scale, f.widthMm * scale)
      .fillColor(RULE)
      .fill();
  for (const p of placed) {
    doc
      .rect(x(p.xMm), y(p.yMm + p.widthMm), p.lengthMm * scale, p.widthMm * scale)
      .lineWidth(0.6)
      .strokeColor(INK)
      .stroke();
    doc
      .font('text')
      .fontSize(7)
      .fillColor(QUIET)
      .text(p.blankId, x(p.xMm) + 2, y(p.yMm + p.widthMm) + 2, { width: Math.max(8, p.lengthMm * scale - 4), height: 8, ellipsis: true });
  }
}
