import { Resvg } from '@resvg/resvg-js';

/** Draws an SVG of ours as PNG, its longer side `sidePx`, on nothing. */
export function drawSvg(svg: string, widthPx: number, heightPx: number, sidePx: number): Buffer {
  const fitTo =
    widthPx >= heightPx ? { mode: 'width' as const, value: sidePx } : { mode: 'height' as const, value: sidePx };
  return new Resvg(svg, { fitTo, font: { loadSystemFonts: false } }).render().asPng();
}
