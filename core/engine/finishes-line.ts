import { hexToOklab, mix } from '../colour';
import {
  bent,
  EMPTY,
  intersect,
  dense,
  grown,
  subtract,
  moved,
  rim,
  sizeOf,
  sparse,
  stroked,
  union,
  withoutSpecks,
  type Area,
} from '../path';
import { boundsOf, box, disc, massOf, ringOf, turnedBy } from './area';
import { outlineOf, seenParts, silhouetteOf } from './figure';
import { flatParts, type Draw } from './finishes-solid';
import { constructionOf, figureOnCircles } from './on-circles';
import { layerOf, type Layer } from './layer';
import { alongRings, dotsOver, hatchOver, inside, nibLine, wobbleFrom } from './marks';

const SMALL = 14;

/** Borders of the parts in one weight; small parts solid. */
export const outline: Draw = ({ figure, tint, u }) => {
  const seen = seenParts(figure).filter((p) => sizeOf(p.area) > 1.5 * u * u);
  const lines = union(...seen.filter((p) => sizeOf(p.area) > SMALL * u * u).map((p) => rim(p.area, 2 * u)));
  const ink = tint.inks[0];
  const small = seen.filter((p) => sizeOf(p.area) <= SMALL * u * u);
  return [layerOf(lines, ink), ...small.map((p) => layerOf(p.area, tint.strict && tint.inks[1] ? tint.inks[1] : ink))];
};

/** A strong outer line, thinner lines inside, and light fills. */
export const twoWeights: Draw = ({ figure, tint, u }) => {
  const seen = seenParts(figure);
  const line = tint.line;
  const fillOf = (hex: string) => (hex === line ? (tint.inks.find((i) => i !== line) ?? tint.on) : hex);
  return [
    ...seen.map((p) => layerOf(p.area, sizeOf(p.area) < SMALL * u * u ? line : fillOf(tint.hexOf[p.tone]))),
    layerOf(union(...seen.filter((p) => sizeOf(p.area) > SMALL * u * u).map((p) => rim(p.area, 1.1 * u))), line),
    layerOf(rim(silhouetteOf(figure), 3.4 * u), line),
  ];
};

/** A fine line along the inside of every edge. */
export const inline: Draw = (s) => {
  const { figure, tint, u } = s;
  const out = flatParts(s);
  for (const part of seenParts(figure)) {
    if (sizeOf(part.area) < 60 * u * u || tint.hexOf[part.tone] === tint.on) continue;
    const hex = tint.hexOf[part.tone];
    const other =
      [tint.on, ...tint.inks].find((h) => h !== hex && Math.abs(hexToOklab(h).L - hexToOklab(hex).L) > 0.25) ?? tint.on;
    out.push(layerOf(rim(grown(part.area, -1.9 * u), 0.8 * u), other));
  }
  return out;
};

/** How light a place of a part is, 0 dark to 1 light: lit from above left, rounded at its edges. */
function shading(part: Area, toneL: number): (x: number, y: number) => number {
  const b = boundsOf(part);
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  return (x, y) => {
    const u = (x - cx) / (b.width / 2 || 1);
    const v = (y - cy) / (b.height / 2 || 1);
    const lit = 0.5 - 0.33 * u - 0.42 * v + 0.12 * (1 - u * u - v * v);
    return Math.max(0, Math.min(1, 0.62 * lit + 0.55 * toneL - 0.08));
  };
}

