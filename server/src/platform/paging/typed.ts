/** What a typed or scanned text may be the beginning of: all of what has a number, where only figures were typed. */
export const numbered = (letter: string, text: string): string => (/^\d+$/.test(text) ? `${letter}${text}` : text.toUpperCase());

const plain = (text: string) => text.replace(/[%_\\]/g, '\\$&');

/** A pattern for `like`: begins with this text, whatever it holds. */
export const beginning = (text: string): string => `${plain(text)}%`;

/** A pattern for `ilike`: holds this text anywhere. */
export const within = (text: string): string => `%${plain(text)}%`;
