import * as v from 'valibot';
import { readHex } from '../../colour';
import { meanHex } from '../gradient';
import { hex, id } from '../schema';
import { defineEdit, hexFrom, inkFrom, must, withInk } from './define';

/** Changes one colour of an ink's gradient. */
export const gradientStop = defineEdit({
  schema: v.object({
    kind: v.literal('gradient-stop'),
    inkId: id,
    stop: v.pipe(v.number(), v.integer('a whole number'), v.minValue(0), v.maxValue(63)),
    hex,
  }),
  apply(artwork, { inkId, stop, hex: asked }) {
    const ink = inkFrom(artwork, inkId);
    must(ink.gradient?.stops[stop], 'this artwork has no gradient with such a stop');
    const to = hexFrom(asked);
    const gradient = { ...ink.gradient, stops: ink.gradient.stops.map((s, k) => (k === stop ? { ...s, hex: to } : s)) };
    return withInk(artwork, { ...ink, hex: meanHex(gradient), gradient });
  },
  tell: (before, edit) =>
    `stop ${edit.stop + 1} of ${inkFrom(before, edit.inkId).name} to ${readHex(edit.hex) ?? edit.hex}`,
});
