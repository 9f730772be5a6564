import * as v from 'valibot';
import { hexToRgb } from '../../colour';
import { circle, flatten, strokeRings, type Point } from '../../path';
import { coverUnion, layColour } from '../../raster';
import { colourAround } from '../around';
import { copyOf, defineStep, hex, point, RetouchError } from './define';

/** How far what is covered may lie from the round brush's true edge, in pixels. */
const CHORD_PX = 0.02;

/** What a round brush covers along a line of points, as rings; a single place is a dot. */
function brushed(points: readonly Point[], widthPx: number): number[][] {
  const [start, ...rest] = points.filter((p, k) => k === 0 || p[0] !== points[k - 1][0] || p[1] !== points[k - 1][1]);
  if (!rest.length) return [flatten(circle(start[0], start[1], widthPx / 2), CHORD_PX)];
  const line = { start, segments: rest.map((to) => ({ kind: 'line', to }) as const), open: true } as const;
  return strokeRings([line], { widthPx, cap: 'round', join: 'round', mitreLimit: 4 }, CHORD_PX);
}

/** A stroke of a hard round brush, whose edge is covered as a renderer does it. Without a colour it takes the one that is commonest around it. */
export const cover = defineStep({
  schema: v.object({
    kind: v.literal('cover'),
    points: v.pipe(v.array(point), v.minLength(1, 'one point or more'), v.maxLength(20_000, 'at most 20000 points')),
    widthPx: v.pipe(v.number(), v.minValue(1, '1 px or more'), v.maxValue(2000, '2000 px or less')),
    hex: v.optional(v.nullable(hex), null),
  }),
  apply(picture, { points, widthPx, hex: wanted }) {
    const covered = coverUnion(brushed(points, widthPx), picture.widthPx, picture.heightPx);
    if (!covered) throw new RetouchError('The stroke lies outside the picture');
    const rgb = wanted ? hexToRgb(wanted) : colourAround(picture, covered);
    if (!rgb) throw new RetouchError('There is nothing around the stroke to take a colour from: choose one');
    const out = copyOf(picture);
    layColour(out, covered, rgb);
    return out;
  },
  tell: ({ hex: wanted, widthPx }) => `covered${wanted ? ` with ${wanted}` : ''}, ${Math.round(widthPx)} px wide`,
});
