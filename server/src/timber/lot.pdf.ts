import bwipjs from 'bwip-js';
import { formatDuration } from '@ample-crane/core';
import { INK, makePdf, MARGIN, onPaper, QUIET, RULE, small, type Doc, type Print } from '../platform/http/pdf.ts';
import type { DryingView } from './drying.view.ts';
import type { LotCardView } from './lot.dto.ts';

const A6: [number, number] = [419.5, 297.6];

/** A label for the end of the pack: its number large, what it is, and a code that opens it. */
export async function lotLabelPdf({ lot, zoneName }: LotCardView, print: Print): Promise<Buffer> {
  const qr = await bwipjs.toBuffer({ bcid: 'qrcode', text: `${print.address}/lots/${lot.id}`, scale: 6 });
  return makePdf(`Lot ${lot.id}`, print, A6, (doc) => {
    const width = doc.page.width - 2 * MARGIN;
    small(doc, print.factory, MARGIN, MARGIN - 14, 9);
    doc.font('heading').fontSize(64).fillColor(INK).text(lot.id, MARGIN, MARGIN, { lineBreak: false });
    doc.image(qr, doc.page.width - MARGIN - 118, MARGIN - 12, { width: 118 });
    doc.fontSize(20).text(lot.species, MARGIN, MARGIN + 72, { width: width - 124, height: 24, ellipsis: true });
    const lines = [
      `${lot.form} for ${lot.use}, ${lot.thicknessMm} mm, ${lot.volumeM3.toFixed(3)} m³${lot.grade === null ? '' : `, grade ${lot.grade}`}`,
      `${lot.supplier}, ${lot.origin}`,
      `${zoneName}${lot.place === null ? '' : `, ${lot.place}`} · received ${onPaper(print, lot.receivedMs, 'D MMMM YYYY')}`,
      ...(lot.restricted ? [`Permit ${lot.permit ?? 'MISSING'}`] : []),
    ];
    lines.forEach((line, i) =>
      doc
        .font('text')
        .fontSize(13)
        .text(line, MARGIN, MARGIN + 118 + i * 20, { width, height: 18, ellipsis: true }),
    );
  });
}

/** What a supplier or an insurer is shown: chart, every reading, what the gate said, and a line to sign on. */
export function moistureReportPdf(card: LotCardView, print: Print): Promise<Buffer> {
  const { lot, sessions, drying } = card;
  return makePdf(`Moisture report, lot ${lot.id}`, print, 'A4', (doc) => {
    const width = doc.page.width - 2 * MARGIN;
    doc.font('heading').fontSize(18).fillColor(INK).text(`Moisture report, lot ${lot.id}`, MARGIN, MARGIN, { lineBreak: false });
    const about = [
      `${lot.species}, ${lot.form} for ${lot.use}, ${lot.thicknessMm} mm, ${lot.volumeM3.toFixed(3)} m³`,
      `From ${lot.supplier}, ${lot.origin}; received ${onPaper(print, lot.receivedMs, 'D MMMM YYYY')}`,
      `Supplier's papers: ${lot.papersPct === null ? 'no moisture stated' : `${lot.papersPct.toFixed(1)} %`}; permit: ${lot.restricted ? (lot.permit ?? 'missing') : 'not needed'}`,
      `Lay in ${card.stays.map((s) => `${s.zoneName} from ${onPaper(print, s.fromMs, 'D MMM YYYY')}`).join(', ')}`,
      `Band ${lot.band.low.toFixed(1)}–${lot.band.high.toFixed(1)} %, by the rules of ${lot.rulesOf}`,
    ];
    about.forEach((line, i) =>
      doc
        .font('text')
        .fontSize(9)
        .fillColor(INK)
        .text(line, MARGIN, MARGIN + 28 + i * 13, { width, height: 12, ellipsis: true }),
    );
    const chartTop = MARGIN + 104;
    if (drying) drawChart(doc, card, drying, print, chartTop, width, 180);
    let y = chartTop + (drying ? 206 : 0);
    const heading = (text: string) => {
      if (y > doc.page.height - 120) {
        doc.addPage();
        y = MARGIN;
      }
      doc.font('bold').fontSize(11).fillColor(INK).text(text, MARGIN, y, { lineBreak: false });
      y += 16;
    };
    const line = (text: string) => {
      if (y > doc.page.height - 60) {
        doc.addPage();
        y = MARGIN;
      }
      doc.font('text').fontSize(8.5).fillColor(INK).text(text, MARGIN, y, { width, height: 11, ellipsis: true });
      y += 12;
    };
    heading('Verdict');
    if (lot.state !== 'drying') line(`Released ${lot.releasedMs === null ? '' : onPaper(print, lot.releasedMs)}`);
    for (const f of lot.findings) line(`${f.verdict.toUpperCase()}  ${f.sentence}`);
    for (const o of card.overrides) line(`OVERRIDE  ${o.reason} (${o.by}, ${onPaper(print, o.atMs)})`);
    for (const e of drying?.excursions ?? [])
      line(`Room ${e.kind} for ${formatDuration(e.toMs - e.fromMs)} from ${onPaper(print, e.fromMs)}: EMC ${e.worstPct.toFixed(1)} %`);
    y += 6;
    heading('Readings');
    if (sessions.length === 0) line('None yet.');
    for (const s of sessions) {
      const values = s.readings.map(
        (r) => `${r.depth === 'core' ? 'c' : ''}${r.correctedPct.toFixed(1)}${r.struck === null ? '' : ' (struck out)'}`,
      );
      line(
        `${onPaper(print, s.atMs)}  ${s.meter}, wood ${s.woodTempC.toFixed(1)} °C, ${s.by}: ${values.join('  ')}  mean ${s.meanPct.toFixed(1)} %${drying?.oddSessions.includes(s.id) ? '  (does not fit the others)' : ''}`,
      );
    }
    y += 26;
    if (y > doc.page.height - 50) {
      doc.addPage();
      y = MARGIN + 30;
    }
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + 230, y)
      .lineWidth(0.6)
      .strokeColor(INK)
      .stroke();
    doc
      .moveTo(MARGIN + 270, y)
      .lineTo(MARGIN + width, y)
      .stroke();
    small(doc, 'Signed', MARGIN, y + 3);
    small(doc, `Place and date · printed ${onPaper(print, print.nowMs)} by ${print.factory}`, MARGIN + 270, y + 3);
  });
}

