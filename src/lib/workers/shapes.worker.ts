import {
  applyEdits,
  economyLines,
  figuresOf,
  greatestStray,
  nearlyLines,
  piecesChanged,
  speckLines,
  symmetryLines,
  type NearlyLine,
} from '$core/vector';
import type { Reply, ShapesRequest, ShapesResult } from './messages';
import { sentenceOf } from './told';

const reply = (message: Reply<ShapesResult>) => postMessage(message);

self.onmessage = ({ data }: MessageEvent<ShapesRequest>) => {
  const { id, stop, artwork } = data;
  const isLate = (): boolean => stop !== null && Atomics.load(stop, 0) !== 0;
  try {
    if (data.want === 'edits') {
      const { artwork: after, told } = applyEdits(artwork, data.edits);
      const [before, now] = [artwork, after].map((a) =>
        figuresOf(
          a,
          a.nodes.map((n) => n.id),
        ),
      );
      return reply({
        id,
        what: 'result',
        result: {
          put: piecesChanged(artwork, after, told.slice(0, 120)),
          told,
          points: [before.points, now.points],
          areaPx2: [before.areaPx2, now.areaPx2],
          greatestPx: greatestStray(artwork, after),
        },
      });
    }
    const { nodes } = data;
    const found: NearlyLine[] = [];
    // The quick ones first; between them one looks whether anybody still waits.
    for (const look of [speckLines, nearlyLines, symmetryLines, economyLines]) {
      if (isLate()) return reply({ id, what: 'stopped' });
      found.push(...look(artwork, nodes));
      reply({ id, what: 'coarse', result: [...found] });
    }
    reply({ id, what: 'result', result: found });
  } catch (error) {
    reply({ id, what: 'error', message: sentenceOf(error) });
  }
};
