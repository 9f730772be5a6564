/** Animated PNG (PNG Specification, third edition, 11.3.4): frames of one size, each over nothing. */
import { crc32 } from 'node:zlib';

interface Chunk {
  readonly type: string;
  readonly data: Buffer;
}

/** The chunks of a PNG file, in their order. */
export function chunksOf(png: Uint8Array): Chunk[] {
  const file = Buffer.from(png.buffer, png.byteOffset, png.byteLength);
  const out: Chunk[] = [];
  for (let at = 8; at + 12 <= file.length;) {
    const length = file.readUInt32BE(at);
    out.push({ type: file.toString('latin1', at + 4, at + 8), data: file.subarray(at + 8, at + 8 + length) });
    at += 12 + length;
  }
  return out;
}

/** A chunk as it stands in a PNG file. */
export const pngChunk = (type: string, data: Uint8Array): Buffer => {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  const check = Buffer.alloc(4);
  check.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, check]);
};

/** PNG pictures of one size and kind as the frames of one file; played once, or without end. */
export function apngOf(
  frames: readonly Uint8Array[],
  { framesASecond, loop }: { framesASecond: number; loop: boolean },
): Buffer {
  if (!frames.length) throw new RangeError('An animation has one frame or more');
  const all = frames.map(chunksOf);
  const head = all[0].find((c) => c.type === 'IHDR')!.data;
  const out = [Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]), pngChunk('IHDR', head)];
  const control = Buffer.alloc(8);
  control.writeUInt32BE(frames.length);
  control.writeUInt32BE(loop ? 0 : 1, 4);
  out.push(pngChunk('acTL', control));
  let sequence = 0;
  all.forEach((chunks, k) => {
    const frame = Buffer.alloc(26);
    frame.writeUInt32BE(sequence++);
    frame.writeUInt32BE(head.readUInt32BE(0), 4);
    frame.writeUInt32BE(head.readUInt32BE(4), 8);
    frame.writeUInt16BE(1, 20);
    frame.writeUInt16BE(framesASecond, 22);
    // Each takes the place of the one before: nothing is laid over it.
    out.push(pngChunk('fcTL', frame));
    const data = Buffer.concat(chunks.filter((c) => c.type === 'IDAT').map((c) => c.data));
    if (k === 0) out.push(pngChunk('IDAT', data));
    else {
      const number = Buffer.alloc(4);
      number.writeUInt32BE(sequence++);
      out.push(pngChunk('fdAT', Buffer.concat([number, data])));
    }
  });
  out.push(pngChunk('IEND', Buffer.alloc(0)));
  return Buffer.concat(out);
}