/** Sessions with their spread, the fitted curve, the band and what the room's air asked for. */
function drawChart(
  doc: Doc,
  { lot, sessions }: LotCardView,
  { curve, emc }: DryingView,
  print: Print,
  top: number,
  width: number,
  height: number,
): void {
  const times = [...curve, ...emc].map((p) => p.atMs);
  const values = [...curve, ...emc]
    .map((p) => p.pct)
    .concat(lot.band.low, lot.band.high, ...sessions.flatMap((s) => [s.meanPct + s.spreadPct / 2, s.meanPct - s.spreadPct / 2]));
  const [from, to] = [Math.min(...times), Math.max(...times)];
  const [low, high] = [Math.floor(Math.min(...values)), Math.ceil(Math.max(...values))];
  const left = MARGIN + 26;
  const x = (ms: number) => left + ((ms - from) / Math.max(1, to - from)) * (width - 30);
  const y = (pct: number) => top + height - ((pct - low) / Math.max(1, high - low)) * height;
  doc
    .rect(left, y(lot.band.high), width - 30, y(lot.band.low) - y(lot.band.high))
    .fillColor('#E4E9DC')
    .fill();
  for (let pct = low; pct <= high; pct += Math.max(1, Math.round((high - low) / 8))) {
    doc
      .moveTo(left, y(pct))
      .lineTo(left + width - 30, y(pct))
      .lineWidth(0.3)
      .strokeColor(RULE)
      .stroke();
    small(doc, `${pct} %`, MARGIN, y(pct) - 4, 7);
  }
  const trace = (points: readonly { atMs: number; pct: number }[], colour: string, dash: boolean) => {
    points.forEach((p, i) => (i === 0 ? doc.moveTo(x(p.atMs), y(p.pct)) : doc.lineTo(x(p.atMs), y(p.pct))));
    if (dash) doc.dash(2, { space: 2 });
    doc.lineWidth(0.9).strokeColor(colour).stroke().undash();
  };
  trace(emc, QUIET, true);
  trace(curve, INK, false);
  for (const s of sessions) {
    doc
      .moveTo(x(s.atMs), y(s.meanPct + s.spreadPct / 2))
      .lineTo(x(s.atMs), y(s.meanPct - s.spreadPct / 2))
      .lineWidth(0.7)
      .strokeColor(INK)
      .stroke();
    doc.circle(x(s.atMs), y(s.meanPct), 2.2).fillColor(INK).fill();
  }
  small(doc, onPaper(print, from, 'D MMM YYYY'), left, top + height + 4, 7);
  small(doc, onPaper(print, to, 'D MMM YYYY'), left + width - 76, top + height + 4, 7);
  small(
    doc,
    'dots: sessions with their spread · line: fitted curve · dashes: what the air asked for · shaded: band',
    left + 90,
    top + height + 4,
    7,
  );
}
