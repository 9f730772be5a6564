import { Resvg } from '@resvg/resvg-js';

const drawn = (svg: string, fitTo: { mode: 'width' | 'height'; value: number }): Buffer =>
  new Resvg(svg, { fitTo, font: { loadSystemFonts: false } }).render().asPng();

/** Draws an SVG of ours as PNG, its longer side `sidePx`, on nothing. */
export const drawSvg = (svg: string, widthPx: number, heightPx: number, sidePx: number): Buffer =>
  drawn(svg, { mode: widthPx >= heightPx ? 'width' : 'height', value: sidePx });

/** The same, so many pixels wide. */
export const drawSvgWide = (svg: string, widthPx: number): Buffer => drawn(svg, { mode: 'width', value: widthPx });
