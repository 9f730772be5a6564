import sharp, { type Metadata } from 'sharp';
import type { Picture } from '../core/raster';

/** A file that cannot be taken as a picture; the message says why in a sentence for the person who brought it. */
export class PictureFileError extends Error {
  constructor(
    readonly code: 'not_a_picture' | 'broken_picture' | 'too_large' | 'too_small',
    message: string,
  ) {
    super(message);
  }
}

/** Decoding stops here: 4 bytes a pixel make 144 MB of this many. */
export const PIXEL_LIMIT = 36_000_000;
export const SIDE_LIMIT_PX = 12_000;

/** Whether a file begins as a PNG, JPEG or WebP does; nothing else is given to the decoder, whatever it could read. */
function beginsAsPicture(file: Uint8Array): boolean {
  const latin = String.fromCharCode(...file.subarray(0, 12));
  return (
    latin.startsWith('\x89PNG\r\n\x1a\n') ||
    latin.startsWith('\xff\xd8\xff') ||
    (latin.startsWith('RIFF') && latin.endsWith('WEBP'))
  );
}

const complaint = (error: unknown): PictureFileError => {
  const text = error instanceof Error ? error.message : String(error);
  if (/pixel limit/i.test(text))
    return new PictureFileError(
      'too_large',
      `The picture has more than ${PIXEL_LIMIT / 1e6} million pixels: bring in a smaller one`,
    );
  return new PictureFileError(
    'broken_picture',
    'The picture is broken or cut off: save it again where it came from and bring that in',
  );
};

/**
 * Decodes a PNG, JPEG or WebP file to a picture: sRGB, 8 bits, straight alpha, turned upright. Size and kind are read from the
 * header before anything is decoded. Throws a PictureFileError.
 */
export async function decodePicture(file: Uint8Array): Promise<Picture> {
  if (!beginsAsPicture(file))
    throw new PictureFileError('not_a_picture', 'The file is not a PNG, JPEG or WebP picture, whatever its name says');
  const options = { limitInputPixels: PIXEL_LIMIT, failOn: 'error', sequentialRead: true } as const;
  let head: Metadata;
  try {
    head = await sharp(file, { ...options, limitInputPixels: false }).metadata();
  } catch (error) {
    throw complaint(error);
  }
  const { width = 0, height = 0 } = head;
  if (width > SIDE_LIMIT_PX || height > SIDE_LIMIT_PX || width * height > PIXEL_LIMIT)
    throw new PictureFileError(
      'too_large',
      `The picture is ${width} x ${height} px; at most ${SIDE_LIMIT_PX} px a side and ${PIXEL_LIMIT / 1e6} million pixels are taken: bring in a smaller one`,
    );
  try {
    const { data, info } = await sharp(file, options)
      .rotate()
      .toColourspace('srgb')
      .ensureAlpha()
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    if (info.width < 8 || info.height < 8)
      throw new PictureFileError('too_small', 'The picture is smaller than 8 px: bring in a larger one');
    const rgba = new Uint8ClampedArray(data.buffer, data.byteOffset, data.byteLength);
    return { widthPx: info.width, heightPx: info.height, rgba };
  } catch (error) {
    throw error instanceof PictureFileError ? error : complaint(error);
  }
}

/** Encodes a picture as PNG, without any data but its pixels. */
export function encodePng({ widthPx, heightPx, rgba }: Picture): Promise<Buffer> {
  let opaque = true;
  for (let i = 3; i < rgba.length && opaque; i += 4) opaque = rgba[i] === 255;
  const image = sharp(Buffer.from(rgba.buffer, rgba.byteOffset, rgba.byteLength), {
    raw: { width: widthPx, height: heightPx, channels: 4 },
  });
  return (opaque ? image.removeAlpha() : image).png({ compressionLevel: 6, adaptiveFiltering: false }).toBuffer();
}
