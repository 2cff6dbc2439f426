import { createRequire } from 'node:module';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import PDFDocument from 'pdfkit';

dayjs.extend(utc);
dayjs.extend(timezone);

/** The fonts that ship with the screens. */
const FILES = {
  text: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
  bold: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
  heading: '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-700-normal.woff',
} as const;
const { resolve: fileOf } = createRequire(import.meta.url);

export type Doc = InstanceType<typeof PDFDocument>;

/** Who prints, and when and where. */
export interface Print {
  factory: string;
  timeZone: string;
  /** where this server is reached, for codes that lead back to it */
  address: string;
  nowMs: number;
}

export const INK = '#22282B';
export const QUIET = '#5C6468';
export const RULE = '#BDB6A6';
export const MARGIN = 34;

/** Draws a document and gives its bytes. */
export async function makePdf(title: string, print: Print, size: string | [number, number], draw: (doc: Doc) => void): Promise<Buffer> {
  const doc = new PDFDocument({
    size,
    margin: MARGIN,
    info: { Title: title, Author: print.factory, CreationDate: new Date(print.nowMs) },
  });
  for (const [name, file] of Object.entries(FILES)) doc.registerFont(name, fileOf(file));
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  draw(doc);
  doc.end();
  return done;
}

/** A time on the factory's clock. */
export const onPaper = ({ timeZone }: Print, ms: number, format = 'D MMM YYYY HH:mm'): string => dayjs(ms).tz(timeZone).format(format);

export const small = (doc: Doc, text: string, x: number, y: number, size = 8): void => {
  doc.font('text').fontSize(size).fillColor(QUIET).text(text, x, y, { lineBreak: false });
};