/** Fine parallel lines that swell in the shade, as on banknotes. */
export const engraved: Draw = ({ figure, tint, knobs, u }) => {
  const out: Layer[] = [];
  const pitch = 1.55 * u;
  const sway = wobbleFrom(knobs.stream('engraved'));
  seenParts(figure).forEach((part, i) => {
    const ink = tint.hexOf[part.tone] === tint.on ? tint.line : tint.hexOf[part.tone];
    if (sizeOf(part.area) < SMALL * u * u) {
      out.push(layerOf(part.area, tint.line));
      return;
    }
    const lit = shading(part.area, figure.tones[part.tone]);
    const angle = [0.12, 0.5, -0.35, 0.85][(i + Math.floor(4 * knobs('engraved/angle'))) % 4];
    const lines = hatchOver(part.area, {
      angle,
      pitch,
      weight: (x, y) => pitch * Math.max(0.1, Math.min(0.86, 0.98 - 1.02 * lit(x, y))),
      sway: (a) => 0.55 * u * sway(a * 0.09),
    });
    out.push(layerOf(lines, ink, { clip: part.area }), layerOf(rim(part.area, 0.75 * u), tint.line));
  });
  return out;
};

/** Pen strokes, crossed where it is darker. */
export const penHatching: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('pen');
  const out: Layer[] = [];
  const pitch = 1.9 * u;
  for (const part of seenParts(figure)) {
    const ink = tint.hexOf[part.tone] === tint.on ? tint.line : tint.hexOf[part.tone];
    if (sizeOf(part.area) < SMALL * u * u) {
      out.push(layerOf(part.area, tint.line));
      continue;
    }
    const lit = shading(part.area, figure.tones[part.tone]);
    [0.8, -0.7, 0.05].forEach((angle, level) => {
      const wobble = wobbleFrom(random);
      const below = [0.74, 0.46, 0.24][level];
      const lines = hatchOver(part.area, {
        angle,
        pitch,
        weight: (x, y) => (lit(x, y) < below + 0.05 * wobble(x * 0.4 + y * 0.3) ? 0.5 * u : 0),
        sway: (a, line) => 0.35 * u * wobble(a * 0.12 + line * 1.7),
      });
      out.push(layerOf(lines, ink, { clip: part.area }));
    });
    out.push(layerOf(nibLine(dense(part.area, 0.8), 0.6 * u, 1.1 * u, 0.8, 0.2 * u, random), tint.line));
  }
  return out;
};

/** Dots on a turned screen, larger in the shade. */
export const halftone: Draw = ({ figure, tint, knobs, u }) => {
  const pitch = (2.1 + 0.5 * knobs('halftone')) * u;
  const out: Layer[] = [];
  for (const part of seenParts(figure)) {
    const hex = tint.hexOf[part.tone];
    if (hex === tint.on) continue;
    if (sizeOf(part.area) < SMALL * u * u) {
      out.push(layerOf(part.area, hex));
      continue;
    }
    const lit = shading(part.area, 0.35 + 0.4 * figure.tones[part.tone]);
    out.push(
      layerOf(
        dotsOver(part.area, pitch, Math.PI / 4, (x, y) => pitch * (0.82 - 0.72 * lit(x, y))),
        hex,
        { clip: part.area },
      ),
    );
  }
  return out;
};

/** Dots of one size, as of lamps on a board. */
export const dotBoard: Draw = ({ figure, tint, u }) => {
  const pitch = 2.7 * u;
  return seenParts(figure)
    .filter((p) => tint.hexOf[p.tone] !== tint.on)
    .map((p) => {
      const inner = grown(p.area, -0.2 * u);
      const dots = dotsOver(p.area, pitch, 0, () => 1.08 * u).filter((ring) => {
        const [x, y] = massOf([ring]);
        return sizeOf(inside([ring], inner)) > 0.5 * sizeOf([ring]) && Number.isFinite(x + y);
      });
      return layerOf(dots, tint.hexOf[p.tone]);
    });
};

/** Level bars, thin above and thick below. */
export const bands: Draw = ({ figure, tint, knobs, u }) => {
  const b = boundsOf(outlineOf(figure));
  const n = 13 + Math.floor(5 * knobs('bands'));
  const pitch = b.height / n;
  const bars = Array.from({ length: n }, (_, i) => {
    const h = pitch * (0.42 + (0.5 * i) / n);
    return box(b.x - 2, b.y + pitch * (i + 0.5) - h / 2, b.width + 4, h)[0];
  });
  return seenParts(figure)
    .filter((p) => tint.hexOf[p.tone] !== tint.on)
    .map((p) => layerOf(sizeOf(p.area) < SMALL * u * u ? p.area : intersect(p.area, bars), tint.hexOf[p.tone]));
};

