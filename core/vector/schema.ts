/** What an artwork may be, as it comes from a page, a file or a database: written once, for HTTP, command line and OpenAPI alike. */
import * as v from 'valibot';
import { hexToRgb } from '../colour';
import type { Affine, Contour } from '../path';
import { placedNodes, usedInks, type Artwork, type ArtNode, type Guide, type Mask } from './artwork';

/** A name or id may hold no control characters and no half of a surrogate pair: neither can be stored. */
export const isStorable = (text: string): boolean =>
  !/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/.test(text) && !/\p{Surrogate}/u.test(text);

export const STORABLE = 'no control characters, and no half of a character';

export const id = v.pipe(v.string(), v.minLength(1), v.maxLength(60), v.check(isStorable, STORABLE));
export const hex = v.pipe(
  v.string(),
  v.regex(/^#[0-9a-fA-F]{6}$/, 'a colour is written like #1D2E4E'),
  v.toUpperCase(),
);
export const nameOf = (most: number) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'a name is needed'),
    v.maxLength(most, `at most ${most} characters`),
    v.check(isStorable, STORABLE),
  );
/** A place or length in px; far outside any sheet is still a number that can be drawn. */
export const coordinate = v.pipe(
  v.number(),
  v.finite('a number'),
  v.minValue(-1e6, 'too far away'),
  v.maxValue(1e6, 'too far away'),
);
export const lengthPx = v.pipe(
  v.number(),
  v.finite('a number'),
  v.minValue(0, '0 or more'),
  v.maxValue(1e6, 'too long'),
);
export const share = v.pipe(v.number(), v.minValue(0, '0 or more'), v.maxValue(1, '1 or less'));
export const point = v.tuple([coordinate, coordinate]);
const factor = v.pipe(v.number(), v.finite('a number'), v.minValue(-1e4), v.maxValue(1e4));
export const affine = v.tuple([factor, factor, factor, factor, coordinate, coordinate]) as v.GenericSchema<Affine>;

const segment = v.variant('kind', [
  v.object({ kind: v.literal('line'), to: point }),
  v.object({ kind: v.literal('curve'), c1: point, c2: point, to: point }),
  v.object({ kind: v.literal('arc'), radius: lengthPx, large: v.boolean(), clockwise: v.boolean(), to: point }),
]);
const yes = v.literal(true);
export const contour = v.object({
  start: point,
  segments: v.array(segment),
  open: v.optional(yes),
}) as v.GenericSchema<Contour>;

export const gradientSchema = v.object({
  kind: v.picklist(['linear', 'radial']),
  from: point,
  to: point,
  stops: v.pipe(
    v.array(v.object({ at: share, hex, opacity: v.optional(share) })),
    v.minLength(2, 'two stops or more'),
    v.maxLength(64, 'at most 64 stops'),
  ),
  focus: v.optional(point),
  transform: v.optional(affine),
  spread: v.optional(v.picklist(['reflect', 'repeat'])),
  mixed: v.optional(v.literal('oklab')),
});

export const inkSchema = v.object({ id, hex, name: nameOf(60), gradient: v.optional(gradientSchema) });

export const strokeSchema = v.object({
  inkId: id,
  opacity: v.optional(share),
  widthPx: lengthPx,
  cap: v.picklist(['butt', 'round', 'square']),
  join: v.picklist(['mitre', 'round', 'bevel']),
  mitreLimit: v.pipe(v.number(), v.minValue(1), v.maxValue(1000)),
  dash: v.optional(v.pipe(v.array(lengthPx), v.maxLength(64))),
  dashOffset: v.optional(coordinate),
  profile: v.optional(
    v.pipe(
      v.array(v.object({ at: share, share: v.pipe(v.number(), v.minValue(0), v.maxValue(100)) })),
      v.maxLength(64),
    ),
  ),
});

export const effectSchema = v.variant('kind', [
  v.object({ kind: v.literal('blur'), radiusPx: lengthPx }),
  v.object({
    kind: v.literal('shadow'),
    dxPx: coordinate,
    dyPx: coordinate,
    blurPx: lengthPx,
    inkId: id,
    opacity: share,
  }),
]);

const wholeNumber = v.pipe(v.number(), v.integer(), v.minValue(0));
const nodeEntries = {
  id,
  name: v.optional(nameOf(120)),
  hidden: v.optional(yes),
  locked: v.optional(yes),
  transform: v.optional(affine),
  opacity: v.optional(share),
  effects: v.optional(v.pipe(v.array(effectSchema), v.maxLength(8))),
  clip: v.optional(
    v.pipe(
      v.array(v.object({ contours: v.array(contour), rule: v.optional(v.picklist(['nonzero', 'evenodd'])) })),
      v.maxLength(256),
    ),
  ),
  mask: v.optional(
    v.object({
      nodes: v.lazy(() => v.array(nodeSchema)),
      by: v.picklist(['light', 'opacity']),
    }) as v.GenericSchema<Mask>,
  ),
};

/** How deep groups may lie in one another. */
export const DEPTH_LIMIT = 64;
export const NODE_LIMIT = 50_000;

