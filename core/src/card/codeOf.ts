/** What a code on a card or label names. */
export interface Code {
  kind: 'batch' | 'lot' | 'instrument' | 'carrier' | 'station';
  id: string;
}

const PAGES: Readonly<Record<string, Code['kind']>> = {
  batches: 'batch',
  lots: 'lot',
  records: 'instrument',
  carriers: 'carrier',
  station: 'station',
};
/** A page's address, as the square codes carry it; whichever name the house has in the network where it is read. */
const ADDRESS = new RegExp(`^https?://[^/\\s]+/(${Object.keys(PAGES).join('|')})/([^/?#\\s]+)/?$`, 'i');
/** Batches and lots are told by their numbers; so are the bars on a card. */
const NUMBER = /^([BL])(\d+)$/i;

/**
 * What a scanned text names, told from the text alone: what it says is not known to exist.
 *
 * @returns null where only the factory can tell what is meant
 */
export function codeOf(text: string): Code | null {
  const address = ADDRESS.exec(text.trim());
  if (address) {
    const [, page = '', id = ''] = address;
    const kind = PAGES[page.toLowerCase()];
    const named = decoded(id);
    return kind === undefined || named === null ? null : { kind, id: named };
  }
  const number = NUMBER.exec(text.trim());
  if (!number) return null;
  const [, letter = '', digits = ''] = number;
  return { kind: letter.toUpperCase() === 'B' ? 'batch' : 'lot', id: `${letter.toUpperCase()}${digits}` };
}

function decoded(text: string): string | null {
  try {
    return decodeURIComponent(text);
  } catch {
    return null;
  }
}
