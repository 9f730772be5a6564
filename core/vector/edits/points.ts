import * as v from 'valibot';
import type { Piece } from '../artwork';
import { cutAt, placeOfPoint, withNewPoint, withoutPoint, withPointAt } from '../numbers';
import { id, point } from '../schema';
import { defineEdit, must, nodesTold, pieceFrom, withNodes } from './define';

const number = v.pipe(v.number(), v.integer('a whole number'), v.minValue(0));

function placeIn(piece: Piece, asked: number): { contour: number; index: number } {
  const place = placeOfPoint(piece, asked);
  must(place, 'this piece has no such point');
  return place;
}

/** Moves one point of a piece, in the piece's own coordinates, its handles with it. */
export const movePoint = defineEdit({
  schema: v.object({ kind: v.literal('move-point'), nodeId: id, point: number, to: point }),
  apply(artwork, edit) {
    const piece = pieceFrom(artwork, edit.nodeId);
    const { contour, index } = placeIn(piece, edit.point);
    return withNodes(artwork, [edit.nodeId], () => withPointAt(piece, contour, index, edit.to));
  },
  tell: (before, edit) => `a point of ${nodesTold(before, [edit.nodeId])} moved`,
});

/** Adds a point on the way from one point to the next, at a parameter of that segment; the shape stays. */
export const addPoint = defineEdit({
  schema: v.object({
    kind: v.literal('add-point'),
    nodeId: id,
    after: number,
    t: v.pipe(v.number(), v.gtValue(0, 'between two points'), v.ltValue(1, 'between two points')),
  }),
  apply(artwork, edit) {
    const piece = pieceFrom(artwork, edit.nodeId);
    const { contour, index } = placeIn(piece, edit.after);
    must(piece.contours[contour].segments[index], 'nothing comes after the end of an open outline');
    return withNodes(artwork, [edit.nodeId], () => withNewPoint(piece, contour, index, edit.t));
  },
  tell: (before, edit) => `a point added to ${nodesTold(before, [edit.nodeId])}`,
});

/** Takes a point out. */
export const removePoint = defineEdit({
  schema: v.object({ kind: v.literal('remove-point'), nodeId: id, point: number }),
  apply(artwork, edit) {
    const piece = pieceFrom(artwork, edit.nodeId);
    const { contour, index } = placeIn(piece, edit.point);
    return withNodes(artwork, [edit.nodeId], () => withoutPoint(piece, contour, index));
  },
  tell: (before, edit) => `a point of ${nodesTold(before, [edit.nodeId])} removed`,
});

/** Cuts an outline open at a point. */
export const cutPoint = defineEdit({
  schema: v.object({ kind: v.literal('cut-point'), nodeId: id, point: number }),
  apply(artwork, edit) {
    const piece = pieceFrom(artwork, edit.nodeId);
    const { contour, index } = placeIn(piece, edit.point);
    return withNodes(artwork, [edit.nodeId], () => cutAt(piece, contour, index));
  },
  tell: (before, edit) => `${nodesTold(before, [edit.nodeId])} cut open`,
});