/** Circles and straight lines shown, at most. */
const [CIRCLES_SHOWN, LINES_SHOWN] = [9, 6];

/** The figure drawn of arcs and straight lines alone, over the circles and lines that it lies on. */
export const construction: Draw = ({ figure: given, tint, u }) => {
  const { figure, contours } = figureOnCircles({ ...given, parts: seenParts(given) });
  const { parts } = figure;
  const b = boundsOf(silhouetteOf(figure));
  const ink = tint.inks[0];
  const thin = tint.strict || tint.named ? (tint.inks[1] ?? ink) : mix(ink, tint.on, 0.55);
  const { circles, lines } = constructionOf(contours);
  const reach = 6 * u;
  const w = 0.34 * u;
  // A circle that goes far beyond the figure says nothing of it.
  const shown = circles.filter((c) => c.length > 4 * u && c.r < 0.6 * Math.max(b.width, b.height)).slice(0, CIRCLES_SHOWN); // prettier-ignore
  const along = lines
    .map(({ from: [x0, y0], to: [x1, y1] }) => ({ x0, y0, x1, y1, long: Math.hypot(x1 - x0, y1 - y0) }))
    .filter(({ long }) => long > 8 * u)
    .slice(0, LINES_SHOWN)
    .map(({ x0, y0, x1, y1, long }) => {
      const [dx, dy] = [((x1 - x0) / long) * reach, ((y1 - y0) / long) * reach];
      return stroked([[x0 - dx, y0 - dy, x1 + dx, y1 + dy]], w, false);
    });
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  const axes = [
    box(cx - w / 2, b.y - reach, w, b.height + 2 * reach),
    box(b.x - reach, cy - w / 2, b.width + 2 * reach, w),
  ];
  const rings = shown.map((c) => ringOf(c.x, c.y, c.r + w / 2, c.r - w / 2));
  const middles = shown.map((c) => disc(c.x, c.y, 0.75 * u, 18));
  const tinted = tint.strict || tint.named ? [] : [layerOf(outlineOf(figure), mix(ink, tint.on, 0.86))];
  return [
    ...tinted,
    layerOf(union(...rings, ...axes, ...along), thin),
    layerOf(union(...parts.filter((p) => sizeOf(p.area) > SMALL).map((p) => rim(p.area, 1.15 * u)), EMPTY), ink),
    ...parts.filter((p) => sizeOf(p.area) <= SMALL).map((p) => layerOf(p.area, ink)),
    layerOf(union(...middles, EMPTY), thin),
  ];
};

/** Round brush strokes, thick and thin, with dry ends. */
export const inkBrush: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('brush');
  const angle = 0.5 + 0.6 * knobs('brush/angle');
  const seen = seenParts(figure);
  const ink = tint.inks[0];
  const wash = tint.inks[1];
  const seed = Math.floor(knobs('brush/grain') * 1e9);
  const solid = seen.filter((p) => sizeOf(p.area) > SMALL * u * u && figure.tones[p.tone] < 0.42);
  const open = seen.filter((p) => sizeOf(p.area) > SMALL * u * u && figure.tones[p.tone] >= 0.42);
  const rough = (area: Area, by: number): Area => {
    const wobble = wobbleFrom(random);
    return bent(dense(area, 0.7 * u), (x, y) => [
      x + by * wobble(y * 0.8 + x * 0.2),
      y + by * wobble(x * 0.7 - y * 0.3 + 9),
    ]);
  };
  const out: Layer[] = [];
  if (wash && wash !== ink)
    for (const p of open)
      out.push(
        layerOf(rough(sparse(moved(p.area, [1, 0, 0, 1, 1.2 * u, 0.9 * u]), 1.2 * u), 0.5 * u), wash, {
          alpha: tint.strict ? 1 : 0.75,
        }),
      );
  for (const p of solid)
    out.push(
      layerOf(rough(p.area, 0.35 * u), ink, { grain: { seed, size: 0.55 * u, share: 0.2, soft: 0.1, along: angle } }),
    );
  for (const p of open) {
    const line = nibLine(dense(sparse(p.area, 0.25 * u), 0.8 * u), 0.9 * u, 3.2 * u, angle, 0.35 * u, random);
    out.push(layerOf(line, ink, { grain: { seed: seed ^ 77, size: 0.5 * u, share: 0.16, soft: 0.1, along: angle } }));
  }
  for (const p of seen) if (sizeOf(p.area) <= SMALL * u * u) out.push(layerOf(rough(p.area, 0.15 * u), ink));
  return out;
};

