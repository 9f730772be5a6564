/** Kinds of animal, by what makes each known: skull, ears, horns, muzzle and markings; and how its body is built seen from the side. */

/** Half widths at the crown, the cheeks and the jaw, and heights of the top, the cheeks and the chin, in a field of 100 x 100. */
export const SKULLS = {
  round: [24, 33, 21, 26, 55, 85],
  wide: [25, 37, 25, 31, 59, 85],
  wedge: [24, 36, 11, 29, 54, 87],
  slim: [18, 24, 14, 26, 48, 89],
  long: [20, 24, 15, 18, 42, 92],
  ball: [26, 33, 23, 24, 55, 86],
  tall: [22, 27, 20, 20, 53, 88],
  broad: [26, 35, 27, 26, 55, 86],
  face: [21, 25, 17, 23, 52, 87],
  case: [30, 34, 30, 26, 55, 85],
} as const; // prettier-ignore
export type Skull = keyof typeof SKULLS;

export type Ears = 'point' | 'tufted' | 'round' | 'long' | 'leaf' | 'flop' | 'side' | 'small' | 'huge' | 'fin';
export type Horns = 'antlers' | 'palms' | 'ram' | 'short' | 'spikes' | 'nubs' | 'nose' | 'single' | 'straight';
export type Muzzle = 'mask' | 'round' | 'cat' | 'wide' | 'pig' | 'bud' | 'long' | 'frog' | 'beak' | 'hook' | 'bill' | 'great' | 'slender' | 'trunk' | 'snub' | 'ape' | 'grooves' | 'jaws' | 'human' | 'visor' | 'none'; // prettier-ignore
export type Mark =
  | 'patches' | 'bandit' | 'stripes' | 'bands' | 'blaze' | 'mane' | 'wool' | 'spines' | 'spots' | 'discs' | 'cap' | 'blush' | 'comb' | 'crest' | 'quiff' | 'wattle'
  | 'forelock' | 'whiskers' | 'tusks' | 'teeth' | 'antennae' | 'bumps' | 'brow' | 'ruff' | 'tentacles' | 'shell' | 'sail' | 'spout' | 'heart' | 'chops' | 'beard' | 'tips' | 'bill tip' | 'dome' | 'stalks' | 'pincers' | 'hoops'
  | 'bib'
  | 'aerial' | 'bolts'
  | 'blades' | 'vanes' | 'fans' | 'hoppers' | 'crooked' | 'lamp' | 'many eyes' | 'big eyes'
  | 'coils'
  | 'ring'
  | 'droop'
  | 'lore'
  | 'wings' | 'hair' | 'long hair' | 'bob' | 'bun' | 'full beard' | 'moustache' | 'curls' | 'bald'; // prettier-ignore

/** How a body is built, from the side. */
export type Build = 'cat' | 'dog' | 'bear' | 'hoofed' | 'heavy' | 'rodent' | 'hopper' | 'ape' | 'songbird' | 'wader' | 'fowl' | 'raptor' | 'penguin' | 'runner' | 'fish' | 'whale'; // prettier-ignore
export type Tail =
  'bushy' | 'thin' | 'stub' | 'brush' | 'curl' | 'tuft' | 'flat' | 'ringed' | 'long' | 'plume' | 'none';

export interface Kind {
  readonly skull: Skull;
  readonly ears?: readonly [Ears, number];
  readonly horns?: Horns;
  readonly muzzle: Muzzle;
  readonly marks: readonly Mark[];
  /** Lightness of fur, second tone and accent where they are not the usual. */
  readonly tones?: readonly number[];
  readonly body?: { readonly build: Build; readonly tail: Tail; readonly neck?: number; readonly legs?: number; readonly bulk?: number };
} // prettier-ignore

