import { rgbToHex } from '../colour';
import type { Picture } from '../raster';
import { compose, kindOf, stageFor, type SceneRequest } from './compose';
import { buildFigure } from './build';
import { placed } from './figure';
import { cellsOf, type Cell } from './sheet';
import type { Layer } from './layer';
import { RequestError } from './limits';
import { paint } from './paint';
import type { Recipe } from './recipe';
import { finished } from './stage';
import { isThing } from './things';

/** A marked area in shares 0..1 of the picture's width and height. */
export interface RedoArea {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Pixels at the area's edge over which old and new run into each other, at a picture of 1024 px. */
const SEAM_PX = 8;

/** The colour that most of the area's border has: what new things in it stand on. */
function colourRound(
  { rgba, widthPx: w, heightPx: h }: Picture,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
): string {
  const votes = new Map<number, number>();
  const vote = (x: number, y: number): void => {
    const i = (Math.max(0, Math.min(h - 1, y)) * w + Math.max(0, Math.min(w - 1, x))) * 4;
    const key = ((rgba[i] >> 2) << 12) | ((rgba[i + 1] >> 2) << 6) | (rgba[i + 2] >> 2);
    votes.set(key, (votes.get(key) ?? 0) + 1);
  };
  for (let x = x0; x <= x1; x += 2) {
    vote(x, y0);
    vote(x, y1);
  }
  for (let y = y0; y <= y1; y += 2) {
    vote(x0, y);
    vote(x1, y);
  }
  const [[key]] = [...votes].sort((p, q) => q[1] - p[1]);
  const near: number[][] = [];
  for (let y = Math.max(0, y0); y < Math.min(h, y1); y += 3)
    for (const x of [x0, x1 - 1]) {
      const i = (y * w + Math.max(0, Math.min(w - 1, x))) * 4;
      if ((((rgba[i] >> 2) << 12) | ((rgba[i + 1] >> 2) << 6) | (rgba[i + 2] >> 2)) === key)
        near.push([rgba[i], rgba[i + 1], rgba[i + 2]]);
    }
  const pick = near.length ? near[near.length >> 1] : [(key >> 12) << 2, ((key >> 6) & 63) << 2, (key & 63) << 2];
  return rgbToHex([pick[0], pick[1], pick[2]]);
}

/** Lays `fresh` over `old` inside a box of pixels, running into each other within a seam inside its edge. */
function laid(old: Picture, fresh: Picture, x0: number, y0: number, x1: number, y1: number, seam: number): Picture {
  const { widthPx: w, heightPx: h } = old;
  const rgba = old.rgba.slice();
  for (let y = Math.max(0, y0); y < Math.min(h, y1); y++)
    for (let x = Math.max(0, x0); x < Math.min(w, x1); x++) {
      // At the picture's own border there is nothing to run into.
      const d = Math.min(
        x0 > 0 ? x - x0 : seam,
        x1 < w ? x1 - 1 - x : seam,
        y0 > 0 ? y - y0 : seam,
        y1 < h ? y1 - 1 - y : seam,
      );
      const t = Math.min(1, (d + 0.5) / seam);
      const i = (y * w + x) * 4;
      for (let c = 0; c < 3; c++) rgba[i + c] = old.rgba[i + c] + (fresh.rgba[i + c] - old.rgba[i + c]) * t;
      rgba[i + 3] = 255;
    }
  return { widthPx: w, heightPx: h, rgba };
}

/**
 * Makes one area of a picture again. On a sheet whose recipe is known, whole cells are made again in the same hand; elsewhere a figure
 * that the words newly name is put into the area, or the area is taken from a near relation of the picture. Nothing outside the area
 * changes.
 */
export function redraw(
  old: Picture,
  area: RedoArea,
  request: SceneRequest,
  parent: Recipe | null,
  onProgress: (done: number, picture?: Picture) => void,
): Picture {
  const { widthPx: w, heightPx: h } = old;
  const sane = [area.x, area.y, area.width, area.height].every((v) => Number.isFinite(v));
  if (
    !sane ||
    area.x < 0 ||
    area.y < 0 ||
    area.x + area.width > 1.0001 ||
    area.y + area.height > 1.0001 ||
    area.width * w < 12 ||
    area.height * h < 12
  )
    throw new RequestError('bad_area', 'The area to redo lies within the picture and is at least 12 px wide and high');
  const aspect = w / h;
  const scale = Math.min(w, h) / 100;
  const seam = Math.max(1, (SEAM_PX * Math.max(w, h)) / 1024);
  const toPx = (v: number, axis: 'x' | 'y'): number => v * scale + (axis === 'x' ? w : h) / 2 - 50 * scale;
  const [x0, y0] = [Math.floor(area.x * w), Math.floor(area.y * h)];
  const [x1, y1] = [Math.ceil((area.x + area.width) * w), Math.ceil((area.y + area.height) * h)];
  const drawn = (layers: readonly Layer[], groundHex: string): Picture =>
    paint(layers, w, h, groundHex, (done, p) => onProgress(0.2 + 0.75 * done, p));

  const newFigures = request.parts.figures;
  const parentParts = request.parentParts;
  if (parent && parentParts && kindOf(parentParts, parent.kind) === 'icon sheet') {
    const cells = cellsOf({ parts: parentParts, aspect }).filter((c) => shareOfCell(c, area, w, h, toPx) > 0.3);
    if (cells.length && newFigures.length) {
      const stage = stageFor({
        ...request,
        parts: {
          ...request.parts,
          colours: parentParts.colours,
          ground: parentParts.ground,
          colourCount: parentParts.colourCount,
        },
        descent: parent.descent,
        leeway: parent.leeway,
        position: parent.position,
        aspect,
      });
      let out = old;
      cells.forEach((cell, i) => {
        const figure = newFigures[i % newFigures.length];
        const ground = colourRound(old, ...cellBox(cell, toPx));
        const copy = Math.floor(i / newFigures.length);
        const knobs = copy
          ? Object.assign((name: string) => stage.knobs(`${name}/copy${copy}`), stage.knobs)
          : stage.knobs;
        const thing = buildFigure(isThing(figure.drawn) ? figure.drawn : 'seed', {
          ...stage,
          knobs,
          leeway: copy ? 70 : Math.min(40, stage.leeway),
        });
        const layers = finished(
          { ...stage, knobs },
          placed(thing, { cx: cell.cx, cy: cell.cy, side: cell.side * 0.76, fill: 0.85 }),
          ground,
        );
        const [cx0, cy0, cx1, cy1] = cellBox(cell, toPx);
        out = laid(out, drawn(layers, ground), cx0, cy0, cx1, cy1, seam);
      });
      return out;
    }
  }
  const known = new Set((request.parentParts?.figures ?? []).map((f) => f.drawn));
  const named = newFigures.filter((f) => !known.has(f.drawn));
  if (named.length || !parent) {
    const ground = colourRound(old, x0, y0, x1, y1);
    const stage = stageFor({ ...request, aspect });
    const [figure] = named.length ? named : newFigures;
    const [cx, cy] = [((x0 + x1) / 2 - w / 2) / scale + 50, ((y0 + y1) / 2 - h / 2) / scale + 50];
    const side = (Math.min(x1 - x0, y1 - y0) / scale) * 0.82;
    if (!figure) return laid(old, drawn([], ground), x0, y0, x1, y1, seam);
    const thing = buildFigure(isThing(figure.drawn) ? figure.drawn : 'seed', stage);
    const fill = Math.min(1.6, Math.max(x1 - x0, y1 - y0) / Math.min(x1 - x0, y1 - y0));
    return laid(
      old,
      drawn(finished(stage, placed(thing, { cx, cy, side, fill: 0.8 * fill }), ground), ground),
      x0,
      y0,
      x1,
      y1,
      seam,
    );
  }
  const scene = compose({ ...request, aspect });
  return laid(old, drawn(scene.layers, scene.groundHex), x0, y0, x1, y1, seam);
}

const cellBox = (c: Cell, toPx: (v: number, axis: 'x' | 'y') => number): [number, number, number, number] => [
  Math.floor(toPx(c.cx - c.side / 2, 'x')),
  Math.floor(toPx(c.cy - c.side / 2, 'y')),
  Math.ceil(toPx(c.cx + c.side / 2, 'x')),
  Math.ceil(toPx(c.cy + c.side / 2, 'y')),
];

/** Share of a cell that a marked area covers. */
function shareOfCell(
  c: Cell,
  area: RedoArea,
  w: number,
  h: number,
  toPx: (v: number, axis: 'x' | 'y') => number,
): number {
  const [x0, y0, x1, y1] = cellBox(c, toPx);
  const wide = Math.min(x1, (area.x + area.width) * w) - Math.max(x0, area.x * w);
  const high = Math.min(y1, (area.y + area.height) * h) - Math.max(y0, area.y * h);
  return wide > 0 && high > 0 ? (wide * high) / ((x1 - x0) * (y1 - y0)) : 0;
}