/** Graphite: wobbly doubled lines with a light hatching. */
export const pencil: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('pencil');
  const [dark, light] = ['#55565A', '#8B8B8E'];
  return seenParts(figure)
    .flatMap((part): Layer[] => {
      if (sizeOf(part.area) < 2) return [];
      const wobble = (by: number): Area => {
        const w = wobbleFrom(random);
        const v = wobbleFrom(random);
        return bent(dense(part.area, 1.2), (x, y) => [
          x + by * w(0.11 * x + 0.07 * y),
          y + by * v(0.09 * y + 0.08 * x),
        ]);
      };
      const grain = { seed: Math.floor(random() * 1e9), size: 0.32 * u, share: 0.3, soft: 0.5 };
      const hatch = hatchOver(part.area, {
        angle: -0.8,
        pitch: 1.7 * u,
        weight: () => (figure.tones[part.tone] < 0.5 ? 0.5 * u : 0),
        sway: () => 0.3 * random(),
      });
      const closed = (area: Area, weight: number): Area => stroked(area, weight, true);
      return [
        ...(figure.tones[part.tone] < 0.5 ? [layerOf(hatch, '#9A9A9C', { clip: part.area, grain })] : []),
        layerOf(closed(wobble(0.45 * u), 0.7 * u), dark, { grain }),
        layerOf(closed(wobble(0.9 * u), 0.45 * u), light, { grain }),
        layerOf(closed(wobble(0.6 * u), 0.42 * u), dark, { grain }),
      ];
    })
    .map((layer) => (tint.strict ? { ...layer, fill: tint.line } : layer));
};

/** Glass tubes of light on a dark ground. */
export const neon: Draw = ({ figure, tint, u }) => {
  const seen = seenParts(figure).filter((p) => sizeOf(p.area) > 3 * u * u);
  const tubes = seen.map((p, i) => {
    const hex = tint.hexOf[p.tone] === tint.on ? (tint.inks[i % tint.inks.length] ?? tint.line) : tint.hexOf[p.tone];
    return { hex, line: rim(grown(p.area, -0.5 * u), 1.25 * u) };
  });
  if (tint.strict) return tubes.map((t) => layerOf(t.line, t.hex));
  return [
    ...tubes.flatMap((t) => [
      layerOf(t.line, t.hex, { soft: 4.4 * u, alpha: 0.9 }),
      layerOf(t.line, t.hex, { soft: 1.5 * u, alpha: 0.7 }),
    ]),
    ...tubes.flatMap((t) => [
      layerOf(t.line, t.hex),
      layerOf(t.line.length ? grown(t.line, -0.42 * u) : t.line, '#FFFFFF', { soft: 0.2 * u, alpha: 0.85 }),
    ]),
  ];
};

