import Delaunator from 'delaunator';
import { mix, hexToOklab } from '../colour';
import { boundsOf, box, disc, massOf, turnedBy } from './area';
import {
  intersect,
  dense,
  EMPTY,
  grown,
  subtract,
  moved,
  rim,
  sizeOf,
  smoothed,
  roundedOff,
  sparse,
  union,
  withoutSpecks,
  type Area,
  type Box,
} from '../path';
import { outlineOf, seenParts, silhouetteOf, type Figure } from './figure';
import type { Knobs } from './knobs';
import { layerOf, scaled, type Layer } from './layer';
import { alongRings, leafArea } from './marks';
import type { Tint } from './tint';

/** What a finish is given: a figure in its place, its colours, and the candidate's chance. */
export interface Sitting {
  readonly figure: Figure;
  readonly tint: Tint;
  readonly knobs: Knobs;
  /** The unit of weights: 1 for a figure that fills the picture, less for a small one. */
  readonly u: number;
}
export type Draw = (sitting: Sitting) => Layer[];

/** Parts in their colours; where two of one colour meet, a gap of what is below keeps them apart. */
export function flatParts({ figure, tint, u }: Sitting, gap = 1.5): Layer[] {
  const out: Layer[] = [];
  const below = new Map<string, Area>();
  for (const [i, part] of figure.parts.entries()) {
    const hex = tint.hexOf[part.tone];
    const same = below.get(hex);
    // Where a colour of its own lies between, nothing needs setting off.
    const isOnOther = (): boolean => {
      const last = figure.parts.slice(0, i).findLast((p) => sizeOf(intersect(p.area, part.area)) > 0.9 * sizeOf(part.area)); // prettier-ignore
      return last !== undefined && tint.hexOf[last.tone] !== hex && tint.hexOf[last.tone] !== tint.on;
    };
    if (same && hex !== tint.on && sizeOf(intersect(same, part.area)) > 0.02 * sizeOf(part.area) && !isOnOther()) {
      // A part that only grows out of the one below joins it; one that lies on it is set off.
      if (sizeOf(subtract(part.area, same)) < 0.96 * sizeOf(part.area)) {
        const clear = grown(part.area, gap * u);
        // Painted over alone, it would leave a hairline of the colour along the edge of what has it.
        for (const [k, l] of out.entries()) if (l.fill === hex) out[k] = { ...l, area: subtract(l.area, clear) };
        out.push(layerOf(clear, tint.on, { clip: same }));
      }
    }
    out.push(layerOf(part.area, hex));
    below.set(hex, same ? union(same, part.area) : part.area);
  }
  return out;
}

export const flat: Draw = (s) => flatParts(s);

/** Light from one side: the far half of every part a step darker. */
export const splitTone: Draw = (s) => {
  const { figure, tint, knobs } = s;
  const b = boundsOf(outlineOf(figure));
  const axis = b.x + b.width * (0.5 + 0.04 * knobs.spread('split'));
  const half = box(axis, b.y - 5, b.width + 10, b.height + 10);
  const out = flatParts(s);
  const whole = outlineOf(figure);
  if (tint.strict) {
    const other = tint.inks[1] ?? tint.on;
    return [
      ...out,
      ...seenParts(figure)
        .filter((p) => tint.hexOf[p.tone] === tint.inks[0] && sizeOf(p.area) > 40)
        .map((p) => layerOf(intersect(p.area, half), other)),
    ];
  }
  if (tint.named)
    return [
      ...out,
      ...seenParts(figure)
        .filter((p) => tint.hexOf[p.tone] !== tint.on)
        .map((p) => layerOf(intersect(p.area, half), tint.shade(tint.hexOf[p.tone], -1))),
    ];
  return [...out, layerOf(intersect(half, whole), '#000000', { alpha: 0.17 })];
};

export const silhouette: Draw = ({ figure, tint, u }) => {
  const seen = seenParts(figure);
  const ink = tint.inks[0];
  const light = Math.max(...figure.tones);
  // What is light shows through; of the rest only borders between large parts are kept, as gaps.
  const holes = seen.filter(
    (p) =>
      figure.tones[p.tone] > 0.93 &&
      figure.tones[p.tone] === light &&
      sizeOf(p.area) < 420 &&
      tint.hexOf[p.tone] !== ink,
  );
  const small = figure.parts
    .slice(1)
    .filter(
      (p) => sizeOf(p.area) < 26 && sizeOf(p.area) > 1.5 && tint.hexOf[p.tone] !== tint.hexOf[figure.parts[0].tone],
    );
  const gaps = figure.parts
    .slice(1)
    .filter((p) => sizeOf(p.area) > 60)
    .map((p) => rim(p.area, 1.3 * u));
  const whole = silhouetteOf(figure);
  const inner = grown(whole, -1.1 * u);
  const cut = union(...holes.map((p) => p.area), ...gaps.map((g) => intersect(g, inner)), ...small.map((p) => p.area));
  return [layerOf(subtract(outlineOf(figure), withoutSpecks(cut, 1.2)), ink)];
};

