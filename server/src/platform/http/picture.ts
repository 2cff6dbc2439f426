import { fileTypeFromBuffer } from 'file-type';
import { imageSize } from 'image-size';
import { badInput } from '../problems/problems.ts';

export const PICTURE_BYTES = 4 * 1024 * 1024;
/** A picture as it comes in, base64. */
export const PICTURE_TEXT = { max: Math.ceil((PICTURE_BYTES * 4) / 3) + 1000, verbatim: true } as const;
/** What a good camera makes; four bytes each once it is shown. */
const MOST_PIXELS = 50_000_000;
export const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp'];

/**
 * A picture that was sent in the field `data`. What a file says of itself by its name is not believed.
 *
 * @throws bad input, where it is none, is damaged, or unfolds into more than a tablet has room for
 */
export async function pictureIn(data: string): Promise<{ mediaType: string; bytes: Buffer }> {
  const bytes = Buffer.from(data, 'base64');
  const type = await fileTypeFromBuffer(bytes);
  if (!type || !PICTURE_TYPES.includes(type.mime)) throw badInput('data', 'Only PNG, JPEG and WebP pictures are kept');
  checkPixels(bytes);
  return { mediaType: type.mime, bytes };
}

function checkPixels(bytes: Buffer): void {
  let size: { width: number; height: number };
  try {
    size = imageSize(bytes);
  } catch {
    throw badInput('data', 'The picture is damaged: its size cannot be read');
  }
  if (size.width * size.height > MOST_PIXELS)
    throw badInput('data', `A picture may have ${MOST_PIXELS / 1e6} million points; this one has ${size.width} × ${size.height}`);
}
