/** Colour schemes that one would sign: one dominant ink, one that supports it, and a spark; and the hues that things have by nature. */
import { nounKind } from '../prompt';
import { hexToOklab, oklabToOklch } from '../colour';
import { isCreature } from './built';
import { isRole } from './creature';
import type { Land } from './grounds';
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

/** Hues in degrees that things have by nature, or are shown in by custom; a hyphen stands for the blank of a name of two words. */
const NATURAL: readonly (readonly [names: string, from: number, to: number])[] = [
  ['terrarium cricket locust mantis hanging-basket window-box combine-harvester lily-pad lettuce spinach zucchini courgette asparagus aloe succulent palm willow oak hedge ivy basil rosemary sage thyme parsley dill iguana gecko sapling seedling bush algae seaweed kelp forest jungle hill wreath laurel fir spruce cedar eucalyptus matcha pistachio parakeet pickle tractor birch maple leaf leaves tree sprout seed cactus herb plant grass shrub fern clover broccoli frog toad turtle tortoise lizard crocodile alligator chameleon dinosaur cobra snake python mantis grasshopper caterpillar dragon parrot pine pea cucumber avocado lime vine bamboo reed tea kale cabbage olive mint moss garden tent hops artichoke cypress watermelon', 110, 175],
  ['hay-bale firefly boiled-egg excavator steamroller cement-mixer crane-tower oil-lamp bell beehive hive honeycomb pencil taxi cab rubber-duck sponge noodles pasta dandelion daffodil daisy hay haystack straw popcorn coin ring bulb flashlight cheetah leopard harp trombone tuba horn mustard sparkle giraffe starfruit egg sun pineapple melon pear quince sandcastle moon star lamp lantern candle banana lemon bee corn cheese chick duckling light crown trophy lightning key wheat honey lion canary beer sunflower butter trumpet saxophone goblet medal', 62, 112],
  ['milk-carton dragonfly swimming-pool perfume-bottle washing-line pelican ibis jeans ocean sea river lake pond fountain faucet shower submarine ferry yacht sailboat globe earth jay bluebird ray stingray tuna sardine trout marlin orca manatee igloo snowflake snowman glacier diamond sapphire bubble soap toothbrush seahorse puffin waterfall kite police drop wave water fish swordfish piranha whale narwhal dolphin shark cloud snow rain ice boat ship canoe anchor umbrella seal penguin swallow swan goose gull stork heron dove elephant wolf rhino hippo koala mouse rat raccoon badger panda zebra cat pigeon magpie crow raven walrus airplane rocket balloon tooth knight sword shield robot iceberg bluebell kingfisher', 205, 275],
  ['life-jacket red-panda koi sunset sunrise squash persimmon apricot campfire torch marigold salamander crayfish prawn lynx fox peach nectarine mango papaya tangerine grapefruit carrot pumpkin orange flame fire tiger basketball goldfish lobster crab shrimp clownfish phoenix brick fireplace monarch', 28, 68],
  ['kebab moth cocoon kiln pincushion embroidery-hoop clothes-peg ostrich emu vulture condor woodpecker lark nightingale finch thrush pelt toast sandwich burger hamburger potato muffin biscuit cracker brownie caramel cocoa latte espresso chest crate basket broom cabin fence bench table chair bookshelf banjo ukulele lute wallet suitcase briefcase satchel leather belt shoe teddy ferret marmot groundhog chipmunk gopher platypus wombat armadillo anteater aardvark buffalo yak antelope gazelle ibex jackal hyena coyote dingo pug beagle dachshund terrier spaniel tarantula truffle cinnamon twig branch plank stump pot jug pancake pancakes pie piano tipi lyre hedgehog coconut hazelnut walnut peanut almond violin cello bread pretzel croissant bear beaver rabbit hare acorn chestnut coffee log wood owl horse pony squirrel mushroom otter deer stag reindeer moose elk nest guitar mandolin barrel donkey mule kangaroo dog puppy sloth monkey gorilla camel llama alpaca bison bull ox cow goat sheep ram boar meerkat capybara hamster mole weasel eagle hawk falcon sparrow wren turkey pheasant chicken hen kiwi snail cookie chocolate cake boot saddle whisky cigar moustache beard gingerbread bagel waffle pinecone antlers', 35, 85],
  ['phone-box squeeze-bottle drink-can punchbag boxing-gloves oven-glove chainsaw barn radish beet cranberry cardinal macaw tulip carnation hibiscus ham bacon sausage meat ketchup jam hydrant extinguisher magnet toadstool candy lollipop robin wineglass heart pomegranate watermelon strawberries apple cherry cherries strawberry raspberry tomato rose ladybug ladybird beetle chili pepper rooster flamingo pig piglet lips poppy salmon steak wine mitten', 0, 40],
  ['violet lilac wisteria galaxy potion crystal heather turnip unicorn aubergine beetroot bat wizard saffron grape blueberry blueberries grapes plum lavender octopus squid eggplant orchid crocus blackberry butterfly jellyfish amethyst thistle iris fig', 285, 345],
]; // prettier-ignore