export const stencil: Draw = ({ figure, tint, knobs, u }) => {
  const b = boundsOf(outlineOf(figure));
  const angle = knobs.pick('stencil/angle', [Math.PI / 2, Math.PI / 3, (2 * Math.PI) / 3]);
  const bars = union(
    ...[0.34, 0.66].map((t) => {
      const [x, y] = [b.x + b.width * t, b.y + b.height * (0.4 + 0.2 * t)];
      return turnedBy(box(x - 120, y - 0.85 * u, 240, 1.7 * u), angle, x, y);
    }),
  );
  return seenParts(figure)
    .filter((p) => tint.hexOf[p.tone] !== tint.on)
    .map((p) => {
      const shrunk = grown(p.area, -0.8 * u);
      return layerOf(sizeOf(p.area) > 150 ? subtract(shrunk, bars) : shrunk, tint.hexOf[p.tone]);
    });
};

/** Sheets of paper on one another, cut with scissors: straight snips, and each sheet's shadow on those below. */
export const cutPaper: Draw = ({ figure, tint, u, knobs }) => {
  const lift = 0.9 + 0.8 * knobs('paper/lift');
  return figure.parts.flatMap((part): Layer[] => {
    const hex = tint.hexOf[part.tone];
    const sheet = sizeOf(part.area) > 30 ? sparse(part.area, 0.55 * u) : part.area;
    if (hex === tint.on && tint.strict) return [layerOf(sheet, hex)];
    if (tint.strict) return [layerOf(grown(sheet, 0.9 * u), tint.on), layerOf(sheet, hex)];
    const shadow = moved(sheet, [1, 0, 0, 1, 0.7 * lift * u, 1.1 * lift * u]);
    return [
      layerOf(shadow, '#000000', { soft: 0.9 * u, alpha: 0.3 }),
      layerOf(sheet, hex),
      layerOf(subtract(sheet, moved(sheet, [1, 0, 0, 1, 0.3 * u, 0.4 * u])), tint.shade(hex, 1), { alpha: 0.8 }),
    ];
  });
};

/** Facets: triangles over each part, each turned a little differently to the light. */
export const lowPolygon: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('facets');
  const out: Layer[] = [];
  for (const part of seenParts(figure)) {
    const hex = tint.hexOf[part.tone];
    const area = sizeOf(part.area) > 25 ? sparse(part.area, 0.8 * u) : part.area;
    out.push(layerOf(area, hex));
    if (hex === tint.on || sizeOf(area) < 20) continue;
    const edge = sparse(dense(sparse(area, 1.2 * u), 9 * u), 0).flat();
    const points: number[] = [...edge];
    const b = boundsOf(area);
    const pitch = Math.max(6.5 * u, Math.sqrt(sizeOf(area)) / 5);
    for (let y = b.y; y < b.y + b.height; y += pitch)
      for (let x = b.x; x < b.x + b.width; x += pitch) points.push(x + pitch * random(), y + pitch * random());
    const { triangles } = new Delaunator(points);
    // Facets of nearly one shade are painted together.
    const byShade = new Map<number, Area[]>();
    for (let t = 0; t < triangles.length; t += 3) {
      const ring = [0, 1, 2].flatMap((k) => [points[2 * triangles[t + k]], points[2 * triangles[t + k] + 1]]);
      const [x, y] = [(ring[0] + ring[2] + ring[4]) / 3, (ring[1] + ring[3] + ring[5]) / 3];
      const light = -0.9 * ((x - b.x) / (b.width || 1) + (y - b.y) / (b.height || 1) - 1) + 1.3 * (random() - 0.5);
      const step = Math.round(light * 5) / 5;
      byShade.set(step, [...(byShade.get(step) ?? []), grown([ring], 0.05)]);
    }
    for (const [light, facets] of byShade) {
      const shaded = tint.strict ? (light < -0.25 ? (tint.inks[1] ?? hex) : hex) : tint.shade(hex, light);
      if (shaded !== hex) out.push(layerOf(facets.flat(), shaded, { clip: area }));
    }
  }
  return out;
};

