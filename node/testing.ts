/** Files for tests that no encoder would write. */
import { deflateSync } from 'node:zlib';
import { pngChunk } from './apng';

/** A PNG of one bit a pixel, all black: small on disk, whatever its size. */
export function blackPng(widthPx: number, heightPx: number): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(widthPx, 0);
  head.writeUInt32BE(heightPx, 4);
  head.set([1, 0, 0, 0, 0], 8);
  const rows = Buffer.alloc((Math.ceil(widthPx / 8) + 1) * heightPx);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    pngChunk('IHDR', head),
    pngChunk('IDAT', deflateSync(rows, { level: 9 })),
    pngChunk('IEND', new Uint8Array()),
  ]);
}

/** An SFNT with other names (by their numbers in the name table) and another word about embedding (OS/2, fsType). */
export function fontSaying(sfnt: Uint8Array, names: Readonly<Record<number, string>>, fsType = 0): Uint8Array {
  const view = new DataView(sfnt.buffer, sfnt.byteOffset, sfnt.byteLength);
  const count = view.getUint16(4);
  const texts = Object.entries(names).map(([id, text]) => ({ id: Number(id), bytes: Buffer.from(text, 'utf16le').swap16() })); // prettier-ignore
  const head = Buffer.alloc(6 + 12 * texts.length);
  head.writeUInt16BE(texts.length, 2);
  head.writeUInt16BE(head.length, 4);
  let at = 0;
  texts.forEach(({ id, bytes }, k) => {
    [3, 1, 0x409, id, bytes.length, at].forEach((n, i) => head.writeUInt16BE(n, 6 + 12 * k + 2 * i));
    at += bytes.length;
  });
  const tables = Array.from({ length: count }, (_, k) => {
    const tag = Buffer.from(sfnt.subarray(12 + 16 * k, 16 + 16 * k)).toString('latin1');
    const from = view.getUint32(20 + 16 * k);
    let data = Buffer.from(sfnt.subarray(from, from + view.getUint32(24 + 16 * k)));
    if (tag === 'name') data = Buffer.concat([head, ...texts.map((t) => t.bytes)]);
    if (tag === 'OS/2') data.writeUInt16BE(fsType, 8);
    return { tag, data };
  });
  const out = [Buffer.from(sfnt.subarray(0, 12)), Buffer.alloc(16 * count)];
  let offset = 12 + 16 * count;
  tables.forEach(({ tag, data }, k) => {
    out[1].write(tag, 16 * k, 'latin1');
    out[1].writeUInt32BE(offset, 16 * k + 8);
    out[1].writeUInt32BE(data.length, 16 * k + 12);
    const padded = Buffer.concat([data, Buffer.alloc((4 - (data.length % 4)) % 4)]);
    out.push(padded);
    offset += padded.length;
  });
  return new Uint8Array(Buffer.concat(out));
}