/** Stitches side by side in each part's own direction. */
export const embroidery: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('thread');
  return seenParts(figure)
    .filter((p) => tint.hexOf[p.tone] !== tint.on)
    .flatMap((p, i) => {
      const hex = tint.hexOf[p.tone];
      const angle = [0.6, -0.5, 1.2, 0.1][(i + Math.floor(4 * knobs('thread/angle'))) % 4];
      const pitch = 0.95 * u;
      const cut = 5 * u;
      const stitch = (shade: number): Area =>
        hatchOver(
          p.area,
          {
            angle,
            pitch: pitch * 3,
            weight: (x, y) => {
              const along = x * Math.cos(angle) + y * Math.sin(angle) + shade * 1.9 * u;
              return Math.abs((along % cut) - cut / 2) > cut / 2 - 0.32 * u ? 0 : pitch * 0.86;
            },
            sway: () => (shade - 1) * pitch,
          },
          0.3 * u,
        );
      const wobble = wobbleFrom(random);
      const edge = bent(dense(p.area, 0.5 * u), (x, y) => [
        x + 0.14 * u * wobble(3 * x + 2 * y),
        y + 0.14 * u * wobble(2 * y - 3 * x),
      ]);
      const base = tint.strict ? [] : [layerOf(edge, tint.shade(hex, -0.9))];
      return [
        ...base,
        ...[0, 1, 2].map((k) =>
          layerOf(stitch(k), tint.strict ? hex : tint.shade(hex, [0.55, 0, 0.25][k]), { clip: edge }),
        ),
      ];
    });
};

/** Fat ink lines with a heavy side, flat colour, and a dotted shade. */
export const comic: Draw = (s) => {
  const { figure, tint, u } = s;
  const line = tint.line;
  const whole = silhouetteOf(figure);
  const seen = seenParts(figure);
  const fillOf = (hex: string) =>
    hex === line && tint.inks.length > 1 && sizeOf(whole) > 0 ? (tint.inks.find((i) => i !== line) ?? hex) : hex;
  const shade = subtract(whole, moved(grown(whole, 0.5 * u), [1, 0, 0, 1, -6.5 * u, -5 * u]));
  const dots = dotsOver(shade, 1.9 * u, Math.PI / 4, () => 0.62 * u);
  return [
    layerOf(union(grown(whole, 1.2 * u), moved(grown(whole, 1 * u), [1, 0, 0, 1, 1.1 * u, 1.2 * u])), line),
    ...seen.map((p) => layerOf(p.area, sizeOf(p.area) < SMALL * u * u ? line : fillOf(tint.hexOf[p.tone]))),
    layerOf(dots, line, { clip: shade, alpha: tint.strict ? 1 : 0.55 }),
    layerOf(
      union(
        ...seen
          .filter((p) => sizeOf(p.area) > SMALL * u * u)
          .map((p) => nibLine(dense(p.area, 0.9), 0.7 * u, 1.8 * u, 0.6, 0, () => 0.5)),
      ),
      line,
    ),
  ];
};

/** A knife in wood: dark areas cut with tapering gouges that follow the form. */
export const woodcut: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('gouge');
  const ink = tint.line;
  const whole = silhouetteOf(figure);
  const rough = (area: Area, by: number): Area => {
    const wobble = wobbleFrom(random);
    return sparse(
      bent(dense(area, 1.1 * u), (x, y) => [x + by * wobble(x * 1.3 + y), y + by * wobble(y * 1.2 - x + 4)]),
      0.22 * u,
    );
  };
  const out: Layer[] = [layerOf(rough(grown(whole, 0.4 * u), 0.4 * u), ink)];
  for (const part of seenParts(figure)) {
    const L = figure.tones[part.tone];
    const hex = tint.hexOf[part.tone] === ink ? tint.on : tint.hexOf[part.tone];
    if (sizeOf(part.area) < SMALL * u * u) {
      if (L > 0.6) out.push(layerOf(rough(part.area, 0.15 * u), hex));
      continue;
    }
    const inner = grown(part.area, -1 * u);
    if (L > 0.8) {
      out.push(layerOf(rough(inner, 0.3 * u), hex));
      continue;
    }
    const lit = shading(part.area, L);
    const b = boundsOf(part.area);
    const angle = [0.9, 0.35, 1.35, -0.2][Math.floor(4 * knobs('gouge/angle'))] + (b.width > b.height ? 0.3 : -0.3);
    const cut = 6.4 * u;
    const phases = new Map<number, number>();
    const gouges = hatchOver(
      part.area,
      {
        angle,
        pitch: 2.05 * u,
        weight: (x, y) => {
          const line = Math.round((-x * Math.sin(angle) + y * Math.cos(angle)) / (2.05 * u));
          if (!phases.has(line)) phases.set(line, random());
          const along = x * Math.cos(angle) + y * Math.sin(angle) + phases.get(line)! * cut;
          const t = (((along % cut) + cut) % cut) / cut;
          return (
            1.75 *
            u *
            Math.max(0, (lit(x, y) * 1.25 - 0.12) * Math.sqrt(Math.max(0, 1 - t)) * (t > 0.06 ? 1 : t / 0.06) - 0.1)
          );
        },
        sway: (a, line) => 0.3 * u * Math.sin(a * 0.21 + line * 0.4),
      },
      0.55 * u,
    );
    out.push(layerOf(gouges, hex, { clip: inner }));
  }
  return out;
};