/** Schemes of landscapes: what stands in them, the ground or the water, and what shines or is behind. */
const LANDS: Readonly<Record<Land, readonly (readonly [string, string, string])[]>> = {
  wet: [
    ['#1B3557', '#8FB8D8', '#E8A23C'],
    ['#5B3A29', '#8FB4C9', '#E8B24A'],
    ['#7A3B22', '#86AFC0', '#F0C24B'],
    ['#14424F', '#8CC0BE', '#E8743B'],
    ['#25282C', '#8FB0C4', '#F0B53A'],
  ],
  stream: [
    ['#1E4D3A', '#C5CE96', '#5F9DBF'],
    ['#5B3A29', '#DCC79A', '#5F9DBF'],
    ['#8A4420', '#D9CF9C', '#4F8FB0'],
    ['#1B3557', '#CFC48E', '#5C9CC0'],
    ['#25282C', '#CFC8A8', '#5F9DBF'],
  ],
  green: [
    ['#22304F', '#8CA886', '#F2C14E'],
    ['#2F5233', '#A9C07A', '#F0C24B'],
    ['#5B3A29', '#A8B878', '#E9A93C'],
    ['#8A4420', '#A9B684', '#F2C14E'],
    ['#1E4D3A', '#9DB98A', '#E8943A'],
    ['#25282C', '#9DAF84', '#F0B53A'],
  ],
  dry: [
    ['#6B3A22', '#E3BF86', '#E76F2C'],
    ['#33415C', '#DDB98A', '#D9692C'],
    ['#25282C', '#D8C3A0', '#D9512C'],
  ],
};

const HUES = new Map(NATURAL.flatMap(([names, from, to]) => names.split(' ').map((n) => [n.replaceAll('-', ' '), [from, to] as const] as const))); // prettier-ignore

/** For two that are each known by a colour: red with green, which nothing alone would wear. */
const MEETING: readonly (readonly [string, string, string])[] = [['#A3312A', '#7F9F5A', '#2B2D33'], ['#9C2F2A', '#8DA86A', '#F0C87A'], ['#D98E04', '#4F7A4A', '#3A2F28']]; // prettier-ignore

/** What lives on the ice, and is as cool as that. */
export const PALE = /^(?:(?:polar|arctic|snowy|snow|ice)\b|(?:dove|gull|seagull|egret|albatross|heron)$)/i;
/** What is black and white by nature. */
const BLACK =
  /^(?:panda|koala|zebra|penguin|badger|skunk|raccoon|orca|panther|magpie|puffin|crow|raven|spider|ant|fly|stork|piano|football|dice|chess\b.*)$/;