const strength = share;
/** A part of depth, as figures. */
export const depthPartSchema = v.variant('part', [
  v.object({ part: v.literal('light'), strength }),
  v.object({ part: v.literal('rim'), strength, widthPx: lengthPx }),
  v.object({ part: v.literal('highlight'), strength, dyPx: coordinate, blurPx: lengthPx }),
  v.object({ part: v.literal('soft-shadow'), strength, dyPx: coordinate, blurPx: lengthPx }),
  v.object({ part: v.literal('long-shadow'), strength, angleDeg: coordinate, lengthPx }),
]);
const ofNodes = v.pipe(v.array(id), v.maxLength(50_000));

export const pieceSchema = v.object({
  kind: v.literal('piece'),
  ...nodeEntries,
  contours: v.array(contour),
  inkId: v.nullable(id),
  fillOpacity: v.optional(share),
  rule: v.optional(v.literal('evenodd')),
  stroke: v.optional(strokeSchema),
  numbers: v.optional(v.object({ next: wholeNumber, of: v.array(v.array(wholeNumber)) })),
  depth: v.optional(v.intersect([depthPartSchema, v.object({ of: ofNodes })])),
});
const nodeSchema: v.GenericSchema<ArtNode> = v.lazy(() =>
  v.variant('kind', [pieceSchema, v.object({ kind: v.literal('group'), ...nodeEntries, nodes: v.array(nodeSchema) })]),
) as v.GenericSchema<ArtNode>;

export const guideSchema: v.GenericSchema<Guide> = v.variant('kind', [
  v.object({ id, kind: v.literal('line'), through: point, angleDeg: coordinate }),
  v.object({ id, kind: v.literal('circle'), centre: point, radiusPx: lengthPx }),
]);

export const colourwaySchema = v.object({
  id,
  name: nameOf(60),
  how: v.optional(nameOf(120)),
  inks: v.pipe(v.array(v.object({ inkId: id, hex })), v.maxLength(4096, 'at most 4096 inks')),
});

const side = v.pipe(v.number(), v.gtValue(0, 'a drawing has a size'), v.maxValue(20_000, 'at most 20,000'));

/** How deep a tree of nodes is, as far as matters: checked before anything walks it by calling itself. */
function isTooDeep(value: unknown): boolean {
  let level: unknown[] = Array.isArray(value) ? (value as unknown[]) : [];
  for (let depth = 0; level.length; depth++) {
    if (depth > DEPTH_LIMIT) return true;
    level = level.flatMap((n) => {
      const { nodes, mask } = (n ?? {}) as { nodes?: unknown; mask?: { nodes?: unknown } | null };
      return [nodes, mask?.nodes].flatMap((list) => (Array.isArray(list) ? (list as unknown[]) : []));
    });
  }
  return false;
}

/** An artwork. Node and ink ids are unique, and every ink that is named is there. */
export const ArtworkSchema = v.pipe(
  v.object({
    widthPx: side,
    heightPx: side,
    inks: v.pipe(v.array(inkSchema), v.maxLength(4096, 'at most 4096 inks')),
    nodes: v.pipe(
      v.unknown(),
      v.check((nodes) => !isTooDeep(nodes), `groups may lie in one another ${DEPTH_LIMIT} deep`),
      v.array(nodeSchema),
    ) as v.GenericSchema<readonly ArtNode[]>,
    guides: v.optional(v.pipe(v.array(guideSchema), v.maxLength(1000)), []),
    colourways: v.optional(v.pipe(v.array(colourwaySchema), v.maxLength(200, 'at most 200 colourways'))),
    masterName: v.optional(nameOf(60)),
    oneColour: v.optional(
      v.pipe(
        v.array(
          v.object({
            inkId: id,
            plain: v.optional(v.picklist(['filled', 'left'])),
            reversed: v.optional(v.picklist(['filled', 'left'])),
          }),
        ),
        v.maxLength(4096),
      ),
    ),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const wrong = artworkFault(dataset.value as Artwork);
    if (wrong) addIssue({ message: wrong });
  }),
);

/** What is wrong with an artwork whose parts are all right by themselves, in words; null when nothing is. */
export function artworkFault(artwork: Artwork): string | null {
  const inks = new Set(artwork.inks.map((i) => i.id));
  if (inks.size !== artwork.inks.length) return 'two inks have one id';
  try {
    artwork.inks.forEach((i) => [i.hex, ...(i.gradient?.stops ?? []).map((s) => s.hex)].forEach(hexToRgb));
  } catch {
    return 'an ink has no colour';
  }
  const colourways = artwork.colourways ?? [];
  if (new Set(colourways.map((c) => c.id)).size !== colourways.length) return 'two colourways have one id';
  const seen = new Set<string>();
  for (const { node } of placedNodes(artwork.nodes)) {
    if (seen.has(node.id)) return 'two nodes have one id';
    seen.add(node.id);
    if (seen.size > NODE_LIMIT) return `an artwork has at most ${NODE_LIMIT} nodes`;
  }
  for (const inkId of usedInks(artwork.nodes))
    if (!inks.has(inkId)) return 'a piece has an ink that the artwork does not have';
  return null;
}