/** A block of ink with the figure cut out of it, and the marks of the tool round it. */
export const lino: Draw = ({ figure, tint, knobs, u }) => {
  const ink = tint.line;
  const random = knobs.stream('lino');
  const b = boundsOf(outlineOf(figure));
  const pad = 8 * u;
  const wobble = wobbleFrom(random);
  const round = knobs.odds('lino/round', 0.4);
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  const block = round
    ? disc(cx, cy, Math.hypot(b.width, b.height) / 2 + 2 * u)
    : box(b.x - pad, b.y - pad, b.width + 2 * pad, b.height + 2 * pad);
  const uneven = bent(dense(block, 1.5 * u), (x, y) => [
    x + 0.35 * u * wobble(y * 0.6),
    y + 0.35 * u * wobble(x * 0.55 + 5),
  ]);
  const whole = silhouetteOf(figure);
  const marks: Area = [2.6, 5, 7.4].flatMap((d, k) =>
    alongRings(grown(whole, d * u), (4.4 - 0.5 * k) * u).flatMap((p) => {
      if (random() < 0.18 + 0.16 * k) return [];
      const len = (1.4 + 1.8 * random()) * u;
      const w = (0.5 + 0.4 * random()) * u;
      return [turnedBy([[p.x - len, p.y, p.x, p.y - w / 2, p.x + len, p.y, p.x, p.y + w / 2]], p.angle, p.x, p.y)[0]];
    }),
  );
  const out: Layer[] = [
    layerOf(uneven, ink, {
      grain: { seed: Math.floor(knobs('lino/grain') * 1e9), size: 0.6 * u, share: 0.12, soft: 0.1 },
    }),
  ];
  out.push(layerOf(marks, tint.on, { clip: grown(uneven, -1 * u) }), layerOf(whole, tint.on));
  const second = tint.inks.find((i) => i !== ink);
  for (const p of seenParts(figure)) {
    const hex = tint.hexOf[p.tone];
    const inner = sizeOf(p.area) > SMALL * u * u ? grown(p.area, -0.75 * u) : p.area;
    if (hex === ink || figure.tones[p.tone] < 0.4) out.push(layerOf(sparse(inner, 0.2 * u), ink));
    else if (second && hex === second) out.push(layerOf(sparse(inner, 0.2 * u), second));
  }
  return out;
};

/** A rubber stamp: one ink, worn in patches. */
export const wornStamp: Draw = (s) => {
  const { tint, knobs, u } = s;
  const one = { ...s, tint: { ...tint, hexOf: tint.hexOf.map((hex) => (hex === tint.on ? hex : tint.inks[0])) } };
  const grain = {
    seed: Math.floor(knobs('stamp') * 1e9),
    size: 1.15 * u,
    share: 0.27 + 0.05 * knobs('stamp/share'),
    soft: 0.05,
  };
  const fine = { seed: Math.floor(knobs('stamp/fine') * 1e9), size: 0.42 * u, share: 0.28, soft: 0.08 };
  return flatParts(one).flatMap((layer) =>
    layer.fill === tint.on ? [layer] : [{ ...layer, grain: knobs.odds('stamp/kind', 0.5) ? grain : fine }],
  );
};