const PEOPLE =
  /^(?:man|woman|girl|boy|child|baby|person|mermaid|angel|elf|fairy|genie|grandmother|grandfather|mother|father|lady|hand|face)$/;
/** For what is black and white: its light parts are nearly that. */
const NEUTRAL: readonly (readonly [string, string, string])[] = [['#2B2D33', '#DAD7CE', '#B4B5B6'], ['#25282C', '#D9DDE0', '#AEB6BD'], ['#33312E', '#DDD6C6', '#B7AF9F']]; // prettier-ignore
/** For what is white: the lightest of each is nearly that. */
const WHITE: readonly (readonly [string, string, string])[] = [['#1B3557', '#B9CFE0', '#6C9AC9'], ['#22404F', '#BFD6D8', '#5F9DA8'], ['#2D2A4A', '#C3C6DE', '#8A8FC0']]; // prettier-ignore
/** For what is pink. */
const PINKS: readonly (readonly [string, string, string])[] = [['#DE7F92', '#F6CDD2', '#6B2A3C'], ['#D9707F', '#F3C6C1', '#4B2E4C'], ['#E28A86', '#F7D3C8', '#5C1A33']]; // prettier-ignore
const PINK = /^(?:pig|piglet|flamingo|axolotl|(?:cherry )?blossoms?)$/;
const NIGHT = /moon|star|night|planet|comet|telescope/;

/** The hues that a thing has by nature, in degrees from and to; null where it can be of any. */
export function naturalHues(name: string): readonly [number, number] | null {
  if (PALE.test(name)) return [205, 275];
  const whole = HUES.get(name);
  if (whole) return whole;
  // The last word of a name says what it is: a lion fish is a fish.
  for (const word of name.toLowerCase().split(' ').reverse()) {
    const found = HUES.get(word) ?? HUES.get(word.replace(/s$/, ''));
    if (found) return found;
  }
  // What grows is green, what is eaten baked or roasted.
  const kind = nounKind(name);
  return kind === 'plant' ? [110, 175] : kind === 'food' ? [35, 85] : null;
}

/** What a scheme is for, besides what the prompt is of. */
export interface SchemeFor {
  /** The land that the figures are in. */
  readonly land?: Land | null;
  /** The second figure. */
  readonly second?: string | null;
}

