import * as v from 'valibot';
import { renderArtwork } from '../../scene';
import { trace } from '../../trace';
import { defineStep, RetouchError } from './define';

/** Noise and soft edges gone: the picture traced closely and drawn again, with flat colours, even gradients and edges as crisp as a renderer makes them. */
export const redraw = defineStep({
  schema: v.object({ kind: v.literal('redraw') }),
  apply(picture) {
    const { artwork } = trace(picture, {
      ground: 'keep',
      gradients: true,
      speckPx2: 4,
      smoothness: 20,
      symmetry: 'off',
    });
    if (!artwork.nodes.length) throw new RetouchError('There is nothing in the picture that could be drawn again');
    return renderArtwork(artwork, Math.max(picture.widthPx, picture.heightPx));
  },
  tell: () => 'noise and soft edges gone',
});
