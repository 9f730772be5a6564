/** Files for tests that no encoder would write. */
import { crc32, deflateSync } from 'node:zlib';

const chunk = (type: string, data: Uint8Array): Buffer => {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  const check = Buffer.alloc(4);
  check.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, check]);
};

/** A PNG of one bit a pixel, all black: small on disk, whatever its size. */
export function blackPng(widthPx: number, heightPx: number): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(widthPx, 0);
  head.writeUInt32BE(heightPx, 4);
  head.set([1, 0, 0, 0, 0], 8);
  const rows = Buffer.alloc((Math.ceil(widthPx / 8) + 1) * heightPx);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows, { level: 9 })),
    chunk('IEND', new Uint8Array()),
  ]);
}