const rows: readonly (readonly [string, Skull, string, Muzzle, string, string, (readonly number[])?])[] = [
  // name, skull, ears and their size or horns, muzzle, marks, build tail neck legs bulk
  ['cat', 'wide', 'point 0.9', 'cat', 'whiskers', 'cat thin'],
  ['tiger', 'broad', 'round 0.85', 'cat', 'stripes chops', 'cat thin 1 1 1.15', [0.6, 0.5, 0.8]],
  ['lion', 'broad', 'round 0.7', 'cat', 'mane', 'cat tuft 1 1 1.15', [0.68, 0.42, 0.8]],
  ['lioness', 'broad', 'round 0.85', 'cat', '', 'cat tuft 1 1 1.1', [0.68, 0.5, 0.8]],
  ['lynx', 'wide', 'tufted 0.95', 'cat', 'ruff spots', 'cat stub'],
  ['leopard', 'broad', 'round 0.8', 'cat', 'spots', 'cat thin', [0.66, 0.5, 0.82]],
  ['cheetah', 'round', 'round 0.75', 'cat', 'spots', 'cat thin 1.1 1.25 0.85', [0.68, 0.5, 0.82]],
  ['panther', 'broad', 'round 0.8', 'cat', 'whiskers', 'cat thin', [0.18, 0.34, 0.7]],
  ['fox', 'wedge', 'point 1.1', 'mask', 'tips', 'dog bushy', [0.5, 0.3, 0.7]],
  ['wolf', 'wedge', 'point 0.95', 'mask', 'ruff brow', 'dog brush 1 1.1 1.1', [0.38, 0.58, 0.75]],
  ['wolf in wool', 'wedge', 'point 0.95', 'mask', 'ruff brow wool', 'dog brush 1 1.1 1.1', [0.38, 0.9, 0.75]],
  ['coyote', 'wedge', 'point 1.2', 'mask', '', 'dog brush', [0.55, 0.4, 0.75]],
  ['dog', 'round', 'flop 1', 'round', 'blaze', 'dog curl'],
  ['bear', 'broad', 'round 0.95', 'round', '', 'bear stub', [0.34, 0.5, 0.7]],
  ['polar bear', 'broad', 'round 0.75', 'round', '', 'bear stub 1.2', [0.86, 0.7, 0.6]],
  ['panda', 'wide', 'round 1', 'round', 'patches', 'bear stub', [0.9, 0.14, 0.7]],
  ['red panda', 'wide', 'point 0.7', 'round', 'chops brow tips', 'bear ringed 1 0.8 0.9', [0.45, 0.25, 0.8]],
  ['koala', 'wide', 'side 1.62', 'snub', '', 'bear none', [0.55, 0.78, 0.75]],
  ['raccoon', 'wide', 'point 0.65', 'mask', 'bandit', 'bear ringed', [0.5, 0.35, 0.75]],
  ['badger', 'wedge', 'small 1', 'round', 'bands', 'bear brush 1 0.7 1', [0.96, 0.2, 0.6]],
  ['skunk', 'wedge', 'small 1', 'bud', 'blaze', 'rodent plume', [0.16, 0.5, 0.7]],
  ['otter', 'wide', 'small 0.9', 'round', 'whiskers', 'rodent long 1.1 0.8 1', [0.38, 0.56, 0.75]],
  ['beaver', 'wide', 'small 1', 'round', 'teeth', 'rodent flat', [0.34, 0.5, 0.7]],
  ['squirrel', 'round', 'point 0.9', 'bud', 'teeth', 'rodent plume', [0.45, 0.6, 0.76]],
  ['mouse', 'round', 'round 1.5', 'bud', 'whiskers', 'rodent thin 0.9 0.8 0.9', [0.56, 0.68, 0.78]],
  ['mole', 'wedge', 'small 0.01', 'bud', 'whiskers', 'rodent stub 0.9 0.6 1.1', [0.24, 0.5, 0.72]],
  ['rat', 'wedge', 'round 1', 'bud', 'whiskers teeth', 'rodent thin', [0.42, 0.58, 0.76]],
  ['hamster', 'wide', 'round 0.7', 'bud', 'blush chops', 'rodent none', [0.68, 0.8, 0.76]],
  ['rabbit', 'round', 'long 1', 'bud', 'teeth', 'hopper stub', [0.62, 0.5, 0.76]],
  ['hare', 'slim', 'long 1.2', 'bud', 'tips', 'hopper stub 1.1 1.25 0.9', [0.5, 0.4, 0.74]],
  ['kangaroo', 'slim', 'leaf 1.2', 'bud', '', 'hopper long 1.2 1.3 1.2', [0.52, 0.6, 0.74]],
  ['hedgehog', 'round', 'small 1', 'mask', 'spines', 'rodent none', [0.34, 0.7, 0.8]],
  ['monkey', 'round', 'side 1', 'ape', 'quiff', 'ape long', [0.36, 0.72, 0.8]],
  ['gorilla', 'broad', 'side 0.55', 'ape', 'brow', 'ape none', [0.2, 0.42, 0.6]],
  ['yeti', 'broad', 'side 0.45', 'ape', 'brow quiff', 'ape none', [0.92, 0.5, 0.7]],
  ['sloth', 'wide', 'small 0.01', 'round', 'droop', 'ape none', [0.46, 0.24, 0.78]],
  ['cow', 'long', 'leaf 1 short', 'wide', 'patches forelock', 'hoofed tuft', [0.92, 0.2, 0.78]],
  ['bull', 'tall', 'leaf 0.9 spikes', 'wide', 'forelock brow', 'hoofed tuft 1 0.95 1.25', [0.26, 0.4, 0.7]],
  ['bison', 'tall', 'leaf 0.7 short', 'wide', 'wool beard', 'hoofed tuft 0.8 0.85 1.4', [0.3, 0.2, 0.62]],
  ['goat', 'slim', 'leaf 1.1 straight', 'bud', 'beard', 'hoofed stub', [0.86, 0.6, 0.74]],
  ['ram', 'slim', 'leaf 0.7 ram', 'bud', 'wool', 'hoofed stub 1 0.9 1.15', [0.84, 0.6, 0.7]],
  ['sheep', 'slim', 'leaf 1', 'bud', 'wool', 'hoofed stub 0.9 0.75 1.3', [0.24, 0.9, 0.7]],
  ['deer', 'slim', 'leaf 1.25', 'bud', 'spots', 'hoofed stub 1.25 1.2 0.85', [0.55, 0.72, 0.8]],
  ['stag', 'slim', 'leaf 1 antlers', 'bud', '', 'hoofed stub 1.3 1.2 0.95', [0.4, 0.62, 0.74]],
  ['moose', 'tall', 'leaf 0.9 palms', 'wide', 'beard', 'hoofed stub 1 1.2 1.2', [0.32, 0.55, 0.7]],
  ['horse', 'long', 'point 0.55', 'long', 'forelock blaze', 'hoofed brush 1.35 1.15 1', [0.4, 0.24, 0.76]],
  ['zebra', 'long', 'point 0.6', 'long', 'stripes forelock', 'hoofed tuft 1.25 1.1 1', [0.94, 0.18, 0.7]],
  ['donkey', 'long', 'long 0.8', 'long', 'forelock', 'hoofed tuft 1.1 1 1', [0.52, 0.34, 0.76]],
  ['unicorn', 'long', 'point 0.55 single', 'long', 'forelock', 'hoofed brush 1.35 1.15 1', [0.9, 0.5, 0.72]],
  ['camel', 'slim', 'small 1', 'wide', 'quiff', 'hoofed tuft 1.4 1.3 1', [0.66, 0.5, 0.76]],
  ['llama', 'slim', 'point 0.7', 'bud', 'wool quiff', 'hoofed stub 1.9 1.1 1', [0.8, 0.9, 0.76]],
  ['giraffe', 'slim', 'leaf 1 nubs', 'wide', 'spots', 'hoofed tuft 2.6 1.5 0.9', [0.72, 0.42, 0.82]],
  ['pig', 'wide', 'flop 0.55', 'pig', 'blush', 'heavy curl 0.8 0.8 0.9', [0.76, 0.6, 0.66]],
  ['boar', 'wedge', 'point 0.6', 'pig', 'tusks quiff', 'heavy tuft 0.8 0.9 0.95', [0.3, 0.42, 0.6]],
  ['hippo', 'broad', 'small 1', 'wide', 'teeth', 'heavy stub 0.8 0.7 1.15', [0.5, 0.62, 0.72]],
  ['rhino', 'tall', 'leaf 0.6 nose', 'wide', '', 'heavy tuft 0.8 0.8 1.1', [0.5, 0.4, 0.7]],
  ['elephant', 'round', 'huge 1', 'trunk', 'tusks', 'heavy tuft 0.7 1.1 1.15', [0.5, 0.62, 0.74]],
  ['seal', 'round', '', 'cat', 'whiskers', '', [0.5, 0.4, 0.72]],
  ['walrus', 'wide', '', 'cat', 'tusks whiskers', '', [0.46, 0.34, 0.72]],
  ['owl', 'ball', 'tufted 0.5', 'beak', 'discs', 'raptor none', [0.36, 0.55, 0.74]],
  ['eagle', 'ball', '', 'hook', 'brow', 'raptor none 1 1 1.1', [0.94, 0.26, 0.72]],
  ['hawk', 'ball', '', 'hook', 'cap brow', 'raptor none', [0.4, 0.24, 0.74]],
  ['parrot', 'ball', '', 'hook', 'discs', 'raptor long', [0.55, 0.4, 0.3]],
  ['cockatoo', 'ball', '', 'hook', 'crest', 'raptor long', [0.92, 0.5, 0.7]],
  ['penguin', 'ball', '', 'beak', 'heart', 'penguin none', [0.16, 0.3, 0.74]],
  ['duck', 'ball', '', 'bill', 'ring', 'fowl stub', [0.8, 0.5, 0.66]],
  ['goose', 'ball', '', 'bill', '', 'fowl stub 2', [0.93, 0.6, 0.66]],
  ['swan', 'ball', '', 'bill', 'lore', 'fowl stub 2.6', [0.96, 0.7, 0.6]],
  ['chicken', 'ball', '', 'beak', 'comb wattle', 'fowl brush 1.2', [0.9, 0.6, 0.5]],
  ['rooster', 'ball', '', 'beak', 'comb wattle ruff', 'fowl bushy 1.4', [0.55, 0.3, 0.5]],
  ['chick', 'ball', '', 'beak', 'quiff blush', 'songbird stub', [0.82, 0.66, 0.6]],
  ['turkey', 'tall', '', 'beak', 'wattle sail', 'fowl bushy', [0.42, 0.3, 0.6]],
  ['crow', 'ball', '', 'slender', '', 'songbird long', [0.15, 0.3, 0.5]],
  ['pigeon', 'ball', '', 'slender', 'cap', 'songbird stub 1.1 0.9 1.1', [0.55, 0.4, 0.74]],
  ['dove', 'ball', '', 'beak', '', 'songbird long 1.1 0.9 1', [0.95, 0.66, 0.7]],
  ['gull', 'ball', '', 'slender', 'brow', 'songbird stub 1.1 1 1.05', [0.95, 0.56, 0.7]],
  ['robin', 'ball', '', 'beak', 'bib', 'songbird stub', [0.4, 0.56, 0.7]],
  ['sparrow', 'ball', '', 'beak', 'cap blush', 'songbird stub', [0.58, 0.36, 0.72]],
  ['bird', 'ball', '', 'beak', 'quiff', 'songbird long', [0.42, 0.6, 0.74]],
  ['toucan', 'ball', '', 'great', 'discs', 'songbird long', [0.15, 0.4, 0.7]],
  ['puffin', 'ball', '', 'great', 'heart', 'penguin none', [0.15, 0.4, 0.66]],
  ['flamingo', 'ball', '', 'bill', 'bill_tip', 'wader none', [0.66, 0.5, 0.4]],
  ['heron', 'ball', '', 'slender', 'crest', 'wader none', [0.5, 0.34, 0.74]],
  ['stork', 'ball', '', 'slender', '', 'wader none', [0.94, 0.3, 0.6]],
  ['ostrich', 'ball', '', 'bill', 'quiff', 'runner brush', [0.35, 0.7, 0.7]],
  ['frog', 'wide', '', 'frog', 'bumps blush', '', [0.55, 0.7, 0.76]],
  ['turtle', 'tall', '', 'none', 'shell blush', '', [0.58, 0.36, 0.72]],
  ['crocodile', 'tall', '', 'jaws', 'bumps', '', [0.44, 0.62, 0.74]],
  ['snake', 'wide', '', 'none', 'spots coils', '', [0.46, 0.64, 0.7]],
  ['dragon', 'wedge', 'fin 1 spikes', 'wide', 'sail brow', 'dog long 1.3 0.9 1.1', [0.44, 0.6, 0.74]],
  ['dinosaur', 'broad', '', 'wide', 'sail teeth', '', [0.48, 0.64, 0.76]],
  ['bat', 'round', 'point 1.35', 'bud', 'teeth quiff wings', '', [0.2, 0.4, 0.72]],
  ['whale', 'wide', '', 'grooves', 'spout', 'whale none', [0.3, 0.56, 0.7]],
  ['dolphin', 'tall', '', 'grooves', '', 'whale none 1 1 0.8', [0.5, 0.88, 0.6]],
  ['shark', 'wedge', '', 'jaws', 'sail', 'fish none', [0.46, 0.7, 0.7]],
  ['fish', 'round', 'fin 1', 'none', 'sail blush', 'fish none', [0.5, 0.66, 0.78]],
  ['orca', 'tall', '', 'grooves', 'patches', 'whale none 1 1 1', [0.14, 1, 0.6]],
  ['octopus', 'tall', '', 'none', 'tentacles blush', '', [0.46, 0.62, 0.76]],
  ['crab', 'wide', '', 'none', 'stalks pincers', '', [0.48, 0.62, 0.76]],
  ['snail', 'round', '', 'none', 'shell stalks', '', [0.7, 0.44, 0.76]],
  ['bee', 'round', '', 'none', 'antennae hoops', '', [0.78, 0.16, 0.6]],
  ['ladybug', 'round', '', 'none', 'antennae dome', '', [0.15, 0.46, 0.7]],
  ['ant', 'round', '', 'none', 'antennae', '', [0.3, 0.5, 0.7]],
  ['butterfly', 'round', '', 'none', 'antennae fans blush', '', [0.3, 0.5, 0.78]],
  ['moth', 'round', '', 'none', 'antennae fans ruff', '', [0.74, 0.4, 0.62]],
  ['dragonfly', 'wide', '', 'none', 'vanes big_eyes', '', [0.46, 0.3, 0.78]],
  ['firefly', 'ball', '', 'none', 'antennae blades lamp', '', [0.22, 0.4, 0.8]],
  ['fly', 'round', '', 'none', 'antennae blades big_eyes', '', [0.26, 0.46, 0.78]],
  ['grasshopper', 'tall', '', 'none', 'antennae hoppers blush', '', [0.54, 0.36, 0.74]],
  ['spider', 'round', '', 'none', 'crooked many_eyes', '', [0.24, 0.42, 0.74]],
  ['robot', 'case', '', 'visor', 'aerial bolts', '', [0.62, 0.4, 0.76]],
  ['man', 'face', 'side 0.5', 'human', 'hair', '', [0.8, 0.24, 0.6]],
  ['woman', 'face', 'side 0.4', 'human', 'long_hair', '', [0.84, 0.3, 0.6]],
  ['boy', 'round', 'side 0.5', 'human', 'curls', '', [0.74, 0.22, 0.58]],
  ['girl', 'round', 'side 0.4', 'human', 'bob', '', [0.82, 0.28, 0.6]],
  ['old man', 'face', 'side 0.55', 'human', 'bald full_beard', '', [0.84, 0.92, 0.6]],
  ['old woman', 'face', 'side 0.4', 'human', 'bun', '', [0.82, 0.92, 0.6]],
  ['bearded man', 'face', 'side 0.5', 'human', 'hair full_beard', '', [0.76, 0.26, 0.6]],
]; // prettier-ignore

