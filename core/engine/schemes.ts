/** Colour schemes that one would sign: one dominant ink, one that supports it, and a spark; and the hues that things have by nature. */
import { hexToOklab, oklabToOklch } from '../colour';
import type { Knobs } from './knobs';

/** Dominant, support, spark. Made for this engine: any two are at least 0.08 apart in lightness. */
export const SCHEMES: readonly (readonly [string, string, string])[] = [
  // Blues.
  ['#1B3557', '#D9B98A', '#E4572E'],
  ['#22304F', '#6C9AC9', '#F2B632'],
  ['#14424F', '#E3C9A0', '#E8743B'],
  ['#243B6B', '#8EA8D6', '#FCB76C'],
  ['#1F2A44', '#C2A878', '#D1495B'],
  ['#2B4C7E', '#E0B252', '#567EBB'],
  // Greens.
  ['#1E4D3A', '#D8C79A', '#D9812B'],
  ['#2F5233', '#8FB060', '#F0C24B'],
  ['#274029', '#8DA880', '#C75A44'],
  ['#0F4C4C', '#A9D3C4', '#F08A3C'],
  ['#3B5D3A', '#E5D3A8', '#B5482A'],
  ['#35605A', '#D6A96C', '#F2D16B'],
  // Reds and wine.
  ['#6B1E2A', '#E8B9A4', '#D4A03A'],
  ['#8C2F39', '#D9B48F', '#2E3A46'],
  ['#A23B2A', '#E6C79C', '#2F4858'],
  ['#5C1A33', '#C88F8A', '#F2BE62'],
  // Oranges and browns.
  ['#B5482A', '#EBCFA4', '#2B2D33'],
  ['#7A4323', '#DDB892', '#E76F2C'],
  ['#5B3A29', '#C9A27E', '#FCBE4D'],
  ['#9C4A1A', '#F0C987', '#33475B'],
  ['#4A342A', '#B58863', '#97BCA2'],
  // Yellows.
  ['#3A3A32', '#E9B949', '#C8553D'],
  ['#2E3532', '#F0C24B', '#8A9A5B'],
  ['#6A4E1E', '#F2C14E', '#3F7C72'],
  ['#D98E04', '#33415C', '#B5482A'],
  ['#DFA01C', '#5A3423', '#B97A3D'],
  ['#D08A14', '#2F4A43', '#A9C4A4'],
  // Violets.
  ['#3F2A56', '#A893CF', '#F5B36B'],
  ['#4B2E4C', '#C48FA3', '#EBCB72'],
  ['#2D2A4A', '#9F9BC8', '#CD5A48'],
  // Neutral with one colour.
  ['#2B2D33', '#B9B4A7', '#D9512C'],
  ['#25282C', '#8E989E', '#F0B53A'],
  ['#33312E', '#C8BBA5', '#3E7C6B'],
];

/** Hues in degrees that things have by nature. */
const NATURAL: readonly [RegExp, number, number][] = [
  [
    /leaf|leaves|tree|sprout|seed|cactus|herb|plant|grass|shrub|fern|clover|broccoli|frog|turtle|tortoise|lizard|crocodile|pine|forest|pea|cucumber|avocado|lime|vine|bamboo|reed/,
    110,
    175,
  ],
  [
    /sun|moon|star|lamp|lantern|candle|banana|lemon|bee|corn|cheese|chick|light|bulb|crown|trophy|lightning|key|wheat|honey|giraffe/,
    62,
    112,
  ],
  [/drop|wave|water|fish|whale|dolphin|shark|cloud|snow|rain|ice|boat|ship|anchor|umbrella|seal|penguin|swallow/, 205, 275],
  [/fox|carrot|pumpkin|orange|flame|fire|tiger|lion|basketball|goldfish|lobster|crab/, 28, 68],
  [
    /hedgehog|bear|beaver|acorn|chestnut|coffee|log|wood|owl|horse|squirrel|mushroom|bread|otter|deer|nest|guitar|violin|barrel/,
    35,
    85,
  ],
  [/heart|apple|cherr|strawberr|tomato|rose|ladybug|lady beetle|chili|pepper|rooster/, 5, 40],
]; // prettier-ignore

const NIGHT = /moon|star|night|planet|comet|telescope/;

/** The hues that a thing has by nature, in degrees from and to; null where it can be of any. */
export function naturalHues(name: string): readonly [number, number] | null {
  const found = NATURAL.find(([words]) => words.test(name));
  return found ? [found[1], found[2]] : null;
}

/** A scheme for what a prompt is of: among those that its own colour leads, or at least supports, where it has one. */
export function schemeFor(name: string | null, k: Knobs): readonly [string, string, string] {
  // What shines at night is set off by a dark blue.
  const hues = name === null ? null : NIGHT.test(name) ? ([235, 300] as const) : naturalHues(name);
  const fits = (hex: string): boolean => {
    const { C, hDeg } = oklabToOklch(hexToOklab(hex));
    return hues !== null && C > 0.045 && hDeg >= hues[0] - 12 && hDeg <= hues[1] + 12;
  };
  const leading = SCHEMES.filter(([dominant]) => fits(dominant));
  const having = SCHEMES.filter(([dominant, support]) => fits(dominant) || fits(support));
  const from = leading.length > 2 ? leading : having.length > 2 ? having : SCHEMES;
  return from[Math.floor(k.steady('palette/scheme') * from.length)];
}
