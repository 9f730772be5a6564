import { createHash } from 'node:crypto';
import type { Picture } from '$core/raster';
import { decodePicture, encodePng, PictureFileError } from '../../../node/pictures';
import { sql, type Sql } from './database';
import { Problem, unknown } from './problem';

export interface StoredPicture {
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** The largest file that may be brought in. */
export const UPLOAD_LIMIT_BYTES = 40 * 1024 * 1024;
export const SVG_LIMIT_BYTES = 20 * 1024 * 1024;

/** A file of somebody's as pixels. Throws a 422 Problem where it is none. */
export async function pictureFrom(file: Uint8Array): Promise<Picture> {
  try {
    return await decodePicture(file);
  } catch (error) {
    if (error instanceof PictureFileError) throw new Problem(422, error.code, error.message);
    throw error;
  }
}

/** A file of somebody's as a PNG of ours: decoded, so that nothing but pixels is left, and encoded again. Throws a 422 Problem. */
export async function reencode(file: Uint8Array): Promise<{ png: Buffer; widthPx: number; heightPx: number }> {
  const picture = await pictureFrom(file);
  return { png: await encodePng(picture), widthPx: picture.widthPx, heightPx: picture.heightPx };
}

/** Keeps a PNG under the SHA-256 of its bytes; one that is there already is left as it is. */
export async function storePicture(
  tx: Sql,
  png: Uint8Array,
  widthPx: number,
  heightPx: number,
): Promise<StoredPicture> {
  const id = createHash('sha256').update(png).digest('hex');
  await tx('insert into picture (id, width_px, height_px, png) values ($1, $2, $3, $4) on conflict (id) do nothing', [
    id,
    widthPx,
    heightPx,
    Buffer.from(png),
  ]);
  return { id, widthPx, heightPx };
}

export async function picturePng(id: string): Promise<Buffer> {
  const [row] = /^[0-9a-f]{64}$/.test(id)
    ? await sql<{ png: Buffer }>('select png from picture where id = $1', [id])
    : [];
  if (!row) throw unknown('picture');
  return row.png;
}

/** A request's body, refused as soon as it is over the limit. */
export async function readBody(request: Request, limitBytes = UPLOAD_LIMIT_BYTES): Promise<Buffer> {
  const tooLarge = () =>
    new Problem(
      413,
      'too_large',
      `The file is larger than ${limitBytes / 1024 / 1024} MB: bring in a smaller one; nothing else was changed`,
    );
  const said = request.headers.get('content-length');
  if (Number(said ?? 0) > limitBytes) throw tooLarge();
  if (!request.body) {
    // The server in front leaves out the body of a request that does not say what it is.
    if (Number(said ?? 0) > 0)
      throw new Problem(415, 'no_content_type', 'The request does not say what it brings: give it a content-type');
    return Buffer.alloc(0);
  }
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.byteLength;
      if (size > limitBytes) throw tooLarge();
      chunks.push(chunk);
    }
  } catch (error) {
    if (error instanceof Problem) throw error;
    // The server in front has a limit of its own, and says so in this way.
    if ((error as { status?: number }).status === 413) throw tooLarge();
    throw new Problem(400, 'upload_cut_off', 'The upload was cut off: nothing was changed; send it again');
  }
  if (said !== null && size < Number(said))
    throw new Problem(400, 'upload_cut_off', 'The upload was cut off: nothing was changed; send it again');
  return Buffer.concat(chunks);
}
