/** Edits of an artwork: one kind in each file, put together in a table that page, server, command line and OpenAPI document share. */
import * as v from 'valibot';
import type { Artwork } from '../artwork';
import { artworkFault } from '../schema';
import { addInk } from './add-ink';
import { addColourway, colourwayInks, colourwayName, makeMaster, oneColourChoice, removeColourway } from './colourways';
import { depth, removeDepth } from './depth';
import { cutApart, fillHoles, intersect, subtract, trimHidden, unite } from './combine';
import { EditError, type EditKind } from './define';
import { duplicateNode } from './duplicate-nodes';
import { gradientStop } from './gradient-stop';
import { fillGradient, inkGradient, oneGradient, oneShadow } from './gradients';
import { removeGuide, setGuide } from './guides';
import { inkColour } from './ink-colour';
import { inkName } from './ink-name';
import { mergeInks } from './merge-inks';
import { economy } from './economy';
import { straighten, symmetry } from './exact';
import { border, offset } from './offset';
import { outlineStrokes } from './outline-strokes';
import { putPieces } from './put';
import { nodeEffects, nodeHidden, nodeLocked, nodeName, nodeOpacity, nodeTransform } from './node-look';
import { groupNodes, moveNodes, ungroup } from './order';
import { pieceInk } from './piece-ink';
import { pieceStroke } from './piece-stroke';
import { plainInk } from './plain-ink';
import { addPoint, cutPoint, movePoint, removePoint } from './points';
import { removeNodes } from './remove-nodes';

export { EditError } from './define';

const KINDS = {
  'ink-colour': inkColour,
  'gradient-stop': gradientStop,
  'ink-gradient': inkGradient,
  'fill-gradient': fillGradient,
  'one-gradient': oneGradient,
  'one-shadow': oneShadow,
  'plain-ink': plainInk,
  'ink-name': inkName,
  'add-ink': addInk,
  'merge-inks': mergeInks,
  'piece-ink': pieceInk,
  'piece-stroke': pieceStroke,
  'remove-nodes': removeNodes,
  'duplicate-node': duplicateNode,
  'node-name': nodeName,
  'node-hidden': nodeHidden,
  'node-locked': nodeLocked,
  'node-opacity': nodeOpacity,
  'node-transform': nodeTransform,
  'node-effects': nodeEffects,
  'move-nodes': moveNodes,
  'group-nodes': groupNodes,
  ungroup,
  'move-point': movePoint,
  'add-point': addPoint,
  'remove-point': removePoint,
  'cut-point': cutPoint,
  unite,
  subtract,
  intersect,
  'cut-apart': cutApart,
  'fill-holes': fillHoles,
  'trim-hidden': trimHidden,
  offset,
  economy,
  straighten,
  symmetry,
  border,
  'outline-strokes': outlineStrokes,
  'put-pieces': putPieces,
  'add-colourway': addColourway,
  'remove-colourway': removeColourway,
  'colourway-name': colourwayName,
  'colourway-inks': colourwayInks,
  'make-master': makeMaster,
  'one-colour': oneColourChoice,
  depth,
  'remove-depth': removeDepth,
  'set-guide': setGuide,
  'remove-guide': removeGuide,
} as const;

type Kinds = typeof KINDS;

/** One change to an artwork, as it is sent, kept and told in the history. */
export type Edit = { [K in keyof Kinds]: v.InferOutput<Kinds[K]['schema']> }[keyof Kinds];

/** Any edit, as it comes from outside. */
export const EditSchema = v.variant(
  'kind',
  Object.values(KINDS).map((k) => k.schema) as unknown as [Kinds['ink-colour']['schema']],
) as unknown as v.GenericSchema<unknown, Edit>;

export const EDIT_KINDS = Object.keys(KINDS) as readonly Edit['kind'][];

const kindOf = (edit: Edit): EditKind<v.GenericSchema> => {
  if (!Object.hasOwn(KINDS, edit.kind)) throw new EditError('there is no such edit');
  return KINDS[edit.kind] as unknown as EditKind<v.GenericSchema>;
};

/** The artwork after an edit; the one given stays as it is. Throws an EditError when the edit does not fit it. */
export function applyEdit(artwork: Artwork, edit: Edit): Artwork {
  const after = kindOf(edit).apply(artwork, edit);
  const fault = TOUCHES_IDS.has(edit.kind) ? artworkFault(after) : null;
  if (fault) throw new EditError(fault);
  return after;
}

/** Edits that could make two of one id. */
const TOUCHES_IDS: ReadonlySet<Edit['kind']> = new Set([
  'add-ink',
  'group-nodes',
  'duplicate-node',
  'move-nodes',
  'cut-apart',
  'outline-strokes',
  'put-pieces',
  'fill-gradient',
  'one-gradient',
]);

/** Edits that work shapes out, and may take seconds: not for a thread that others wait for. */
const WORKED_OUT: ReadonlySet<Edit['kind']> = new Set([
  'unite',
  'subtract',
  'intersect',
  'cut-apart',
  'fill-holes',
  'trim-hidden',
  'offset',
  'border',
  'economy',
  'straighten',
  'symmetry',
  'outline-strokes',
  'depth',
  'one-gradient',
  'one-shadow',
]);
export const isWorkedOut = (edit: Edit): boolean => WORKED_OUT.has(edit.kind);

/** What an edit did, in the words of the history. */
export const describeEdit = (before: Artwork, edit: Edit): string => kindOf(edit).tell(before, edit);

/** Edits that belong together, one after the other, and how the history tells them as one. */
export function applyEdits(artwork: Artwork, edits: readonly Edit[]): { artwork: Artwork; told: string } {
  const told: string[] = [];
  let after = artwork;
  for (const edit of edits) {
    told.push(describeEdit(after, edit));
    after = applyEdit(after, edit);
  }
  const [first, ...rest] = [...new Set(told)];
  return { artwork: after, told: rest.length ? `${first}, and ${rest.length} more` : first };
}
