/** Icons in one file, and names that are fit for XML. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { icoOf } from './ico';
import { escapeXml, idOf } from './names';

describe('an icon file', () => {
  it('has each picture where its entry says, whole', () => {
    const side = fc.integer({ min: 1, max: 256 });
    fc.assert(
      fc.property(fc.array(fc.tuple(side, fc.uint8Array({ minLength: 1, maxLength: 40 })), { maxLength: 6 }), (list) => {
        const file = icoOf(list.map(([sidePx, png]) => ({ sidePx, png })));
        const view = new DataView(file.buffer);
        expect([view.getUint16(0, true), view.getUint16(2, true), view.getUint16(4, true)]).toEqual([0, 1, list.length]);
        list.forEach(([sidePx, png], k) => {
          const entry = 6 + 16 * k;
          // A side of 256 px is written as 0.
          expect(view.getUint8(entry)).toBe(sidePx === 256 ? 0 : sidePx);
          expect(view.getUint16(entry + 6, true)).toBe(32);
          const [size, from] = [view.getUint32(entry + 8, true), view.getUint32(entry + 12, true)];
          expect([...file.subarray(from, from + size)]).toEqual([...png]);
        });
        expect(file.length).toBe(6 + list.reduce((sum, [, png]) => sum + 16 + png.length, 0));
      }),
    );
  }); // prettier-ignore

  it('refuses sides that it cannot hold', () => {
    for (const sidePx of [0, -1, 257, NaN]) expect(() => icoOf([{ sidePx, png: new Uint8Array(1) }])).toThrow(RangeError);
  }); // prettier-ignore
});

describe('text in XML', () => {
  it('has nothing left that would end an attribute or an element, or that XML forbids', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const safe = escapeXml(text);
        expect(safe).not.toMatch(/[<>"'\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/);
        expect(safe.replace(/&#\d+;/g, '')).not.toMatch(/&/);
        // What was escaped is what was there.
        const back = safe.replace(/&#(\d+);/g, (_, code: string) => String.fromCharCode(Number(code)));
        expect(back).toBe(text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, ''));
      }),
    );
  });

  it('has names that begin with a letter', () => {
    expect(idOf('Lamp Yellow')).toBe('lamp-yellow');
    expect(idOf('  Été 2027 ')).toBe('e-te-2027');
    expect(idOf('3 inks')).toBe('ink-3-inks');
    expect(idOf('!!')).toBe('ink-x');
    fc.assert(
      fc.property(fc.string(), (name) => {
        expect(idOf(name)).toMatch(/^[a-z][a-z0-9-]*$/);
      }),
    );
  });
});