/** Chalk on a board: open lines and loose hatching, all grain. */
export const chalk: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('chalk');
  return seenParts(figure).flatMap((part): Layer[] => {
    if (sizeOf(part.area) < 2) return [];
    const hex = tint.hexOf[part.tone] === tint.on ? tint.line : tint.hexOf[part.tone];
    const grain = { seed: Math.floor(random() * 1e9), size: 0.5 * u, share: 0.38, soft: 0.35 };
    const wobble = wobbleFrom(random);
    const edge = bent(dense(part.area, 1), (x, y) => [
      x + 0.5 * u * wobble(0.2 * x + 0.1 * y),
      y + 0.5 * u * wobble(0.17 * y + 3),
    ]);
    const fill = hatchOver(part.area, {
      angle: -0.75 + 0.2 * random(),
      pitch: 1.55 * u,
      weight: () => 1.25 * u,
      sway: (a, l) => 0.3 * u * wobble(a * 0.2 + l),
    });
    const soft = tint.hexOf[part.tone] === tint.on;
    return [
      ...(soft ? [] : [layerOf(fill, hex, { clip: grown(part.area, -0.4 * u), grain: { ...grain, share: 0.46 } })]),
      layerOf(rim(edge, 1.5 * u), hex, { grain }),
    ];
  });
};

/** Water colour: washes that pool at their edges and bleed a little. */
export const wash: Draw = ({ figure, tint, knobs, u }) => {
  const random = knobs.stream('wash');
  if (tint.strict) return flatParts({ figure, tint, knobs, u });
  return seenParts(figure).flatMap((part): Layer[] => {
    const hex = tint.hexOf[part.tone];
    if (hex === tint.on) return [];
    const wobble = wobbleFrom(random);
    const shape = bent(dense(part.area, 0.9), (x, y) => [
      x + 0.55 * u * wobble(0.35 * x + 0.2 * y),
      y + 0.55 * u * wobble(0.3 * y - 0.15 * x),
    ]);
    const seed = Math.floor(random() * 1e9);
    return [
      layerOf(shape, tint.named ? hex : mix(hex, tint.on, 0.24), { soft: 0.2 * u }),
      layerOf(shape, tint.shade(hex, -0.8), {
        alpha: 0.7,
        soft: 0.3 * u,
        grain: { seed, size: 9 * u, share: 0.5, soft: 0.5 },
      }),
      layerOf(shape, tint.shade(hex, 1), {
        alpha: 0.6,
        soft: 0.3 * u,
        grain: { seed: seed ^ 0x77, size: 6 * u, share: 0.58, soft: 0.4 },
      }),
      layerOf(withoutSpecks(subtract(shape, grown(shape, -0.7 * u)), 0.1), tint.shade(hex, -0.9), {
        alpha: 0.45,
        soft: 0.25 * u,
      }),
    ];
  });
};

/** One layer of paint over another, seen through each other. */
export const overprint: Draw = ({ figure, tint, u, knobs }) => {
  const inks = tint.inks;
  const parts = figure.parts.filter((p) => sizeOf(p.area) > 5 * u * u);
  const shift = (i: number): Area =>
    moved(parts[i].area, [
      1,
      0,
      0,
      1,
      i ? 0.9 * u * knobs.spread('overprint/x') : 0,
      i ? 0.7 * u * knobs.spread('overprint/y') : 0,
    ]);
  return parts.map((p, i) => {
    const hex = tint.hexOf[p.tone] === tint.on ? (inks[i % inks.length] ?? inks[0]) : tint.hexOf[p.tone];
    if (tint.strict || figure.tones[p.tone] > 0.9) return layerOf(p.area, tint.hexOf[p.tone]);
    return layerOf(shift(i), hex, { alpha: i ? 0.78 : 1 });
  });
};
