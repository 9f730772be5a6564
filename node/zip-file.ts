/** A zip that is written as its files come, so that none of it is held in memory. */
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

/** Files that are packed already gain nothing. */
const PACKED = /\.(png|jpe?g|ico|pdf)$/;

export interface ZipFile {
  /** Adds a file. Throws what went wrong with writing, such as a full disk. */
  readonly put: (name: string, bytes: Uint8Array) => Promise<void>;
  /** Ends it; only now the file has its name. */
  readonly end: () => Promise<void>;
  /** Takes away what was written. */
  readonly drop: () => Promise<void>;
}

/** Begins a zip; all its files carry a day (ISO), so that the same files give the same bytes. Zip keeps local time: noon keeps the day wherever it is read. */
export async function zipFile(path: string, date: string): Promise<ZipFile> {
  const partial = `${path}.part`;
  const file = createWriteStream(partial);
  await once(file, 'open');
  let failed: Error | null = null;
  file.on('error', (error) => (failed = error));
  const zip = new Zip((error, chunk) => {
    if (error) failed = error;
    else file.write(chunk);
  });
  const mtime = new Date(`${date}T12:00:00`);
  return {
    async put(name, bytes) {
      const entry = PACKED.test(name) ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 9 });
      entry.mtime = mtime;
      zip.add(entry);
      entry.push(bytes, true);
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
