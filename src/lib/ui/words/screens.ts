/** Side in pixels that a screen of an app is shrunk to: enough for its colours. */
const SIDE_PX = 160;

/** A picture file as a small PNG in base64. Throws where it is no picture that the browser can read. */
export async function pngOf(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file);
  const k = Math.min(1, SIDE_PX / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(picture.width * k)), Math.max(1, Math.round(picture.height * k))); // prettier-ignore
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
  return btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''));
}
