/** Font files of all open formats as one that can be shaped with: read with care, since anybody may bring one in. */
import { unzlibSync } from 'fflate';
import { decompress } from 'wawoff2';

/** A file that cannot be taken as a face; the message says why in a sentence. */
export class FontFileError extends Error {
  override readonly name = 'FontFileError';
}

/** No file, and nothing that one unpacks to, is larger. */
const MOST_BYTES = 40_000_000;
/** Tables without which nothing can be set. */
const NEEDED = ['cmap', 'head', 'hhea', 'hmtx', 'maxp'] as const;
const OUTLINES = ['glyf', 'CFF ', 'CFF2'] as const;

const tagAt = (bytes: Uint8Array, at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));

/** WOFF as SFNT (W3C WOFF 1.0): each table is unpacked by itself. */
function fromWoff(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 44) throw new FontFileError('The font file is cut off');
  const count = view.getUint16(12);
  if (44 + 20 * count > bytes.length) throw new FontFileError('The font file is cut off');
  const tables: { tag: string; data: Uint8Array }[] = [];
  let size = 12 + 16 * count;
  for (let k = 0; k < count; k++) {
    const at = 44 + 20 * k;
    const [offset, packed, unpacked] = [4, 8, 12].map((d) => view.getUint32(at + d));
    if (offset + packed > bytes.length || unpacked > MOST_BYTES) throw new FontFileError('The font file is cut off');
    const own = bytes.subarray(offset, offset + packed);
    let data = own;
    if (packed < unpacked) {
      try {
        data = unzlibSync(own, { out: new Uint8Array(unpacked) });
      } catch {
        throw new FontFileError('The font file is broken: one of its tables cannot be unpacked');
      }
    }
    tables.push({ tag: tagAt(bytes, at), data });
    size += (data.length + 3) & ~3;
    if (size > MOST_BYTES) throw new FontFileError('The font file is too large');
  }
  const out = new Uint8Array(size);
  const to = new DataView(out.buffer);
  to.setUint32(0, view.getUint32(4));
  to.setUint16(4, count);
  const log = Math.floor(Math.log2(Math.max(1, count)));
  to.setUint16(6, 16 << log);
  to.setUint16(8, log);
  to.setUint16(10, 16 * count - (16 << log));
  let offset = 12 + 16 * count;
  tables.forEach(({ tag, data }, k) => {
    const at = 12 + 16 * k;
    for (let c = 0; c < 4; c++) out[at + c] = tag.charCodeAt(c);
    to.setUint32(at + 8, offset);
    to.setUint32(at + 12, data.length);
    out.set(data, offset);
    offset += (data.length + 3) & ~3;
  });
  return out;
}

/** Two WOFF2 files that are opened at once spoil one another: they wait for their turn. */
let turn: Promise<unknown> = Promise.resolve();
function fromWoff2(bytes: Uint8Array): Promise<Uint8Array> {
  const own = turn.then(async () => {
    try {
      // What it gives lies in its own memory, where the next file comes to lie.
      return new Uint8Array(await decompress(bytes));
    } catch {
      throw new FontFileError('The font file is broken: it cannot be unpacked');
    }
  });
  turn = own.catch(() => undefined);
  return own;
}

/** Looks whether a file has what setting needs, all of it within the file. */
function checked(sfnt: Uint8Array): Uint8Array {
  if (sfnt.length < 12) throw new FontFileError('The font file is cut off');
  const view = new DataView(sfnt.buffer, sfnt.byteOffset, sfnt.byteLength);
  const kind = tagAt(sfnt, 0);
  if (kind === 'ttcf') throw new FontFileError('This is a collection of fonts: bring in one of them by itself');
  if (kind !== 'OTTO' && kind !== 'true' && view.getUint32(0) !== 0x00010000)
    throw new FontFileError('This is no font file: bring in OTF, TTF, WOFF or WOFF2');
  const count = view.getUint16(4);
  if (12 + 16 * count > sfnt.length) throw new FontFileError('The font file is cut off');
  const tags = new Set<string>();
  for (let k = 0; k < count; k++) {
    const at = 12 + 16 * k;
    if (view.getUint32(at + 8) + view.getUint32(at + 12) > sfnt.length)
      throw new FontFileError('The font file is cut off');
    tags.add(tagAt(sfnt, at));
  }
  const missing = NEEDED.filter((t) => !tags.has(t));
  if (missing.length) throw new FontFileError(`The font file is broken: it has no table "${missing[0]}"`);
  if (!OUTLINES.some((t) => tags.has(t)))
    throw new FontFileError('This font has pictures or none for its letters, and no outlines');
  return sfnt;
}

/** The SFNT of a font file in OTF, TTF, WOFF or WOFF2. Throws a FontFileError. */
export async function openFontFile(bytes: Uint8Array): Promise<Uint8Array> {
  if (bytes.length > MOST_BYTES) throw new FontFileError('The font file is too large: at most 40 MB');
  const kind = bytes.length < 4 ? '' : tagAt(bytes, 0);
  if (kind === 'wOF2') return checked(await fromWoff2(bytes));
  if (kind === 'wOFF') return checked(fromWoff(bytes));
  return checked(bytes);
}
