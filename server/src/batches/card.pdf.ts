import { WORK_CLASS_NAMES } from '@ample-crane/core';
import bwipjs from 'bwip-js';
import dayjs from 'dayjs';
import { INK, makePdf, MARGIN, QUIET, small as label, type Doc, type Print } from '../platform/http/pdf.ts';
import type { CardView } from './batch.view.ts';

const ROW = 12.5;

/**
 * The card that travels with a batch, on one sheet that is folded across and hung over the rack: on one side a tag to be
 * read from across the hall, on the other where it has been, what is ahead, and its pieces. Both read upright.
 */
export async function cardPdf(card: CardView, print: Print): Promise<Buffer> {
  const { batch } = card;
  const [qr, code128] = await Promise.all([
    bwipjs.toBuffer({ bcid: 'qrcode', text: `${print.address}/batches/${batch.id}`, scale: 6 }),
    bwipjs.toBuffer({ bcid: 'code128', text: batch.id, scale: 4, height: 14, includetext: true, textxalign: 'center' }),
  ]);
  return makePdf(`Batch ${batch.id}`, print, 'A4', (doc) => {
    const fold = doc.page.height / 2;
    doc.save().rotate(180, { origin: [doc.page.width / 2, fold / 2] });
    drawTag(doc, card, print, { qr, code128 });
    doc.restore();
    doc.moveTo(0, fold).lineTo(doc.page.width, fold).dash(4, { space: 4 }).strokeColor(QUIET).lineWidth(0.5).stroke().undash();
    label(doc, 'fold here and hang it over the rack', MARGIN, fold + 3, 6.5);
    drawCard(doc, card, print, fold);
  });
}

/** What it is, large enough for the far end of the hall. */
function drawTag(doc: Doc, card: CardView, { factory, timeZone }: Print, codes: { qr: Buffer; code128: Buffer }): void {
  const { batch } = card;
  const width = doc.page.width - 2 * MARGIN;
  label(doc, factory, MARGIN, MARGIN, 9);
  doc
    .font('heading')
    .fontSize(84)
    .fillColor(INK)
    .text(batch.id, MARGIN, MARGIN + 14, { lineBreak: false });
  doc.fontSize(26).text(whatIsIn(card), MARGIN, MARGIN + 104, { width: width - 150, height: 60 });
  doc.image(codes.qr, doc.page.width - MARGIN - 132, MARGIN, { width: 132 });
  doc.font('text').fontSize(14).fillColor(INK);
  const lines = [
    `For ${card.customer}${batch.orderId === null ? '' : `, order ${batch.orderId}`}`,
    ...(batch.dueMs === null ? [] : [`Due ${dayjs(batch.dueMs).tz(timeZone).format('D MMMM YYYY')}`]),
    ...card.options,
    ...(batch.workClass === 'order' ? [] : [`For ${WORK_CLASS_NAMES[batch.workClass]}, not for stock`]),
  ];
  lines.slice(0, 6).forEach((line, i) => doc.text(line, MARGIN, MARGIN + 172 + i * 18, { width: width - 150, height: 17, ellipsis: true }));
  doc.image(codes.code128, MARGIN, MARGIN + 288, { width: 230, height: 62 });
  const sits = batch.placements.map((p) => `${p.carrierName} (${p.pieces})`).join(', ');
  doc
    .fontSize(12)
    .text(sits === '' ? 'On no carrier' : sits, MARGIN + 250, MARGIN + 300, { width: width - 250, height: 48, ellipsis: true });
}

/** How many steps ahead the card says what they need. */
const STEPS_AHEAD = 3;

/** "8 × Weirstone body"; what went on from here when nothing of it is left. */
function whatIsIn({ batch, pieces }: CardView): string {
  if (batch.status !== 'done') return `${batch.quantity} × ${batch.modelName} ${batch.component}`;
  const made = pieces.filter((p) => p.state !== 'scrapped').length;
  return `${made} × ${batch.modelName} ${batch.component}, done`;
}

/** Where it has been, what is ahead at the earliest, and its pieces, in two columns. */
function drawCard(doc: Doc, card: CardView, { timeZone, nowMs }: Print, top: number): void {
  const { batch } = card;
  const time = (ms: number | null) => (ms === null ? '' : dayjs(ms).tz(timeZone).format('ddd D MMM HH:mm'));
  const width = doc.page.width - 2 * MARGIN;
  const column = (width - 16) / 2;
  doc
    .font('bold')
    .fontSize(15)
    .fillColor(INK)
    .text(`${batch.id} · ${whatIsIn(card)}`, MARGIN, top + 16, { lineBreak: false });
  label(
    doc,
    `${batch.lotId === null ? '' : `Lot ${batch.lotId} · `}route ${batch.routeId} · printed ${time(nowMs)}; the screen is newer than the paper`,
    MARGIN,
    top + 34,
    7.5,
  );

  const rows: { mark: string; text: string; right: string; bold: boolean }[] = [
    ...card.visits
      .filter((v) => v.leftMs !== null)
      .map((v) => ({
        mark: '•',
        text: `${v.operationName}${v.pass > 1 ? `, pass ${v.pass}` : ''}`,
        right: `${time(v.leftMs)}  ${v.good}/${v.rework}/${v.scrap}`,
        bold: false,
      })),
    ...card.forecast.flatMap((f, i) => [
      { mark: i === 0 ? '>' : '·', text: f.operationName, right: `from ${time(f.leaveMs)}`, bold: i === 0 },
      ...(i < STEPS_AHEAD ? f.needs.map((need) => ({ mark: '', text: need, right: '', bold: false })) : []),
    ]),
    ...card.overrides.map((o) => ({ mark: '!', text: `Override: ${o.reason} (${o.by})`, right: time(o.atMs), bold: true })),
    { mark: '', text: 'Pieces', right: '', bold: true },
    ...card.pieces.map((p) => ({
      mark: '',
      text: p.id,
      right: [...(p.state === 'good' ? [] : [p.state]), ...(p.serial === null || p.serial === p.id ? [] : [p.serial])].join(' '),
      bold: false,
    })),
  ];
  let x = MARGIN;
  let y = top + 50;
  let from = y;
  for (const row of rows) {
    if (y > doc.page.height - MARGIN - ROW) {
      if (x === MARGIN) x += column + 16;
      else {
        doc.addPage();
        x = MARGIN;
        from = MARGIN;
      }
      y = from;
    }
    doc
      .font(row.bold ? 'bold' : 'text')
      .fontSize(8)
      .fillColor(INK);
    doc.text(row.mark, x, y, { lineBreak: false });
    doc.text(row.text, x + 9, y, { width: column * 0.6 - 9, height: ROW, ellipsis: true });
    doc.fillColor(QUIET).text(row.right, x + column * 0.6, y, { width: column * 0.4, height: ROW, align: 'right', ellipsis: true });
    y += ROW;
  }
}