/** Layers scaled and moved, so that all of them fill a box as well as they can. */
function fittedInto(to: Box, layers: Layer[]): Layer[] {
  const from = boundsOf(layers.flatMap((l) => l.area));
  const k = Math.min(to.width / from.width, to.height / from.height) * 1.04;
  const [cx, cy] = [to.x + to.width / 2, to.y + to.height / 2];
  return scaled(layers, k, cx - 50 - k * (from.x + from.width / 2 - 50), cy - 50 - k * (from.y + from.height / 2 - 50));
}

/** The figure standing in depth: its face on one side of a block seen from above. */
export const isometric: Draw = ({ figure, tint, knobs, u }) => {
  const right = knobs.odds('isometric/side', 0.5) ? 1 : -1;
  const c = Math.cos(Math.PI / 6);
  const b = boundsOf(outlineOf(figure));
  const [mx, my] = [b.x + b.width / 2, b.y + b.height / 2];
  const depth = (7 + 4 * knobs('isometric/depth')) * u;
  const k = 0.9;
  const face = (area: Area): Area =>
    moved(area, [k * c, right * k * 0.5, 0, k, mx - k * c * mx, my - k * my - right * k * 0.5 * mx]);
  const [vx, vy] = [right * depth * c, -depth * 0.5];
  const front = face(silhouetteOf(figure));
  const quads = (want: (nx: number, ny: number) => boolean): Area => {
    const rings: number[][] = [];
    for (const ring of front)
      for (let i = 0; i < ring.length; i += 2) {
        const j = (i + 2) % ring.length;
        const [ax, ay, bx, by] = [ring[i], ring[i + 1], ring[j], ring[j + 1]];
        if (!want(by - ay, ax - bx)) continue;
        const quad = [ax, ay, bx, by, bx + vx, by + vy, ax + vx, ay + vy];
        const twice = (bx - ax) * vy - (by - ay) * vx;
        rings.push(twice >= 0 ? quad : [ax, ay, ax + vx, ay + vy, bx + vx, by + vy, bx, by]);
      }
    return union(rings);
  };
  const body = tint.inks[0];
  const plain = tint.strict || (tint.named && tint.inks.length > 1);
  const [side, top] = plain
    ? [tint.inks[1] ?? body, tint.inks[2] ?? tint.inks[1] ?? body]
    : [tint.shade(mix(body, '#000000', tint.line === body ? 0.22 : 0.3), -0.4), mix(body, '#FFFFFF', 0.28)];
  const gap = plain && side === body ? [layerOf(grown(front, 1 * u), tint.on)] : [];
  return fittedInto(b, [
    layerOf(
      quads(() => true),
      side,
    ),
    layerOf(
      quads((nx, ny) => ny < -Math.abs(nx) * 0.55),
      top,
    ),
    ...gap,
    ...flatParts({
      figure: { ...figure, parts: figure.parts.map((p) => ({ ...p, area: face(p.area) })) },
      tint,
      knobs,
      u,
    }),
  ]);
};

/** Squares of one size, each in the tone that has most of it. */
export const blocks: Draw = ({ figure, tint, knobs }) => {
  const b = boundsOf(outlineOf(figure));
  const n = 18 + Math.floor(6 * knobs('blocks/n'));
  const side = Math.max(b.width, b.height) / n;
  const [cols, rows] = [Math.ceil(b.width / side), Math.ceil(b.height / side)];
  const x0 = b.x + (b.width - cols * side) / 2;
  const y0 = b.y + (b.height - rows * side) / 2;
  const seen = seenParts(figure);
  const rings = new Map<string, number[][]>();
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < cols; c++) {
      const cell = box(x0 + c * side, y0 + r * side, side, side);
      let best = 0.42 * side * side;
      let hex = '';
      let sum = 0;
      for (const p of seen) {
        const pb = boundsOf(p.area);
        if (
          pb.x > x0 + (c + 1) * side ||
          pb.x + pb.width < x0 + c * side ||
          pb.y > y0 + (r + 1) * side ||
          pb.y + pb.height < y0 + r * side
        )
          continue;
        const a = sizeOf(intersect(p.area, cell));
        sum += a;
        if (a > best || (sum > 0.5 * side * side && !hex)) [best, hex] = [Math.max(a, best), tint.hexOf[p.tone]];
      }
      if (hex) rings.set(hex, [...(rings.get(hex) ?? []), [...cell[0]]]);
    }
  return [...rings].map(([hex, area]) => layerOf(union(area), hex));
};

