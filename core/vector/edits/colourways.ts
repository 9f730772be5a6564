import * as v from 'valibot';
import type { Artwork, Colourway, OneColourChoice } from '../artwork';
import { MASTER_NAME, withHexes } from '../colourways';
import { colourwaySchema, hex, id, nameOf } from '../schema';
import { defineEdit, hexFrom, inkFrom, must } from './define';

/** More colourways than this are no choice. */
const MOST = 200;

function colourwayIn(artwork: Artwork, colourwayId: string): Colourway {
  const found = artwork.colourways?.find((c) => c.id === colourwayId);
  must(found, 'this artwork has no such colourway');
  return found;
}

const withColourway = (artwork: Artwork, changed: Colourway): Artwork => ({
  ...artwork,
  colourways: artwork.colourways!.map((c) => (c.id === changed.id ? changed : c)),
});

/** One more colourway, after the others. */
export const addColourway = defineEdit({
  schema: v.object({ kind: v.literal('add-colourway'), colourway: colourwaySchema }),
  apply(artwork, { colourway }) {
    const own = artwork.colourways ?? [];
    must(!own.some((c) => c.id === colourway.id), 'this artwork has a colourway of that id already');
    must(own.length < MOST, `an artwork has at most ${MOST} colourways`);
    return { ...artwork, colourways: [...own, colourway] };
  },
  tell: (_before, { colourway }) => `colourway ${colourway.name} added`,
});

export const removeColourway = defineEdit({
  schema: v.object({ kind: v.literal('remove-colourway'), colourwayId: id }),
  apply(artwork, { colourwayId }) {
    colourwayIn(artwork, colourwayId);
    const colourways = artwork.colourways!.filter((c) => c.id !== colourwayId);
    const { colourways: _gone, ...rest } = artwork;
    return colourways.length ? { ...rest, colourways } : rest;
  },
  tell: (before, { colourwayId }) => `colourway ${colourwayIn(before, colourwayId).name} removed`,
});

/** Names a colourway; the master where none is named. */
export const colourwayName = defineEdit({
  schema: v.object({ kind: v.literal('colourway-name'), colourwayId: v.nullable(id), name: nameOf(60) }),
  apply: (artwork, { colourwayId, name }) =>
    colourwayId === null
      ? { ...artwork, masterName: name }
      : withColourway(artwork, { ...colourwayIn(artwork, colourwayId), name }),
  tell: (before, { colourwayId, name }) =>
    `${colourwayId === null ? (before.masterName ?? MASTER_NAME) : colourwayIn(before, colourwayId).name} named ${name}`,
});

/** Changes inks of a colourway, of that alone. */
export const colourwayInks = defineEdit({
  schema: v.object({
    kind: v.literal('colourway-inks'),
    colourwayId: id,
    inks: v.pipe(v.array(v.object({ inkId: id, hex })), v.minLength(1, 'one ink or more'), v.maxLength(4096)),
  }),
  apply(artwork, { colourwayId, inks }) {
    const own = colourwayIn(artwork, colourwayId);
    const by = new Map(own.inks.map((i) => [i.inkId, i.hex]));
    for (const { inkId, hex: to } of inks) by.set(inkFrom(artwork, inkId).id, hexFrom(to));
    return withColourway(artwork, { ...own, inks: [...by].map(([inkId, to]) => ({ inkId, hex: to })) });
  },
  tell: (before, { colourwayId, inks }) =>
    `${colourwayIn(before, colourwayId).name}: ${inks.length === 1 ? `${inkFrom(before, inks[0].inkId).name} to ${inks[0].hex}` : `${inks.length} inks changed`}`,
});

/** Makes a colourway the master, and the master a colourway in its place. */
export const makeMaster = defineEdit({
  schema: v.object({ kind: v.literal('make-master'), colourwayId: id }),
  apply(artwork, { colourwayId }) {
    const own = colourwayIn(artwork, colourwayId);
    const before: Colourway = {
      id: own.id,
      name: artwork.masterName ?? MASTER_NAME,
      inks: artwork.inks.map((i) => ({ inkId: i.id, hex: i.hex })),
    };
    const now = withHexes(artwork, new Map(own.inks.map((i) => [i.inkId, i.hex])));
    return { ...withColourway(now, before), masterName: own.name };
  },
  tell: (before, { colourwayId }) => `${colourwayIn(before, colourwayId).name} made the master`,
});

/** Decides what becomes of an ink in one colour, on a light ground or reversed; null leaves it to what touches what. */
export const oneColourChoice = defineEdit({
  schema: v.object({
    kind: v.literal('one-colour'),
    inkId: id,
    on: v.picklist(['plain', 'reversed']),
    state: v.nullable(v.picklist(['filled', 'left'])),
  }),
  apply(artwork, { inkId, on, state }) {
    inkFrom(artwork, inkId);
    const own = artwork.oneColour?.find((c) => c.inkId === inkId);
    const { [on]: _before, ...rest } = own ?? { inkId };
    const choice: OneColourChoice = { ...rest, inkId, ...(state ? { [on]: state } : {}) };
    const others = (artwork.oneColour ?? []).filter((c) => c.inkId !== inkId);
    const oneColour = choice.plain || choice.reversed ? [...others, choice] : others;
    const { oneColour: _gone, ...bare } = artwork;
    return oneColour.length ? { ...bare, oneColour } : bare;
  },
  tell: (before, { inkId, on, state }) => {
    const what = state === null ? 'decided by what it touches' : state === 'filled' ? 'filled' : 'left out';
    return `${inkFrom(before, inkId).name} ${what} ${on === 'plain' ? 'in one colour' : 'where it is reversed'}`;
  },
});
