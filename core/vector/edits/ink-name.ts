import * as v from 'valibot';
import { id, nameOf } from '../schema';
import { defineEdit, inkFrom, must, withInk } from './define';

export const inkName = defineEdit({
  schema: v.object({ kind: v.literal('ink-name'), inkId: id, name: nameOf(60) }),
  apply(artwork, edit) {
    const name = edit.name.trim();
    must(name.length > 0 && name.length <= 60, 'an ink needs a name of 1 to 60 characters');
    return withInk(artwork, { ...inkFrom(artwork, edit.inkId), name });
  },
  tell: (before, edit) => `${inkFrom(before, edit.inkId).name} named ${edit.name.trim()}`,
});
