import { ValidateBy } from 'class-validator';

// Everything but tabs and line ends; those where a text may have lines.
const CONTROL = /[^\P{Cc}\t\n\r]/u;
const LINE_END = /[\n\r\u2028\u2029]/;
/** Embedding and overriding marks can make a text read as another; the plain marks of a script are left. */
const OVERRIDING = /[\u202a-\u202e\u2066-\u2069]/;
const INVISIBLE = /[\p{White_Space}\p{Cf}\p{Zl}\p{Zp}]/gu;

export interface TextForm {
  /** may have several lines */
  lines?: boolean;
  /** is kept to the letter: passwords, the text of files */
  verbatim?: boolean;
}

/** A text as it is kept: composed letters, nothing around it. Whatever is no text is left for validation to refuse. */
export const normalised = (value: unknown, { verbatim = false }: TextForm = {}): unknown => {
  if (typeof value !== 'string') return value;
  const composed = value.normalize('NFC');
  return verbatim ? composed : composed.trim();
};

/** Why a text cannot be kept; undefined when it can. */
export function faultOfText(text: string, { lines = false, verbatim = false }: TextForm = {}): string | undefined {
  if (!text.isWellFormed()) return 'holds half a character';
  if (CONTROL.test(text)) return 'holds a control character';
  if (verbatim) return undefined;
  if (!lines && LINE_END.test(text)) return 'must be on one line';
  if (OVERRIDING.test(text)) return 'holds a mark that turns the direction of writing';
  if (text !== '' && text.replace(INVISIBLE, '') === '') return 'shows nothing';
  return undefined;
}

/** The field is a text that can be kept and shown; of each text in a list, where `each` is set. */
export const IsKeptText = (form: TextForm = {}, each = false): PropertyDecorator =>
  ValidateBy(
    {
      name: 'keptText',
      validator: {
        validate: (value) => typeof value === 'string' && faultOfText(value, form) === undefined,
        defaultMessage: (args) => {
          const texts: unknown[] = each && Array.isArray(args?.value) ? args.value : [args?.value];
          const faults = texts.map((text) => (typeof text === 'string' ? faultOfText(text, form) : 'must be a text'));
          return `${args?.property ?? 'text'} ${faults.find((fault) => fault !== undefined) ?? 'must be a text'}`;
        },
      },
    },
    { each },
  );
