/** The objects of a PDF file and what holds them together (ISO 32000-1, 7.5). */
import { zlibSync } from 'fflate';

/** A reference to an object of the file. */
export type Ref = number;
export const ref = (id: Ref): string => `${id} 0 R`;

const bytesOf = (text: string): Uint8Array => {
  const out = new Uint8Array(text.length);
  for (let k = 0; k < text.length; k++) out[k] = text.charCodeAt(k);
  return out;
};

/** A text string as PDF holds it: UTF-16 with its mark, in hexadecimal. */
export function pdfText(text: string): string {
  let hex = 'FEFF';
  for (let k = 0; k < text.length; k++) hex += text.charCodeAt(k).toString(16).padStart(4, '0').toUpperCase();
  return `<${hex}>`;
}

/** A name object; what names may not have is escaped, byte by byte of UTF-8. */
export const pdfName = (name: string): string =>
  '/' +
  encodeURIComponent(name)
    .replace(/[()]/g, (c) => (c === '(' ? '%28' : '%29'))
    .replace(/%/g, '#');

/** What two files of different content differ in: FNV-1a over all bytes, twice with other beginnings. */
function fingerprint(parts: readonly Uint8Array[]): string {
  let [a, b] = [0x811c9dc5, 0x9dc5811c];
  for (const part of parts)
    for (const byte of part) {
      a = Math.imul(a ^ byte, 0x01000193);
      b = Math.imul(b ^ byte, 0x01000193) ^ (a >>> 7);
    }
  const hex = (v: number): string => (v >>> 0).toString(16).padStart(8, '0');
  return (hex(a) + hex(b) + hex(a ^ b) + hex(Math.imul(a, b) | 1)).toUpperCase();
}

export class PdfDocument {
  private readonly objects: (readonly Uint8Array[] | null)[] = [];

  /** Keeps a number for an object that is told later. */
  reserve(): Ref {
    return this.objects.push(null);
  }

  set(id: Ref, body: string): Ref {
    this.objects[id - 1] = [bytesOf(body)];
    return id;
  }

  add(body: string): Ref {
    return this.set(this.reserve(), body);
  }

  /** A stream, packed; `entries` are those of its dictionary beside length and filter. */
  stream(entries: string, content: string | Uint8Array): Ref {
    const packed = zlibSync(typeof content === 'string' ? bytesOf(content) : content, { level: 9 });
    const id = this.reserve();
    const head = bytesOf(`<< ${entries} /Length ${packed.length} /Filter /FlateDecode >>\nstream\n`);
    this.objects[id - 1] = [head, packed, bytesOf('\nendstream')];
    return id;
  }

  /** The whole file. */
  bytes(root: Ref, info: Ref): Uint8Array {
    const parts: Uint8Array[] = [bytesOf('%PDF-1.7\n%\u00e2\u00e3\u00cf\u00d3\n')];
    let at = parts[0].length;
    const put = (...bytes: readonly Uint8Array[]): void => {
      for (const b of bytes) {
        parts.push(b);
        at += b.length;
      }
    };
    const offsets: number[] = [];
    this.objects.forEach((body, k) => {
      if (!body) throw new Error(`object ${k + 1} was never told`);
      offsets.push(at);
      put(bytesOf(`${k + 1} 0 obj\n`), ...body, bytesOf('\nendobj\n'));
    });
    const id = fingerprint(parts);
    const xref = at;
    const rows = offsets.map((o) => `${String(o).padStart(10, '0')} 00000 n \n`).join('');
    put(
      bytesOf(
        `xref\n0 ${offsets.length + 1}\n0000000000 65535 f \n${rows}trailer\n<< /Size ${offsets.length + 1} /Root ${ref(root)} /Info ${ref(info)} /ID [<${id}> <${id}>] >>\nstartxref\n${xref}\n%%EOF\n`,
      ),
    );
    const out = new Uint8Array(at);
    let to = 0;
    for (const part of parts) {
      out.set(part, to);
      to += part.length;
    }
    return out;
  }
}