/** What is orange, and not brown. */
const VIVID = /^(?:carrot|pumpkin|jack o lantern|orange|tangerine|mandarin|clementine|clownfish|tropical fish|goldfish|tiger|fox|fox tail|red panda|persimmon|apricot|orangutan)$/; // prettier-ignore
const ORANGES: readonly (readonly [string, string, string])[] = [
  ['#D9622B', '#F2D7AC', '#2F4858'],
  ['#DE6A24', '#F3DDB9', '#4A342A'],
  ['#D4581F', '#F0CF9A', '#25313B'],
];
/** Of what is orange, what has leaves of its own. */
const LEAVED = /^(?:carrot|pumpkin|orange|tangerine|mandarin|clementine|persimmon|apricot)$/;
const ORANGES_IN_LEAF: readonly (readonly [string, string, string])[] = [
  // Lighter than what they grow on, as leaves are drawn.
  ['#DE6A24', '#A3C068', '#F3DDB9'],
  ['#D9622B', '#9DBB6B', '#2F4858'],
];
/** What is yellow, and not brown. */
const LEMONY = /^(?:lemon|banana|pineapple|corn|cheese|cheese wheel|chick|rubber duck|daffodil|sunflower|duckling|butter|starfruit)$/; // prettier-ignore
const YELLOWS: readonly (readonly [string, string, string])[] = [
  ['#E2A51B', '#35502F', '#8FB060'],
  ['#E0A921', '#4A342A', '#F3E3B8'],
  ['#DFA01C', '#2F4858', '#9DBB6B'],
];
/** A scheme for what a prompt is of: among those that its own colour leads, or at least supports, where it has one; then among those that have the second figure's. In a landscape the ground has its colour too. */
export function schemeFor(
  name: string | null,
  k: Knobs,
  { land = null, second = null }: SchemeFor = {},
): readonly [string, string, string] {
  const oneOf = <T>(schemes: readonly T[]): T => schemes[Math.floor(k.steady('palette/scheme') * schemes.length)];
  // What shines at night is set off by a dark blue.
  const hues = name === null ? null : NIGHT.test(name) ? ([235, 300] as const) : naturalHues(name);
  const isOf = (hex: string, from: number, to: number): boolean => {
    const { C, hDeg } = oklabToOklch(hexToOklab(hex));
    return C > 0.045 && hDeg >= from - 12 && hDeg <= to + 12;
  };
  const fits = (hex: string): boolean => {
    const { C, hDeg } = oklabToOklch(hexToOklab(hex));
    // Of what lives and has no hue of its own, none is green.
    if (hues === null) return isCreature(name ?? '') && (C < 0.03 || hDeg < 95 || hDeg > 215);
    // What is red is red, and not brown.
    return isOf(hex, ...hues) && (hues[0] > 0 || hues[1] > 40 || C > 0.11);
  };
  if (land) {
    const all = LANDS[land];
    const own = name !== null && BLACK.test(name) ? all.filter(([hex]) => hex === '#25282C') : all.filter(([hex]) => fits(hex));
    const from = own.length ? own : all;
    if (name !== null && PINK.test(name)) {
      const [, water, spark] = oneOf(all);
      return [PINKS[0][0], water, spark];
    }
    return oneOf(from);
  } // prettier-ignore
  if (name !== null && PALE.test(name)) return oneOf(WHITE);
  if (name !== null && PINK.test(name)) return oneOf(PINKS);
  if (name !== null && BLACK.test(name)) return oneOf(NEUTRAL);
  if (name !== null && LEMONY.test(name)) return oneOf(YELLOWS);
  if (name !== null && VIVID.test(name) && second === null) return oneOf(LEAVED.test(name) ? ORANGES_IN_LEAF : ORANGES);
  // Nobody's skin is green: of people the lighter ink is warm.
  if (name !== null && (isRole(name) || PEOPLE.test(name))) {
    const warm = SCHEMES.filter(([, support]) => {
      const { L, C, hDeg } = oklabToOklch(hexToOklab(support));
      return L > 0.68 && C > 0.02 && hDeg > 30 && hDeg < 96;
    });
    return oneOf(warm);
  }
  // A thing that may be of any colour leaves the second figure its own.
  const lent = hues === null && name !== null && !isCreature(name) && second !== null ? naturalHues(second) : null;
  const lending = lent ? SCHEMES.filter(([dominant, support, spark]) => !isOf(dominant, ...lent) && [support, spark].some((hex) => isOf(hex, ...lent))) : []; // prettier-ignore
  if (lent && lending.length > 2) {
    const [dominant, support, spark] = oneOf(lending);
    return isOf(support, ...lent) ? [dominant, support, spark] : [dominant, spark, support];
  }
  const leading = SCHEMES.filter(([dominant]) => fits(dominant));
  const having = SCHEMES.filter(([dominant, support]) => fits(dominant) || fits(support));
  const from = leading.length > 2 ? leading : having.length > 2 ? having : SCHEMES;
  // What goes with it has its own colour too, where a scheme is of both.
  const other = second === null || hues === null || isCreature(second) ? null : naturalHues(second);
  const both = other
    ? [...from, ...MEETING.filter(([dominant]) => fits(dominant))].filter(([, support, spark]) =>
        [support, spark].some((hex) => isOf(hex, ...other)),
      )
    : [];
  const of = both.length ? both : from;
  const [dominant, support, spark] = oneOf(of);
  return both.length && !isOf(support, ...other!) ? [dominant, spark, support] : [dominant, support, spark];
}
