import bwipjs from 'bwip-js';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import PDFDocument from 'pdfkit';
import type { CardView } from './batch.view.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

const MARGIN = 36;
const INK = '#22282B';
const QUIET = '#5C6468';

/** The card that travels with a batch: what it is to become, where it has been, a QR code and a Code 128. */
export async function cardPdf(
  card: CardView,
  { factory, timeZone, address, nowMs }: { factory: string; timeZone: string; address: string; nowMs: number },
): Promise<Buffer> {
  const { batch } = card;
  const [qr, code128] = await Promise.all([
    bwipjs.toBuffer({ bcid: 'qrcode', text: `${address}/batches/${batch.id}`, scale: 4 }),
    bwipjs.toBuffer({
      bcid: 'code128',
      text: batch.id,
      scale: 3,
      height: 12,
      includetext: true,
      textxalign: 'center',
    }),
  ]);
  const time = (ms: number | null) => (ms === null ? '' : dayjs(ms).tz(timeZone).format('ddd D MMM HH:mm'));
  const doc = new PDFDocument({
    size: 'A5',
    margin: MARGIN,
    info: { Title: `Batch ${batch.id}`, Author: factory, CreationDate: new Date(nowMs) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  const width = doc.page.width - 2 * MARGIN;

  doc.fillColor(QUIET).fontSize(8).text(factory, MARGIN, MARGIN);
  doc
    .fillColor(INK)
    .fontSize(30)
    .text(batch.id, MARGIN, MARGIN + 12);
  doc.fontSize(13).text(`${batch.quantity} × ${batch.modelName} ${batch.component}`);
  doc.fontSize(9).fillColor(QUIET);
  doc.text(
    `For ${card.customer}${batch.orderId === null ? '' : ` · order ${batch.orderId}`}${batch.dueMs === null ? '' : ` · due ${dayjs(batch.dueMs).tz(timeZone).format('D MMM YYYY')}`}`,
  );
  doc.text(`${batch.lotId === null ? '' : `Lot ${batch.lotId} · `}${batch.carrier ?? 'no carrier'}`);
  doc.image(qr, doc.page.width - MARGIN - 84, MARGIN, { width: 84 });
  doc.image(code128, MARGIN, 132, { width: 150, height: 44 });
  doc
    .moveTo(MARGIN, 188)
    .lineTo(MARGIN + width, 188)
    .strokeColor(QUIET)
    .lineWidth(0.5)
    .stroke();

  let y = 196;
  const row = (cells: [string, string, string], bold = false) => {
    doc
      .font(bold ? 'Helvetica-Bold' : 'Helvetica')
      .fontSize(8.5)
      .fillColor(INK);
    const line = { height: 12, ellipsis: true };
    doc.text(cells[0], MARGIN, y, { ...line, width: width * 0.42 });
    doc.text(cells[1], MARGIN + width * 0.43, y, { ...line, width: width * 0.29 });
    doc.text(cells[2], MARGIN + width * 0.72, y, { ...line, width: width * 0.28, align: 'right' });
    y += 14;
    if (y > doc.page.height - MARGIN - 20) {
      doc.addPage();
      y = MARGIN;
    }
  };
  row(['Step', 'Done or earliest', 'Good / rework / scrap'], true);
  for (const visit of card.visits.filter((v) => v.leftMs !== null))
    row([
      `${visit.operationName}${visit.pass > 1 ? ` (pass ${visit.pass})` : ''}`,
      time(visit.leftMs),
      `${visit.good} / ${visit.rework} / ${visit.scrap}`,
    ]);
  card.forecast.forEach((step, i) => row([i === 0 ? `> ${step.operationName}` : step.operationName, `earliest ${time(step.leaveMs)}`, '']));
  y += 8;
  row(['Pieces', '', ''], true);
  const names = card.pieces.map((p) =>
    p.state === 'good' ? p.id : `${p.id} (${p.state}${p.serial !== null && p.state === 'fitted' ? ` ${p.serial}` : ''})`,
  );
  for (let i = 0; i < names.length; i += 2) row([names[i] ?? '', names[i + 1] ?? '', '']);
  for (const o of card.overrides) {
    doc
      .font('Helvetica-Bold')
      .fontSize(8.5)
      .text(`Override: ${o.reason} (${o.by}, ${time(o.atMs)})`, MARGIN, y, { width });
    y = doc.y + 4;
  }
  doc
    .font('Helvetica')
    .fontSize(7)
    .fillColor(QUIET)
    .text(`Printed ${time(nowMs)}. The screen is newer than the paper.`, MARGIN, doc.page.height - MARGIN - 10, { lineBreak: false });
  doc.end();
  return done;
}
