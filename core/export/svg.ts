import { decimalsFor, formatPath, plainShapeOf, shortNumber, type Contour, type StrokeStyle } from '../path';
import {
  layered,
  sceneOf,
  type Scene,
  type SceneEffect,
  type SceneLayer,
  type SceneNode,
  type SceneShape,
} from '../scene';
import type { Artwork, Gradient } from '../vector';
import { escapeXml, idOf } from './names';

export interface SvgOptions {
  readonly title?: string;
  readonly description?: string;
  /** A ground colour laid below everything. */
  readonly groundHex?: string;
  /** Pretty line ends between groups; off for the smallest file. */
  readonly lines?: boolean;
  /** The upper left corner of what is shown, where that is not 0, 0. */
  readonly origin?: readonly [number, number];
  /** Decimals of coordinates; two, and more for drawings in large units, when left out. */
  readonly decimals?: number;
}

/** Numbers as they stand in a file, with so many decimals. */
type Num = (value: number) => string;

const at = (num: Num, name: string, v: number): string => (num(v) === '0' ? '' : ` ${name}="${num(v)}"`);

/** Outlines as the plainest element that draws them, its end left open for attributes: a circle, an ellipse, an upright rectangle, else a path. */
function elementOf(contours: readonly Contour[], rule: string, num: Num, decimals: number): string {
  const plain = contours.length === 1 ? plainShapeOf(contours[0], 1.5 * 10 ** -decimals) : null;
  switch (plain?.kind) {
    case 'circle':
      return `<circle cx="${num(plain.cx)}" cy="${num(plain.cy)}" r="${num(plain.r)}"`;
    case 'ellipse': {
      const { cx, cy, rx, ry, turnDeg } = plain;
      const turn = turnDeg ? ` transform="rotate(${num(turnDeg)} ${num(cx)} ${num(cy)})"` : '';
      return `<ellipse cx="${num(cx)}" cy="${num(cy)}" rx="${num(rx)}" ry="${num(ry)}"${turn}`;
    }
    case 'rectangle': {
      const { x, y, width, height, r } = plain;
      return `<rect${at(num, 'x', x)}${at(num, 'y', y)} width="${num(width)}" height="${num(height)}"${at(num, 'rx', r)}`;
    }
    default:
      return `<path${rule === 'evenodd' ? ' fill-rule="evenodd"' : ''} d="${formatPath(contours, decimals)}"`;
  }
}

/** A gradient as an SVG element, in the scene's own pixels. */
function gradientElement(id: string, gradient: Gradient, num: Num): string {
  const { kind, from, to, stops, focus, transform, spread } = gradient;
  const share = (v: number) => Number(v.toFixed(4));
  const inner = stops
    .map(
      ({ at: offset, hex, opacity }) =>
        `<stop offset="${share(offset)}" stop-color="${hex}"${opacity === undefined ? '' : ` stop-opacity="${share(opacity)}"`}/>`,
    )
    .join('');
  const [[x1, y1], [x2, y2]] = [from, to].map((p) => p.map(num));
  let more = '';
  if (focus) more += ` fx="${num(focus[0])}" fy="${num(focus[1])}"`;
  if (spread) more += ` spreadMethod="${spread}"`;
  if (transform) more += ` gradientTransform="matrix(${transform.map((v) => Number(v.toPrecision(7))).join(' ')})"`;
  const units = `id="${id}" gradientUnits="userSpaceOnUse"`;
  return kind === 'linear'
    ? `<linearGradient ${units} x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}"${more}>${inner}</linearGradient>`
    : `<radialGradient ${units} cx="${x1}" cy="${y1}" r="${num(Math.hypot(to[0] - from[0], to[1] - from[1]))}"${more}>${inner}</radialGradient>`;
}

const CAPS = { butt: '', round: ' stroke-linecap="round"', square: ' stroke-linecap="square"' };
const JOINS = { mitre: '', round: ' stroke-linejoin="round"', bevel: ' stroke-linejoin="bevel"' };

const lineAttributes = ({ widthPx, cap, join, mitreLimit, dash, dashOffset }: StrokeStyle, num: Num): string =>
  ` stroke-width="${num(widthPx)}"${CAPS[cap]}${JOINS[join]}` +
  (join === 'mitre' && mitreLimit !== 4 ? ` stroke-miterlimit="${num(mitreLimit)}"` : '') +
  (dash?.length ? ` stroke-dasharray="${dash.map(num).join(' ')}"` : '') +
  (dashOffset ? ` stroke-dashoffset="${num(dashOffset)}"` : '');

/** A filter for soft effects; its region is the whole drawing and as much again about it. */
function filterElement(
  id: string,
  effects: readonly SceneEffect[],
  { widthPx: w, heightPx: h }: Scene,
  num: Num,
): string {
  const region = `x="${num(-w)}" y="${num(-h)}" width="${num(3 * w)}" height="${num(3 * h)}"`;
  let steps = '';
  let source = 'SourceGraphic';
  effects.forEach((effect, k) => {
    const result = `e${k}`;
    if (effect.kind === 'blur')
      steps += `<feGaussianBlur in="${source}" stdDeviation="${num(effect.radiusPx)}" result="${result}"/>`;
    else
      steps +=
        `<feOffset in="${source}" dx="${num(effect.dxPx)}" dy="${num(effect.dyPx)}"/><feGaussianBlur stdDeviation="${num(effect.blurPx)}" result="s${k}"/>` +
        `<feFlood flood-color="${effect.hex}" flood-opacity="${Number(effect.opacity.toFixed(4))}"/><feComposite in2="s${k}" operator="in"/>` +
        `<feMerge result="${result}"><feMergeNode/><feMergeNode in="${source}"/></feMerge>`;
    source = result;
  });
  return `<filter id="${id}" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB" ${region}>${steps}</filter>`;
}