const HORN_NAMES = new Set<string>([
  'antlers',
  'palms',
  'ram',
  'short',
  'spikes',
  'nubs',
  'nose',
  'single',
  'straight',
]);

function kindOf([, skull, head, muzzle, marks, body, tones]: (typeof rows)[number]): Kind {
  const [form, size, horns = HORN_NAMES.has(form) ? form : undefined] = head.split(' ');
  const [build, tail, neck = '1', legs = '1', bulk = '1'] = body.split(' ');
  return {
    skull,
    ...(form && size ? { ears: [form as Ears, Number(size)] as const } : {}),
    ...(horns ? { horns: horns as Horns } : {}),
    muzzle,
    marks: [...(marks ? (marks.split(' ').map((m) => m.replace('_', ' ')) as Mark[]) : [])],
    ...(tones ? { tones } : {}),
    ...(build ? { body: { build: build as Build, tail: tail as Tail, neck: Number(neck), legs: Number(legs), bulk: Number(bulk) } } : {}),
  };
} // prettier-ignore

export const KINDS: ReadonlyMap<string, Kind> = new Map(rows.map((row) => [row[0], kindOf(row)]));

/** Animals that are built as another. */
const LIKE: Readonly<Record<string, string>> = Object.fromEntries(
  (
    [
      ['cat', 'kitten wildcat bobcat ocelot'],
      ['leopard', 'jaguar snow_leopard'],
      ['panther', 'cougar puma black_panther'],
      ['dog', 'puppy hound beagle spaniel labrador bulldog terrier poodle retriever dachshund corgi collie greyhound sheepdog'],
      ['wolf', 'husky jackal dingo hyena'],
      ['fox', 'arctic_fox fennec vixen fennec_fox red_fox'],
      ['bear', 'grizzly grizzly_bear brown_bear black_bear bear_cub teddy_bear'],
      ['panda', 'giant_panda'],
      ['otter', 'sea_otter weasel stoat ferret mink marten mongoose meerkat'],
      ['beaver', 'marmot groundhog capybara wombat gopher'],
      ['squirrel', 'chipmunk'],
      ['mouse', 'dormouse shrew'],
      ['hamster', 'guinea_pig vole lemming gerbil'],
      ['rabbit', 'bunny'],
      ['kangaroo', 'wallaby'],
      ['hedgehog', 'porcupine'],
      ['monkey', 'chimpanzee chimp lemur gibbon macaque orangutan baboon marmoset'],
      ['cow', 'calf'],
      ['bull', 'ox buffalo'],
      ['bison', 'yak musk_ox'],
      ['goat', 'ibex chamois mountain_goat billy_goat'],
      ['sheep', 'lamb'],
      ['mouse', 'vole shrew'],
      ['deer', 'fawn doe roe gazelle antelope'],
      ['stag', 'reindeer elk buck caribou'],
      ['horse', 'pony foal stallion mare'],
      ['donkey', 'mule'],
      ['camel', 'dromedary'],
      ['llama', 'alpaca'],
      ['pig', 'piglet hog'],
      ['rhino', 'rhinoceros'],
      ['hippo', 'hippopotamus'],
      ['elephant', 'mammoth'],
      ['seal', 'sea_lion'],
      ['eagle', 'bald_eagle condor vulture'],
      ['hawk', 'falcon kestrel buzzard kite_bird osprey'],
      ['parrot', 'macaw budgie'],
      ['duck', 'mallard duckling drake'],
      ['chicken', 'hen'],
      ['rooster', 'cock cockerel'],
      ['crow', 'raven magpie jackdaw rook blackbird starling'],
      ['gull', 'seagull albatross'],
      ['sparrow', 'finch wren'],
      ['bird', 'songbird swallow hummingbird kingfisher nightingale lark woodpecker'],
      ['heron', 'egret'],
      ['stork', 'ibis'],
      ['ostrich', 'emu'],
      ['frog', 'toad tree_frog'],
      ['turtle', 'tortoise sea_turtle'],
      ['crocodile', 'alligator caiman'],
      ['dinosaur', 'lizard gecko iguana chameleon salamander newt'],
      ['dolphin', 'porpoise'],
      ['orca', 'killer_whale'],
      ['snake', 'cobra python viper rattlesnake serpent'],
      ['fish', 'trout salmon carp goldfish clownfish herring cod tuna perch'],
      ['octopus', 'squid'],
      ['crab', 'lobster'],
      ['grasshopper', 'cricket locust mantis'],
      ['fly', 'housefly mosquito gnat'],
      ['firefly', 'glow-worm'],
      ['spider', 'tarantula'],
      ['bee', 'bumblebee wasp hornet honeybee'],
      ['ladybug', 'beetle ladybird'],
      ['robot', 'android droid bot'],
      ['man', 'person gentleman guy human male'],
      ['woman', 'lady female mother'],
      ['boy', 'child kid lad'],
      ['girl', 'lass daughter'],
      ['old man', 'grandfather grandpa'],
      ['old woman', 'grandmother grandma granny'],
    ] as const
  ).flatMap(([kind, names]) => names.split(' ').map((n) => [n.replaceAll('_', ' '), kind])),
); // prettier-ignore

/** The kinds that are people. */
export const PEOPLE: readonly string[] = ['man', 'woman', 'boy', 'girl', 'old man', 'old woman', 'bearded man'];

/** The name of the kind that an animal is built as; null where there is none. */
export const creatureOf = (name: string): string | null =>
  KINDS.has(name) ? name : Object.hasOwn(LIKE, name) ? LIKE[name] : null;
