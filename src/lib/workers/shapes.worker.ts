import { deviationFrom, offeredGuides, pictureEdges } from '$core/redraw';
import {
  applyEdits,
  constructionOfArtwork,
  countPoints,
  depthIsStale,
  drawnShapes,
  economyLines,
  figuresOf,
  greatestStray,
  nearlyLines,
  nearlyWithin,
  oneColoured,
  piecesChanged,
  rampsOf,
  shadowsOf,
  shuffledFor,
  speckLines,
  symmetriesOfArtwork,
  symmetryLines,
  thinnedArtwork,
  thinWithin,
  touchingOf,
  type NearlyLine,
} from '$core/vector';
import type { CurvePoint, Reply, ShapesMade, ShapesRequest, ShapesResult, ShapesWant } from './messages';
import { sentenceOf } from './told';

const reply = (message: Reply<ShapesResult>) => postMessage(message);

/** Nobody waits any more. */
class Late extends Error {}

type Asked<W extends ShapesWant['want']> = ShapesWant & { want: W };

function made({ artwork, edits }: Asked<'edits'>): ShapesMade {
  const { artwork: after, told } = applyEdits(artwork, edits);
  const [before, now] = [artwork, after].map((a) =>
    figuresOf(
      a,
      a.nodes.map((n) => n.id),
    ),
  );
  return {
    put: piecesChanged(artwork, after, told.slice(0, 120)),
    told,
    points: [before.points, now.points],
    areaPx2: [before.areaPx2, now.areaPx2],
    greatestPx: greatestStray(artwork, after),
  };
}

/** Tolerances against that within which thinning out is offered. */
const TIMES = [0.4, 1, 2, 4, 8, 16, 32];

/** Axes of no more groups than this are looked for. */
const GROUPS_MOST = 12;

/** What a request asks for; `between` is called where one may stop, with what there is so far. */
function answerTo(asked: ShapesWant, between: (soFar: ShapesResult) => void): ShapesResult {
  switch (asked.want) {
    case 'edits':
      return made(asked);
    case 'nearly': {
      const found: NearlyLine[] = [];
      // The quick ones first; between them one looks whether anybody still waits.
      for (const look of [speckLines, nearlyLines, symmetryLines, economyLines]) {
        found.push(...look(asked.artwork, asked.nodes));
        between([...found]);
      }
      return found;
    }
    case 'construction': {
      const { artwork, nodes, withinPx } = asked;
      const construction = constructionOfArtwork(artwork, nodes, withinPx);
      between({ construction, axes: [] });
      const groups = artwork.nodes.filter((n) => n.kind === 'group').slice(0, GROUPS_MOST);
      const axes = [null, ...groups.map((g) => g.id)].flatMap((of) => {
        const found = symmetriesOfArtwork(artwork, of === null ? nodes : [of], 2 * nearlyWithin(artwork));
        const axis = found.find((s) => s.kind === 'mirror');
        return axis?.kind === 'mirror' ? [{ of, axis }] : [];
      });
      return { construction, axes };
    }
    case 'curve': {
      const points: CurvePoint[] = [];
      const base = thinWithin(asked.artwork);
      for (const times of TIMES) {
        const tolerancePx = Number((times * base).toPrecision(2));
        const { artwork, greatestPx } = thinnedArtwork(asked.artwork, asked.nodes, tolerancePx);
        points.push({ tolerancePx, points: countPoints(artwork), greatestPx });
        between([...points]);
      }
      return points;
    }
    case 'offered':
      return offeredGuides(asked.edges, asked.sizePx, Math.max(0.6, 0.0012 * asked.sizePx));
    case 'touching':
      return touchingOf(asked.artwork);
    case 'schemes':
      return shuffledFor(asked.artwork, asked.ask);
    case 'one-colour':
      return {
        plain: oneColoured(asked.artwork, { hex: '#000000' }),
        reversed: oneColoured(asked.artwork, { hex: '#FFFFFF', reversed: true }),
      };
    case 'depth': {
      const isStale = depthIsStale(asked.artwork);
      between({ isStale, shadows: [], ramps: [] });
      const shadows = shadowsOf(asked.artwork);
      between({ isStale, shadows, ramps: [] });
      const taken = shadows.flatMap((s) => s.ids);
      return { isStale, shadows, ramps: rampsOf(asked.artwork, taken) };
    }
    case 'deviation':
      return deviationFrom(pictureEdges(asked.edges), drawnShapes(asked.artwork));
  }
}

self.onmessage = ({ data }: MessageEvent<ShapesRequest>) => {
  const { id, stop } = data;
  try {
    const result = answerTo(data, (soFar) => {
      if (stop !== null && Atomics.load(stop, 0) !== 0) throw new Late();
      reply({ id, what: 'coarse', result: soFar });
    });
    reply({ id, what: 'result', result });
  } catch (error) {
    if (error instanceof Late) reply({ id, what: 'stopped' });
    else reply({ id, what: 'error', message: sentenceOf(error) });
  }
};