/** Small stones with joints between them. */
export const mosaic: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('mosaic');
  const pitch = 4.6 * u;
  const b = boundsOf(outlineOf(figure));
  const jitter = new Map<string, readonly [number, number]>();
  const corner = (i: number, j: number): readonly [number, number] => {
    const key = `${i},${j}`;
    let at = jitter.get(key);
    if (!at)
      jitter.set(key, (at = [b.x + pitch * (i + 0.5 * (random() - 0.5)), b.y + pitch * (j + 0.5 * (random() - 0.5))]));
    return at;
  };
  const stones: Area[] = [];
  for (let j = -1; j * pitch < b.height; j++)
    for (let i = -1; i * pitch < b.width; i++)
      stones.push([[...corner(i, j), ...corner(i + 1, j), ...corner(i + 1, j + 1), ...corner(i, j + 1)]]);
  return seenParts(figure)
    .filter((p) => tint.hexOf[p.tone] !== tint.on)
    .flatMap((p) => {
      const hex = tint.hexOf[p.tone];
      const groups: Area[] = [EMPTY, EMPTY, EMPTY];
      const pb = boundsOf(p.area);
      const inner = grown(p.area, 0.25 * u);
      const rings: number[][][] = [[], [], []];
      for (const stone of stones) {
        const sb = boundsOf(stone);
        if (sb.x > pb.x + pb.width || sb.x + sb.width < pb.x || sb.y > pb.y + pb.height || sb.y + sb.height < pb.y)
          continue;
        rings[Math.floor(random() * 3)].push([...stone[0]]);
      }
      return rings.map((group, g) => {
        groups[g] = intersect(grown(union(...group.map((r) => grown([r], -0.32 * u))), 0), inner);
        return layerOf(groups[g], tint.strict ? hex : tint.shade(hex, [-0.55, 0, 0.55][g]));
      });
    });
};

/** Coloured glass in lead: large parts divided by rays, every piece a shade of its own. */
export const stainedGlass: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('glass');
  const lead = tint.line;
  const whole = outlineOf(figure);
  const [mx, my] = massOf(whole);
  const seen = seenParts(figure);
  const out: Layer[] = [];
  const rays = 7 + Math.floor(4 * knobs('glass/rays'));
  const turn = knobs('glass/turn') * Math.PI;
  const cuts: Area = union(
    ...Array.from({ length: rays }, (_, i) => {
      const a = turn + (Math.PI * i) / rays + 0.2 * (random() - 0.5);
      return turnedBy(box(mx - 140, my - 0.55 * u, 280, 1.1 * u), a, mx, my);
    }),
    rimOfDisc(mx, my, 17 * u, 1.1 * u),
  );
  for (const part of seen) {
    let hex = tint.hexOf[part.tone];
    if (hex === lead && tint.inks.length > 1) hex = tint.inks.find((i) => i !== lead) ?? hex;
    if (hex === tint.on) hex = tint.strict ? hex : mix(tint.on, tint.inks[tint.inks.length - 1], 0.25);
    if (sizeOf(part.area) < 130) {
      out.push(layerOf(part.area, sizeOf(part.area) < 14 ? lead : hex));
      continue;
    }
    const panes = subtract(part.area, cuts);
    panes.forEach((ring) => {
      if (sizeOf([ring]) < 2) return;
      out.push(
        layerOf(grown([ring], 0.7 * u), tint.strict ? hex : tint.shade(hex, 1.6 * (random() - 0.5)), {
          clip: part.area,
        }),
      );
    });
    out.push(layerOf(intersect(cuts, part.area), lead));
  }
  return [...out, layerOf(union(...seen.filter((p) => sizeOf(p.area) > 14).map((p) => rim(p.area, 1.9 * u))), lead)];
};
const rimOfDisc = (x: number, y: number, r: number, w: number): Area => rim(disc(x, y, r), w);

