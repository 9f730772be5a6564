import * as v from 'valibot';
import { inkSchema } from '../schema';
import { defineEdit, must } from './define';

/** A new ink, which no piece has yet. */
export const addInk = defineEdit({
  schema: v.object({ kind: v.literal('add-ink'), ink: inkSchema }),
  apply(artwork, { ink }) {
    must(!artwork.inks.some((i) => i.id === ink.id), 'this artwork has an ink of that id already');
    return { ...artwork, inks: [...artwork.inks, ink] };
  },
  tell: (_before, edit) => `${edit.ink.name} added`,
});
