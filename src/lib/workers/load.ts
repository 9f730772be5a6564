import type { Picture } from '$core/raster';

async function fetchBitmap(href: string): Promise<ImageBitmap | null> {
  const response = await fetch(href);
  if (!response.ok) return null;
  return createImageBitmap(await response.blob(), { premultiplyAlpha: 'none', colorSpaceConversion: 'none' });
}

/** Fetches a picture and decodes it to pixels, in a worker. Throws an Error with a sentence for the designer. */
export async function loadPicture(href: string): Promise<Picture> {
  const bitmap = await fetchBitmap(href).catch(() => null);
  if (!bitmap) throw new Error('The picture could not be loaded: reload the page to try again');
  const { width, height } = bitmap;
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { widthPx: width, heightPx: height, rgba: context.getImageData(0, 0, width, height).data };
}