/** Ornament inside plain shapes: a line along the edge, beads, and a flower in the middle. */
export const folk: Draw = (s) => {
  const { figure, tint, knobs, u } = s;
  const out = flatParts(s, 1.2);
  const petals = 6 + 2 * Math.floor(2 * knobs('folk/petals'));
  const seen = seenParts(figure);
  seen.forEach((part) => {
    if (sizeOf(part.area) < 190 * u * u) return;
    const hex = tint.hexOf[part.tone];
    const others = [tint.on, ...tint.inks].filter((h) => h !== hex);
    const one = others[Math.abs(hexToOklab(others[0]).L - hexToOklab(hex).L) > 0.2 ? 0 : others.length - 1];
    const two = others.find((h) => h !== one && h !== tint.on) ?? one;
    const inset = grown(part.area, -2.3 * u);
    out.push(layerOf(rim(inset, 0.6 * u), one));
    const beadPath = grown(part.area, -4.3 * u);
    const beads = alongRings(withoutSpecks(beadPath, 30), 3.5 * u).map((p) => disc(p.x, p.y, 0.72 * u, 18)[0]);
    out.push(layerOf(beads as Area, two));
    const heart = grown(part.area, -6.6 * u);
    if (sizeOf(heart) < 70 * u * u) return;
    const big = [...heart].sort((p, q) => sizeOf([q]) - sizeOf([p]))[0];
    const [x, y] = massOf([big]);
    const hb = boundsOf([big]);
    const r = Math.min(8.5 * u, Math.min(hb.width, hb.height) * 0.46);
    const flower = union(
      ...Array.from({ length: petals }, (_, i) => leafArea(x, y, (2 * Math.PI * i) / petals, r, r * 0.5)),
    );
    if (sizeOf(subtract(flower, part.area)) > 0.02 * sizeOf(flower)) return;
    out.push(layerOf(flower, one), layerOf(disc(x, y, r * 0.24), two === one ? hex : two));
  });
  return out;
};

/** Rings within rings, ink and ground in turn. */
export const echo: Draw = ({ figure, tint, u, knobs }) => {
  const out: Layer[] = [];
  const step = (2.1 + 0.8 * knobs('echo')) * u;
  const whole = silhouetteOf(figure);
  let ring = whole;
  for (let i = 0; i < 26 && ring.length; i++) {
    const ink = tint.inks[Math.floor(i / 2) % tint.inks.length];
    out.push(layerOf(ring, i % 2 ? tint.on : ink));
    ring = grown(ring, i % 2 ? -step * 0.62 : -step);
  }
  const smalls = figure.parts.slice(1).filter((p) => sizeOf(p.area) < 170 && sizeOf(p.area) > 3);
  return [
    ...out,
    ...smalls.flatMap((p) => [
      layerOf(grown(p.area, 1.1 * u), tint.on),
      layerOf(p.area, tint.hexOf[p.tone] === tint.on ? tint.line : tint.hexOf[p.tone]),
    ]),
  ];
};

/** A shadow thrown a long way down to the right, flat. */
export const longShadow: Draw = (s) => {
  const { figure, tint, u } = s;
  const shape = silhouetteOf(figure);
  const length = 30 * u;
  const rings: number[][] = [];
  for (const ring of shape)
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [ax, ay, bx, by] = [ring[i], ring[i + 1], ring[j], ring[j + 1]];
      const quad = [ax, ay, bx, by, bx + length, by + length, ax + length, ay + length];
      rings.push(
        (bx - ax) * length - (by - ay) * length >= 0
          ? quad
          : [ax, ay, ax + length, ay + length, bx + length, by + length, bx, by],
      );
    }
  const shadow = union(rings);
  const plain = tint.strict || (tint.named && tint.inks.length > 1);
  const hex = plain
    ? (tint.inks[1] ?? tint.inks[0])
    : mix(tint.on, '#000000', hexToOklab(tint.on).L > 0.5 ? 0.14 : 0.4);
  return [
    layerOf(
      shadow,
      plain
        ? hex
        : { kind: 'linear', from: [40, 40], to: [40 + length * 1.9, 40 + length * 1.9], hexes: [hex, tint.on] },
    ),
    ...(plain ? [layerOf(grown(shape, 1.2 * u), tint.on)] : []),
    ...flatParts(s),
  ];
};

/** Loose shapes of colour and a thin pen line that do not quite meet, as printed at the middle of the last century. */
export const midCentury: Draw = ({ figure, tint, u, knobs }) => {
  const [dx, dy] = [2.2 * u * (knobs.odds('offset', 0.5) ? 1 : -1), -1.6 * u];
  const seen = seenParts(figure).filter((p) => sizeOf(p.area) > 10);
  const line = tint.line;
  const shapes = seen
    .filter((p) => tint.hexOf[p.tone] !== tint.on && sizeOf(p.area) > 40)
    .map((p) => {
      let hex = tint.hexOf[p.tone];
      if (hex === line && tint.inks.length > 1) hex = tint.inks.find((i) => i !== line) ?? hex;
      if (hex === line && !tint.strict) hex = mix(line, tint.on, 0.62);
      return layerOf(smoothed(sparse(moved(p.area, [1, 0, 0, 1, dx, dy]), 2.2 * u), 2), hex);
    });
  const smalls = seen.filter((p) => sizeOf(p.area) <= 40 && tint.hexOf[p.tone] !== tint.on);
  return [
    ...shapes,
    layerOf(union(...seen.filter((p) => sizeOf(p.area) > 40).map((p) => rim(p.area, 1 * u))), line),
    ...smalls.map((p) => layerOf(p.area, line)),
  ];
};

