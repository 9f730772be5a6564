import * as v from 'valibot';
import { findNode, type Piece } from '../artwork';
import { meanHex } from '../gradient';
import { coordinate, gradientSchema, hex, id, lengthPx, nameOf, share } from '../schema';
import { withShadow } from '../shadows';
import { combined, IDENTITY } from '../../path';
import { withRamp } from '../ramps';
import { settled } from '../settle';
import { enclosedBy, piecesFrom, replacedPieces, someNodes, told } from './combine';
import { counted, defineEdit, inkFrom, must, pieceFrom, withInk } from './define';
import { nodeIds } from './piece-ink';

/** Stops go up from one to the next. */
const rising = v.pipe(
  gradientSchema,
  v.check(({ stops }) => stops.every((s, k) => k === 0 || s.at >= stops[k - 1].at), 'stops come by rising place'),
  v.check(({ from, to }) => from[0] !== to[0] || from[1] !== to[1], 'a gradient begins and ends in different places'),
);

/** Gives an ink a gradient, in its pieces' own coordinates, in place of the one that it has or of its plain colour. */
export const inkGradient = defineEdit({
  schema: v.object({ kind: v.literal('ink-gradient'), inkId: id, gradient: rising }),
  apply: (artwork, { inkId, gradient }) =>
    withInk(artwork, { ...inkFrom(artwork, inkId), hex: meanHex(gradient), gradient }),
  tell: (before, { inkId, gradient }) =>
    `${inkFrom(before, inkId).name} ${gradient.kind === 'linear' ? 'straight' : 'round'}, ${counted(gradient.stops.length, 'stop')}`,
});

/** Fills pieces, those of groups too, with one gradient over all of them, as a new ink; its places are on the sheet, and pieces that were moved are brought to its coordinates. */
export const fillGradient = defineEdit({
  schema: v.object({
    kind: v.literal('fill-gradient'),
    nodeIds,
    inkId: id,
    name: nameOf(60),
    gradient: rising,
  }),
  apply(artwork, { nodeIds: ids, inkId, name, gradient }) {
    must(!artwork.inks.some((i) => i.id === inkId), 'this artwork has an ink of that id already');
    const by = new Map<string, Piece[]>();
    for (const placed of piecesFrom(artwork, ids)) {
      if (placed.node.inkId === null) continue;
      by.set(placed.node.id, [{ ...settled(artwork, placed), inkId }]);
    }
    must(by.size > 0, 'no piece has an area');
    const inks = [...artwork.inks, { id: inkId, name, hex: meanHex(gradient), gradient }];
    return replacedPieces({ ...artwork, inks }, by);
  },
  tell: (_before, { nodeIds: ids, gradient }) =>
    `a ${gradient.kind === 'linear' ? 'straight' : 'round'} gradient over ${counted(ids.length, 'piece')}`,
});

/** Pieces that are steps of one gradient become one piece with it, in place of the lowest of them; the gradient's places are on the sheet. */
export const oneGradient = defineEdit({
  schema: v.object({
    kind: v.literal('one-gradient'),
    nodes: someNodes,
    inkId: id,
    name: nameOf(60),
    gradient: rising,
  }),
  apply(artwork, { nodes, inkId, name, gradient }) {
    must(!artwork.inks.some((i) => i.id === inkId), 'this artwork has an ink of that id already');
    const pieces = piecesFrom(artwork, nodes);
    const contours = told(() =>
      combined(
        'unite',
        pieces.map((p) => enclosedBy(p, { map: IDENTITY })),
      ),
    );
    must(contours.length > 0, 'no piece has an area');
    return withRamp(artwork, { ids: pieces.map((p) => p.node.id), gradient, contours }, inkId, name);
  },
  tell: (_before, { nodes }) => `${counted(nodes.length, 'piece')} made one gradient`,
});

/** Pieces that are the steps of a soft shadow become one blurred piece, below what casts it; what it falls on is filled where they lay. */
export const oneShadow = defineEdit({
  schema: v.object({
    kind: v.literal('one-shadow'),
    nodes: someNodes,
    of: someNodes,
    on: v.optional(v.nullable(id), null),
    dxPx: coordinate,
    dyPx: coordinate,
    blurPx: lengthPx,
    hex,
    opacity: share,
    pieceId: id,
    inkId: id,
  }),
  apply(artwork, { nodes, of, on, pieceId, inkId, ...look }) {
    must(!artwork.inks.some((i) => i.id === inkId), 'this artwork has an ink of that id already');
    must(!findNode(artwork, pieceId), 'this artwork has a node of that id already');
    const steps = piecesFrom(artwork, nodes).map((p) => p.node.id);
    const cast = piecesFrom(artwork, of).map((p) => p.node.id);
    must(!cast.some((c) => steps.includes(c)), 'a piece cannot be a shadow of itself');
    if (on !== null) {
      pieceFrom(artwork, on);
      must(!steps.includes(on) && !cast.includes(on), 'a shadow falls on another piece');
    }
    return told(() => withShadow(artwork, { ids: steps, of: cast, on, ...look }, pieceId, inkId));
  },
  tell: (_before, { nodes }) => `${counted(nodes.length, 'piece')} made one soft shadow`,
});
