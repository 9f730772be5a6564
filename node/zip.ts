/** Zips that are written as their files come, so that none of them is held in memory. */
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { promisify } from 'node:util';
import { crc32, deflateRaw, inflateRawSync } from 'node:zlib';
import { Zip, type ZipInputFile } from 'fflate';

/** Files that are packed already gain nothing. */
const PACKED = /\.(png|jpe?g|ico|pdf)$/;

/** A file as a zip holds it: once packed it is the same bytes in every zip, whatever packs later. */
export interface Packed {
  /** Of the file itself. */
  readonly bytes: number;
  readonly crc: number;
  /** 0 as it is, 8 deflated. */
  readonly method: 0 | 8;
  readonly content: Uint8Array;
}

const deflated = promisify(deflateRaw);

export async function packed(name: string, bytes: Uint8Array): Promise<Packed> {
  const whole = { bytes: bytes.length, crc: crc32(bytes) };
  if (!PACKED.test(name)) {
    const content = await deflated(bytes, { level: 9 });
    if (content.length < bytes.length) return { ...whole, method: 8, content };
  }
  return { ...whole, method: 0, content: bytes };
}

export const unpacked = ({ method, content }: Pick<Packed, 'method' | 'content'>): Uint8Array =>
  method === 8 ? inflateRawSync(content) : content;

export interface ZipStream {
  readonly add: (name: string, file: Packed) => void;
  readonly end: () => void;
}

/**
 * Writes a zip. All its files carry a day (ISO), so that the same files give the same bytes: zip keeps local time, and noon keeps the day wherever it is read.
 */
export function zipStream(date: string, write: (chunk: Uint8Array) => void): ZipStream {
  const mtime = new Date(`${date}T12:00:00`);
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    write(chunk);
  });
  return {
    add(name, { bytes, crc, method, content }) {
      const entry: ZipInputFile = { filename: name, size: bytes, crc, compression: method, mtime };
      zip.add(entry);
      entry.ondata!(null, new Uint8Array(content), true);
    },
    end: () => zip.end(),
  };
}

export interface ZipFile {
  /** Adds a file. Throws what went wrong with writing, such as a full disk. */
  readonly put: (name: string, bytes: Uint8Array) => Promise<void>;
  /** Ends it; only now the file has its name. */
  readonly end: () => Promise<void>;
  /** Takes away what was written. */
  readonly drop: () => Promise<void>;
}

/** Begins a zip in a file. */
export async function zipFile(path: string, date: string): Promise<ZipFile> {
  const partial = `${path}.part`;
  const file = createWriteStream(partial);
  await once(file, 'open');
  let failed: Error | null = null;
  file.on('error', (error) => (failed = error));
  const zip = zipStream(date, (chunk) => file.write(chunk));
  return {
    async put(name, bytes) {
      zip.add(name, await packed(name, bytes));
      if (file.writableNeedDrain && !failed) await once(file, 'drain');
      if (failed) throw failed;
    },
    async end() {
      zip.end();
      await new Promise<void>((done, fail) => {
        file.once('error', fail);
        file.end(() => done());
      });
      if (failed) throw failed;
      await rename(partial, path);
    },
    async drop() {
      file.destroy();
      await rm(partial, { force: true });
    },
  };
}