/** Light from above and depth, for tiles that are to look like something to press. */
export const softShading: Draw = ({ figure, tint, u }) => {
  const out: Layer[] = [];
  const whole = silhouetteOf(figure);
  if (!tint.strict)
    out.push(layerOf(moved(whole, [1, 0, 0, 1, 0, 1.6 * u]), '#000000', { soft: 2.2 * u, alpha: 0.24 }));
  for (const part of figure.parts) {
    const hex = tint.hexOf[part.tone];
    const b = boundsOf(part.area);
    const big = sizeOf(part.area) > 40;
    out.push(
      layerOf(
        part.area,
        big && !tint.strict
          ? {
              kind: 'linear',
              from: [b.x, b.y],
              to: [b.x + b.width * 0.2, b.y + b.height],
              hexes: [tint.shade(hex, 0.9), tint.shade(hex, -0.8)],
            }
          : hex,
      ),
    );
    if (!big || tint.strict) continue;
    const glint = subtract(part.area, moved(part.area, [1, 0, 0, 1, 0.5 * u, 1.1 * u]));
    out.push(layerOf(glint, '#FFFFFF', { clip: part.area, soft: 0.5 * u, alpha: 0.5 }));
    out.push(
      layerOf(subtract(part.area, moved(part.area, [1, 0, 0, 1, -0.4 * u, -1.2 * u])), '#000000', {
        clip: part.area,
        soft: 0.7 * u,
        alpha: 0.2,
      }),
    );
  }
  return out;
};

/** A straight-edged reduction: every curve becomes a few straight sides at shared angles. */
export const angular: Draw = ({ figure, tint, knobs, u }) => {
  const snap = (area: Area): Area =>
    sparse(area, 2.1 * u).map((ring) => {
      // Sides turn to the nearest multiple of 22.5 degrees about their middles; their crossings are the new corners.
      const n = ring.length / 2;
      if (n < 3) return ring;
      const sides = Array.from({ length: n }, (_, i) => {
        const j = (i + 1) % n;
        const [x, y] = [(ring[2 * i] + ring[2 * j]) / 2, (ring[2 * i + 1] + ring[2 * j + 1]) / 2];
        const a =
          Math.round(Math.atan2(ring[2 * j + 1] - ring[2 * i + 1], ring[2 * j] - ring[2 * i]) / (Math.PI / 8)) *
          (Math.PI / 8);
        return { x, y, a };
      });
      return sides.flatMap((s, i) => {
        const p = sides[(i - 1 + n) % n];
        const cross = Math.cos(p.a) * Math.sin(s.a) - Math.sin(p.a) * Math.cos(s.a);
        if (Math.abs(cross) < 0.2) return [ring[2 * i], ring[2 * i + 1]];
        const t = ((s.x - p.x) * Math.sin(s.a) - (s.y - p.y) * Math.cos(s.a)) / cross;
        const [x, y] = [p.x + t * Math.cos(p.a), p.y + t * Math.sin(p.a)];
        return Math.hypot(x - ring[2 * i], y - ring[2 * i + 1]) < 5 * u ? [x, y] : [ring[2 * i], ring[2 * i + 1]];
      });
    });
  const parts = figure.parts
    .map((p) => ({ ...p, area: sizeOf(p.area) > 24 ? union(snap(p.area)) : p.area }))
    .filter((p) => p.area.length);
  return flatParts({ figure: { ...figure, parts }, tint, knobs, u });
};

/** Everything round: corners taken off generously and parts set apart, like pebbles. */
export const pebble: Draw = ({ figure, tint, u }) =>
  seenParts(figure)
    .filter((p) => tint.hexOf[p.tone] !== tint.on)
    .map((p) => {
      const r = sizeOf(p.area) > 120 ? 2.4 * u : 0.7 * u;
      return layerOf(roundedOff(grown(p.area, -0.55 * u), r), tint.hexOf[p.tone]);
    });