/** What shapes that follow one another must share to stand in one group. */
const keyOf = ({ paint, opacity, line }: SceneShape): string =>
  JSON.stringify([paint.inkId, paint.gradient ?? null, opacity, line ?? null]);

/**
 * A scene as SVG 1.1: one named group for each run of shapes of one ink, title and description, no scripts, styles or links; gradients, clips and
 * filters are defined before them. An ink whose shapes lie at several depths gets a numbered group for each depth.
 */
export function sceneToSvg(scene: Scene, options: SvgOptions = {}): string {
  const { widthPx, heightPx, shapes } = scene;
  const nl = options.lines === false ? '' : '\n';
  const decimals = options.decimals ?? decimalsFor(Math.max(widthPx, heightPx));
  const num: Num = (v) => shortNumber(v, decimals);
  const [w, h] = [num(widthPx), num(heightPx)];
  const named = options.title !== undefined;
  const used = new Set(['title', 'desc', 'ground']);
  const idFrom = (base: string): string => {
    let id = base;
    for (let n = 2; used.has(id); n++) id = `${base}-${n}`;
    used.add(id);
    return id;
  };
  let definitions = '';
  const paints = new Map<string, string>();
  function paintOf({ paint }: SceneShape): string {
    if (!paint.gradient) return paint.hex;
    const key = JSON.stringify(paint.gradient);
    let id = paints.get(key);
    if (!id) {
      paints.set(key, (id = idFrom(`${idOf(paint.name)}-gradient`)));
      definitions += gradientElement(id, paint.gradient, num) + nl;
    }
    return `url(#${id})`;
  }
  // Gradients come first, in the order of the stack.
  shapes.forEach(paintOf);

  function layerAttributes({ name, opacity, effects, clip, mask, nodeId }: SceneLayer): string {
    let out = name ? ` id="${idFrom(idOf(name))}"` : '';
    if (opacity < 1) out += ` opacity="${Number(opacity.toFixed(4))}"`;
    if (clip) {
      const id = idFrom(`${idOf(name ?? nodeId)}-clip`);
      const inner = clip
        .map(
          ({ contours, rule }) =>
            `<path${rule === 'evenodd' ? ' clip-rule="evenodd"' : ''} d="${formatPath(contours, decimals)}"/>`,
        )
        .join('');
      definitions += `<clipPath id="${id}">${inner}</clipPath>${nl}`;
      out += ` clip-path="url(#${id})"`;
    }
    if (mask) {
      const id = idFrom(`${idOf(name ?? nodeId)}-mask`);
      const region = `x="${num(-widthPx)}" y="${num(-heightPx)}" width="${num(3 * widthPx)}" height="${num(3 * heightPx)}"`;
      const kind = mask.by === 'opacity' ? ' mask-type="alpha"' : '';
      mask.shapes.forEach(paintOf);
      const inner = written(layered(mask));
      definitions += `<mask id="${id}" maskUnits="userSpaceOnUse"${kind} ${region}>${nl}${inner}</mask>${nl}`;
      out += ` mask="url(#${id})"`;
    }
    if (effects.length) {
      const id = idFrom(`${idOf(name ?? nodeId)}-soft`);
      definitions += filterElement(id, effects, scene, num) + nl;
      out += ` filter="url(#${id})"`;
    }
    return out;
  }

  function written(nodes: readonly SceneNode[]): string {
    let out = '';
    for (let i = 0; i < nodes.length;) {
      const node = nodes[i];
      if (node.kind === 'layer') {
        const attributes = layerAttributes(node.layer);
        out += `<g${attributes}>${nl}${written(node.nodes)}</g>${nl}`;
        i++;
        continue;
      }
      const { shape } = node;
      const key = keyOf(shape);
      const opacity = Number(shape.opacity.toFixed(4));
      const paint = paintOf(shape);
      const look = shape.line
        ? ` fill="none" stroke="${paint}"${opacity < 1 ? ` stroke-opacity="${opacity}"` : ''}${lineAttributes(shape.line, num)}`
        : ` fill="${paint}"${opacity < 1 ? ` fill-opacity="${opacity}"` : ''}`;
      out += `<g id="${idFrom(idOf(shape.paint.name))}"${look}>${nl}`;
      for (; i < nodes.length; i++) {
        const next = nodes[i];
        if (next.kind !== 'shape' || keyOf(next.shape) !== key) break;
        const { contours, rule, name } = next.shape;
        out += elementOf(contours, rule, num, decimals) + (name ? ` id="${idFrom(idOf(name))}"` : '') + `/>${nl}`;
      }
      out += `</g>${nl}`;
    }
    return out;
  }

  const body = written(layered(scene));
  let out = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${(options.origin ?? [0, 0]).map(num).join(' ')} ${w} ${h}" width="${w}" height="${h}"`;
  if (named) out += ` role="img" aria-labelledby="title${options.description ? ' desc' : ''}"`;
  out += `>${nl}`;
  if (named) out += `<title id="title">${escapeXml(options.title!)}</title>${nl}`;
  if (options.description) out += `<desc id="desc">${escapeXml(options.description)}</desc>${nl}`;
  if (options.groundHex) out += `<path id="ground" fill="${options.groundHex}" d="M0 0H${w}V${h}H0Z"/>${nl}`;
  if (definitions) out += `<defs>${nl}${definitions}</defs>${nl}`;
  return out + body + `</svg>${nl}`;
}

/** An artwork as SVG, its lines kept as lines. */
export const artworkToSvg = (artwork: Artwork, options: SvgOptions = {}): string =>
  sceneToSvg(sceneOf(artwork, { strokes: 'kept' }), options);
