/** PNG pictures of one icon as an ICO file (the container that browsers ask sites for). Sides are 1 to 256 px. Throws a RangeError otherwise. */
export function icoOf(pictures: readonly { readonly sidePx: number; readonly png: Uint8Array }[]): Uint8Array {
  const head = 6 + 16 * pictures.length;
  const out = new Uint8Array(head + pictures.reduce((sum, p) => sum + p.png.length, 0));
  const view = new DataView(out.buffer);
  view.setUint16(2, 1, true);
  view.setUint16(4, pictures.length, true);
  let at = head;
  pictures.forEach(({ sidePx, png }, k) => {
    if (!(sidePx >= 1 && sidePx <= 256))
      throw new RangeError(`an icon of ${sidePx} px is none that this file can hold`);
    const entry = 6 + 16 * k;
    view.setUint8(entry, sidePx % 256);
    view.setUint8(entry + 1, sidePx % 256);
    view.setUint16(entry + 4, 1, true);
    view.setUint16(entry + 6, 32, true);
    view.setUint32(entry + 8, png.length, true);
    view.setUint32(entry + 12, at, true);
    out.set(png, at);
    at += png.length;
  });
  return out;
}
