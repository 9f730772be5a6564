import * as v from 'valibot';
import { guideSchema, id } from '../schema';
import { defineEdit, must } from './define';

/** Sets a guide, or puts one of that id elsewhere. */
export const setGuide = defineEdit({
  schema: v.object({ kind: v.literal('set-guide'), guide: guideSchema }),
  apply(artwork, { guide }) {
    const known = artwork.guides.some((g) => g.id === guide.id);
    must(known || artwork.guides.length < 1000, 'an artwork has at most 1000 guides');
    return {
      ...artwork,
      guides: known ? artwork.guides.map((g) => (g.id === guide.id ? guide : g)) : [...artwork.guides, guide],
    };
  },
  tell: (before, { guide }) => `a guide ${before.guides.some((g) => g.id === guide.id) ? 'moved' : 'set'}`,
});

export const removeGuide = defineEdit({
  schema: v.object({ kind: v.literal('remove-guide'), guideId: id }),
  apply(artwork, { guideId }) {
    must(
      artwork.guides.some((g) => g.id === guideId),
      'this artwork has no such guide',
    );
    return { ...artwork, guides: artwork.guides.filter((g) => g.id !== guideId) };
  },
  tell: () => 'a guide removed',
});
