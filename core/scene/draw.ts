import { hexToRgb } from '../colour';
import {
  flatten,
  mapContour,
  scaleAndMove,
  strokeRings,
  unionFine,
  evenOddFine,
  type Contour,
  type FillRule,
} from '../path';
import { blankPicture, blurred, cover, layColour, layPaint, type Cover, type Picture } from '../raster';
import { colourIn, mapGradient, shadeIn, type Artwork, type Gradient } from '../vector';
import {
  isApart,
  layered,
  sceneOf,
  type Scene,
  type SceneEffect,
  type SceneLayer,
  type SceneNode,
  type SceneShape,
} from './scene';

/** How far flattened outlines stray, in px of the picture. */
const FLAT_PX = 0.1;

/** Draws a scene on a transparent picture whose longer side is `sidePx`, anti-aliased by exact area coverage. */
export function drawScene(scene: Scene, sidePx: number): Picture {
  const scale = sidePx / Math.max(scene.widthPx, scene.heightPx);
  const size = [scene.widthPx, scene.heightPx].map((v) => Math.max(1, Math.round(v * scale))) as [number, number];
  const map = scaleAndMove(scale, 0, 0);
  const outlines = (contours: readonly Contour[]) => contours.map((c) => flatten(mapContour(map, c), FLAT_PX));
  const coverOf = (contours: readonly Contour[], rule: FillRule): Cover | null =>
    cover(rule === 'evenodd' ? evenOddFine(outlines(contours)) : outlines(contours), ...size);

  function layShape(picture: Picture, { contours, rule, paint, opacity, line }: SceneShape): void {
    const covered = line
      ? cover(
          unionFine(
            strokeRings(
              contours.map((c) => mapContour(map, c)),
              {
                ...line,
                widthPx: line.widthPx * scale,
                dash: line.dash?.map((d) => d * scale),
                dashOffset: (line.dashOffset ?? 0) * scale,
              },
              FLAT_PX,
            ),
          ),
          ...size,
        )
      : coverOf(contours, rule);
    if (!covered) return;
    if (paint.gradient) layPaint(picture, covered, paintFor(mapGradient(map, paint.gradient)), opacity);
    else layColour(picture, covered, hexToRgb(paint.hex), opacity);
  }

  function layLayer(picture: Picture, layer: SceneLayer, nodes: readonly SceneNode[]): void {
    if (!isApart(layer)) return layAll(picture, nodes);
    let own = blankPicture(...size);
    layAll(own, nodes);
    for (const effect of layer.effects) own = withEffect(own, effect, scale);
    if (layer.clip) {
      const seen = new Float32Array(size[0] * size[1]);
      for (const { contours, rule } of layer.clip) {
        const c = coverOf(contours, rule);
        if (!c) continue;
        for (let y = 0; y < c.heightPx; y++)
          for (let x = 0; x < c.widthPx; x++) {
            const i = (y + c.y0) * size[0] + x + c.x0;
            seen[i] = Math.max(seen[i], c.share[y * c.widthPx + x]);
          }
      }
      for (let i = 0; i < seen.length; i++) own.rgba[4 * i + 3] *= seen[i];
    }
    if (layer.mask) {
      const mask = blankPicture(...size);
      layAll(mask, layered(layer.mask));
      const { rgba } = mask;
      for (let i = 0; i < rgba.length; i += 4) {
        const light =
          layer.mask.by === 'light' ? (0.2126 * rgba[i] + 0.7152 * rgba[i + 1] + 0.0722 * rgba[i + 2]) / 255 : 1;
        own.rgba[i + 3] *= (light * rgba[i + 3]) / 255;
      }
    }
    layPicture(picture, own, layer.opacity);
  }

  function layAll(picture: Picture, nodes: readonly SceneNode[]): void {
    for (const node of nodes)
      if (node.kind === 'shape') layShape(picture, node.shape);
      else layLayer(picture, node.layer, node.nodes);
  }

  const picture = blankPicture(...size);
  layAll(picture, layered(scene));
  return picture;
}

/** Opacities are looked for only where a gradient has some. */
const paintFor = (gradient: Gradient) =>
  gradient.stops.some((s) => s.opacity !== undefined) ? shadeIn(gradient) : colourIn(gradient);

/** Draws an artwork on a transparent picture whose longer side is `sidePx`. */
export const renderArtwork = (artwork: Artwork, sidePx: number): Picture =>
  drawScene(sceneOf(artwork, { strokes: 'kept' }), sidePx);

/** Lays a picture over another of the same size, in place. */
function layPicture(onto: Picture, { rgba }: Picture, opacity: number): void {
  const to = onto.rgba;
  for (let i = 0; i < rgba.length; i += 4) {
    const t = (rgba[i + 3] / 255) * opacity;
    if (t <= 0) continue;
    const below = (to[i + 3] / 255) * (1 - t);
    const whole = t + below;
    for (let c = 0; c < 3; c++) to[i + c] = (rgba[i + c] * t + to[i + c] * below) / whole;
    to[i + 3] = whole * 255;
  }
}

/** A picture after one soft effect; lengths are brought to its scale. */
function withEffect(picture: Picture, effect: SceneEffect, scale: number): Picture {
  if (effect.kind === 'blur') return blurred(picture, effect.radiusPx * scale);
  const { widthPx: w, heightPx: h, rgba } = picture;
  const shadow = blankPicture(w, h);
  const [r, g, b] = hexToRgb(effect.hex);
  const [dx, dy] = [Math.round(effect.dxPx * scale), Math.round(effect.dyPx * scale)];
  for (let y = Math.max(0, dy); y < Math.min(h, h + dy); y++)
    for (let x = Math.max(0, dx); x < Math.min(w, w + dx); x++) {
      const o = 4 * (y * w + x);
      shadow.rgba[o] = r;
      shadow.rgba[o + 1] = g;
      shadow.rgba[o + 2] = b;
      shadow.rgba[o + 3] = rgba[4 * ((y - dy) * w + x - dx) + 3];
    }
  const out = blankPicture(w, h);
  layPicture(out, blurred(shadow, effect.blurPx * scale), effect.opacity);
  layPicture(out, picture, 1);
  return out;
}
