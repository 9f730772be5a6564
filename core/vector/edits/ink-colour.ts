import * as v from 'valibot';
import { readHex } from '../../colour';
import { tinted } from '../gradient';
import { hex, id } from '../schema';
import { defineEdit, hexFrom, inkFrom, withInk } from './define';

/** Changes an ink, and every piece with it. A gradient takes on the colour as a whole, and keeps its change from light to dark. */
export const inkColour = defineEdit({
  schema: v.object({ kind: v.literal('ink-colour'), inkId: id, hex }),
  apply(artwork, { inkId, hex: asked }) {
    const ink = inkFrom(artwork, inkId);
    const to = hexFrom(asked);
    return withInk(artwork, {
      ...ink,
      hex: to,
      ...(ink.gradient ? { gradient: tinted(ink.gradient, ink.hex, to) } : {}),
    });
  },
  tell: (before, edit) => `${inkFrom(before, edit.inkId).name} to ${readHex(edit.hex) ?? edit.hex}`,
});
