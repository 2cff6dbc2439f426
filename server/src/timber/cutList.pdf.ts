import { cutList, guillotineCuts, type Board, type PlacedBlank } from '@ample-crane/core';
import { INK, makePdf, MARGIN, onPaper, QUIET, RULE, small, type Doc, type Print } from '../platform/http/pdf.ts';
import type { PlanView } from './cutting.dto.ts';

const BOARD_HEIGHT = 46;
const LINE = 11;

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
      `${print.factory} · lots ${plan.lotIds.join(', ')} · ${boards.length} boards, ${plan.blanks} blanks · kerf ${kerfMm}, edging ${edgingMm}, end trim ${endTrimMm} mm · printed ${onPaper(print, print.nowMs)}`,
      MARGIN,
      MARGIN + 22,
    );
    let y = MARGIN + 42;
    for (const { board, placed } of boards) {
      const cuts = guillotineCuts(placed, kerfMm);
      const steps = cuts ? cutList(cuts) : [];
      const rows = Math.ceil((steps.length + placed.length) / 3);
      const height = 16 + BOARD_HEIGHT + 8 + rows * LINE + 12;
      if (y + height > doc.page.height - MARGIN) {
        doc.addPage();
        y = MARGIN;
      }
      drawBoard(doc, board, placed, y);
      const column = (doc.page.width - 2 * MARGIN) / 3;
      const lines = [
        ...steps.map((s) => `${s.part}  ${s.kind === 'across' ? 'cross-cut' : 'rip'} at ${Math.round(s.atMm)} mm`),
        ...placed.map((p) => `trim ${p.blankId} to ${p.lengthMm} × ${p.widthMm}${p.pieces > 1 ? `, resaw ${p.pieces}` : ''}`),
      ];
      lines.forEach((line, i) =>
        doc
          .font('text')
          .fontSize(8)
          .fillColor(INK)
          .text(line, MARGIN + (i % 3) * column, y + 16 + BOARD_HEIGHT + 8 + Math.floor(i / 3) * LINE, {
            width: column - 6,
            height: LINE,
            ellipsis: true,
          }),
      );
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
