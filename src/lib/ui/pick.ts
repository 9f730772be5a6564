/** The colour that is seen at a place of a drawing, given as the address of an SVG or picture, on a ground: what lies in the middle of that pixel. */
export async function colourSeen(
  href: string,
  sizePx: readonly [number, number],
  [x, y]: readonly [number, number],
  ground: string | null,
): Promise<string | null> {
  const image = new Image();
  image.src = href;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 1;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  if (ground) {
    context.fillStyle = ground;
    context.fillRect(0, 0, 1, 1);
  }
  context.drawImage(image, 0.5 - x, 0.5 - y, ...sizePx);
  const [r, g, b, a] = context.getImageData(0, 0, 1, 1).data;
  if (a < 128) return null;
  return '#' + [r, g, b].map((v) => v.toString(16).padStart(2, '0')).join('').toUpperCase(); // prettier-ignore
}
