import * as v from 'valibot';
import { DEPTH_NAMES, DEPTH_PARTS, withDepth, withoutDepth } from '../depth';
import { depthPartSchema, id } from '../schema';
import { told } from './combine';
import { counted, defineEdit, must } from './define';

const listed = (names: readonly string[]): string =>
  names.length > 2 ? counted(names.length, 'part') + ' of depth' : names.join(' and ').toLowerCase();

/** Depth about some nodes, or about all but what the mark stands on where none is named: each part a piece of its own, in place of the one of its kind. */
export const depth = defineEdit({
  schema: v.object({
    kind: v.literal('depth'),
    of: v.optional(v.pipe(v.array(id), v.maxLength(50_000)), []),
    parts: v.pipe(v.array(depthPartSchema), v.minLength(1, 'no part was named'), v.maxLength(DEPTH_PARTS.length)),
  }),
  apply(artwork, { of, parts }) {
    must(new Set(parts.map((p) => p.part)).size === parts.length, 'a part is named twice');
    return told(() => withDepth(artwork, of, parts));
  },
  tell: (_before, { parts }) => listed(parts.map((p) => DEPTH_NAMES[p.part])),
});

/** Takes parts of depth out, and their inks. */
export const removeDepth = defineEdit({
  schema: v.object({
    kind: v.literal('remove-depth'),
    parts: v.pipe(v.array(v.picklist(DEPTH_PARTS)), v.minLength(1, 'no part was named')),
  }),
  apply(artwork, { parts }) {
    const after = withoutDepth(artwork, parts);
    must(after.nodes !== artwork.nodes, 'this artwork has no such part of depth');
    return after;
  },
  tell: (_before, { parts }) => `${listed(parts.map((p) => DEPTH_NAMES[p]))} taken out`,
});
