import * as v from 'valibot';
import { id } from '../schema';
import { defineEdit, inkFrom, must, withInk, without } from './define';

/** Takes an ink's gradient away; what stood for it stays. */
export const plainInk = defineEdit({
  schema: v.object({ kind: v.literal('plain-ink'), inkId: id }),
  apply(artwork, { inkId }) {
    const ink = inkFrom(artwork, inkId);
    must(ink.gradient, 'this ink has no gradient');
    return withInk(artwork, without(ink, 'gradient'));
  },
  tell: (before, edit) => `${inkFrom(before, edit.inkId).name} made plain`,
});
