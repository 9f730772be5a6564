/** What figures wear by trade, and hats for their heads. */
import { singulars } from '../../prompt';
import { grown, intersect, moved, subtract, union, type Area } from '../../path';
import { box, disc, ringOf, starArea } from '../area';
import { shadeTold } from '../dye';
import type { Part } from '../figure';
import { ACCENT, blob, both, COAT, DARK, LIGHT, line, mirrored, oval, piece, shape, taper, type Tone } from './pieces';

export type Hat =
  | 'cap' | 'chef' | 'helmet' | 'straw' | 'cowboy' | 'crown' | 'top hat' | 'beret' | 'beanie' | 'mortarboard' | 'nurse' | 'wizard' | 'pirate' | 'sailor'
  | 'party' | 'pointed' | 'bandana' | 'headband' | 'fire' | 'detective' | 'viking' | 'space' | 'headphones' | 'goggles' | 'helm' | 'flowers' | 'hood'; // prettier-ignore
export type Top = 'apron' | 'coat' | 'jacket' | 'vest' | 'overalls' | 'shirt' | 'robe' | 'jersey' | 'suit' | 'armour' | 'stripes' | 'suspenders' | 'skirt'; // prettier-ignore
export type Neck = 'scarf' | 'bow tie' | 'tie' | 'stethoscope' | 'medal' | 'kerchief' | 'camera' | 'chain';
export type Eyewear = 'glasses' | 'sunglasses' | 'patch' | 'monocle' | 'diving mask';

/** What a colour can be said of. */
export type Worn = 'hat' | 'top' | 'neck' | 'cape' | 'pack' | 'eyes' | 'feet';

/** What a figure wears, and the tool of its trade. */
export interface Dress {
  readonly hat?: Hat;
  readonly top?: Top;
  readonly neck?: Neck;
  readonly eyes?: Eyewear;
  readonly hasCape?: boolean;
  /** On its back, its straps before the shoulders. */
  readonly hasPack?: boolean;
  /** On its feet, up to the knee. */
  readonly hasBoots?: boolean;
  /** The colours that are said of what is worn. */
  readonly dyes?: Partial<Record<Worn, string>>;
  /** Names of things that one of this trade holds, the likeliest first. */
  readonly tools?: readonly string[];
}

const rows: readonly (readonly [string, Dress])[] = [
  ['conductor guard porter', { hat: 'cap', top: 'jacket', tools: ['whistle', 'pocket watch', 'lantern'] }],
  ['keeper warden caretaker', { hat: 'cap', top: 'jacket', neck: 'scarf', tools: ['lantern', 'key'] }],
  ['captain admiral skipper', { hat: 'cap', top: 'jacket', tools: ['ship wheel', 'telescope', 'compass'] }],
  ['pilot aviator', { hat: 'goggles', top: 'jacket', neck: 'scarf', tools: ['propeller', 'airplane'] }],
  ['postman postwoman mailman courier messenger', { hat: 'cap', top: 'shirt', tools: ['envelope', 'mailbox'] }],
  ['policeman policewoman constable police officer', { hat: 'cap', top: 'jacket', neck: 'tie', tools: ['whistle', 'badge'] }],
  ['driver chauffeur cabbie', { hat: 'cap', top: 'suit', tools: ['steering wheel', 'key'] }],
  ['bellhop bellboy concierge usher', { hat: 'cap', top: 'jacket', tools: ['suitcase', 'key'] }],
  ['firefighter fireman', { hat: 'fire', top: 'jacket', tools: ['fire extinguisher', 'axe', 'ladder'] }],
  ['chef cook', { hat: 'chef', top: 'jacket', neck: 'kerchief', tools: ['pan', 'ladle', 'spatula'] }],
  ['baker confectioner patissier', { hat: 'chef', top: 'apron', tools: ['rolling pin', 'loaf of bread', 'whisk'] }],
  ['waiter waitress server', { top: 'vest', neck: 'bow tie', tools: ['tray', 'wine glass'] }],
  ['butler sommelier', { top: 'suit', neck: 'bow tie', tools: ['tray', 'bottle'] }],
  ['barista bartender', { top: 'apron', tools: ['coffee cup', 'cocktail'] }],
  ['barber hairdresser stylist', { top: 'apron', neck: 'bow tie', tools: ['scissors', 'comb'] }],
  ['butcher', { hat: 'straw', top: 'apron', tools: ['cleaver', 'sausage'] }],
  ['brewer', { top: 'apron', tools: ['beer mug', 'barrel'] }],
  ['fishmonger grocer shopkeeper greengrocer', { top: 'apron', tools: ['basket', 'fish', 'apple'] }],
  ['builder worker foreman labourer bricklayer mason stonemason', { hat: 'helmet', top: 'overalls', tools: ['hammer', 'trowel', 'brick'] }],
  ['engineer architect surveyor', { hat: 'helmet', top: 'vest', tools: ['wrench', 'ruler', 'compass'] }],
  ['mechanic repairman locksmith', { hat: 'cap', top: 'overalls', tools: ['wrench', 'gear'] }],
  ['plumber', { hat: 'cap', top: 'overalls', tools: ['plunger', 'wrench'] }],
  ['electrician welder', { hat: 'helmet', top: 'overalls', tools: ['plug', 'light bulb'] }],
  ['miner', { hat: 'helmet', top: 'suspenders', tools: ['pickaxe', 'lantern'] }],
  ['carpenter joiner woodworker lumberjack woodcutter woodsman', { hat: 'beanie', top: 'suspenders', tools: ['saw', 'axe', 'hammer'] }],
  ['blacksmith smith', { hat: 'bandana', top: 'apron', tools: ['hammer', 'anvil'] }],
  ['farmer milkmaid vintner winemaker cheesemaker', { hat: 'straw', top: 'overalls', tools: ['pitchfork', 'wheat', 'carrot'] }],
  ['gardener florist', { hat: 'straw', top: 'apron', tools: ['watering can', 'flower', 'shovel'] }],
  ['beekeeper', { hat: 'straw', top: 'coat', tools: ['beehive', 'honey pot'] }],
  ['cowboy rancher cowgirl', { hat: 'cowboy', top: 'vest', neck: 'kerchief', tools: ['lasso', 'horseshoe'] }],
  ['sheriff', { hat: 'cowboy', top: 'vest', neck: 'tie', tools: ['badge', 'star'] }],
  ['king queen prince princess monarch emperor pharaoh sultan', { hat: 'crown', top: 'robe', hasCape: true, tools: ['scepter', 'key'] }],
  ['knight warrior paladin gladiator soldier guardsman', { hat: 'helm', top: 'armour', hasCape: true, tools: ['sword', 'shield'] }],
  ['viking', { hat: 'viking', top: 'vest', tools: ['axe', 'shield'] }],
  ['gnome dwarf', { hat: 'pointed', top: 'shirt', hasBoots: true, tools: ['shovel', 'lantern'] }],
  ['wizard witch sorcerer mage', { hat: 'wizard', top: 'robe', tools: ['wand', 'crystal ball', 'broom'] }],
  ['magician ringmaster illusionist juggler vampire', { hat: 'top hat', top: 'suit', neck: 'bow tie', hasCape: true, tools: ['wand', 'playing card'] }],
  ['gentleman dandy aristocrat groom', { hat: 'top hat', top: 'suit', neck: 'bow tie', eyes: 'monocle', tools: ['umbrella', 'walking stick'] }],
  ['graduate scholar student', { hat: 'mortarboard', top: 'robe', tools: ['scroll', 'book'] }],
  ['teacher librarian tutor', { top: 'vest', neck: 'bow tie', eyes: 'glasses', tools: ['book', 'apple', 'pencil'] }],
  ['professor poet philosopher', { hat: 'mortarboard', top: 'suit', neck: 'bow tie', eyes: 'glasses', tools: ['book', 'globe'] }],
  ['scientist chemist inventor researcher', { top: 'coat', eyes: 'glasses', tools: ['test tube', 'microscope', 'light bulb'] }],
  ['doctor physician surgeon', { top: 'coat', neck: 'stethoscope', tools: ['stethoscope', 'first aid kit'] }],
  ['veterinarian vet pharmacist dentist', { top: 'coat', neck: 'stethoscope', tools: ['first aid kit', 'toothbrush', 'bone'] }],
  ['nurse', { hat: 'nurse', top: 'shirt', neck: 'stethoscope', tools: ['first aid kit', 'thermometer'] }],
  ['astronaut cosmonaut spaceman', { hat: 'space', top: 'jersey', tools: ['flag', 'star', 'rocket'] }],
  ['pirate buccaneer', { hat: 'pirate', top: 'stripes', eyes: 'patch', tools: ['treasure map', 'sword', 'telescope'] }],
  ['sailor mariner seaman', { hat: 'sailor', top: 'stripes', neck: 'kerchief', tools: ['anchor', 'rope'] }],
  ['fisherman angler fisher', { hat: 'straw', top: 'overalls', tools: ['fishing rod', 'fish'] }],
  ['diver swimmer', { eyes: 'diving mask', tools: ['fish', 'shell'] }],
  ['detective investigator spy', { hat: 'detective', top: 'coat', tools: ['magnifying glass'] }],
  ['painter artist', { hat: 'beret', top: 'apron', neck: 'scarf', tools: ['brush', 'artist palette', 'pencil'] }],
  ['potter sculptor', { top: 'apron', tools: ['vase', 'bowl'] }],
  ['weaver spinner knitter', { top: 'apron', tools: ['wool', 'thread'] }],
  ['tailor seamstress shoemaker cobbler jeweller jeweler watchmaker clockmaker goldsmith', { top: 'vest', eyes: 'glasses', tools: ['scissors', 'needle', 'thread'] }],
  ['photographer reporter journalist', { hat: 'beret', top: 'vest', neck: 'camera', tools: ['camera', 'notebook'] }],
  ['musician violinist guitarist fiddler drummer pianist cellist bard trumpeter', { top: 'suit', neck: 'bow tie', tools: ['violin', 'guitar', 'trumpet'] }],
  ['dj singer gamer', { hat: 'headphones', top: 'shirt', tools: ['microphone', 'vinyl'] }],
  ['athlete runner sprinter gymnast dancer', { hat: 'headband', top: 'jersey', neck: 'medal', tools: ['trophy', 'medal'] }],
  ['footballer goalkeeper referee', { top: 'jersey', tools: ['football', 'whistle'] }],
  ['boxer wrestler', { hat: 'headband', top: 'shirt', neck: 'medal', tools: ['boxing glove'] }],
  ['cyclist racer skater', { hat: 'helmet', top: 'jersey', tools: ['bicycle', 'flag'] }],
  ['skier snowboarder climber mountaineer', { hat: 'beanie', neck: 'scarf', top: 'shirt', tools: ['ski', 'rope', 'mountain'] }],
  ['explorer hiker ranger scout traveller adventurer archaeologist hunter', { hat: 'straw', top: 'vest', neck: 'kerchief', tools: ['compass', 'map', 'backpack'] }],
  ['hero superhero heroine', { top: 'shirt', hasCape: true, tools: ['star', 'lightning'] }],
  ['ninja samurai', { hat: 'headband', top: 'robe', tools: ['sword', 'star'] }],
  ['judge lawyer notary', { top: 'robe', neck: 'tie', eyes: 'glasses', tools: ['scales', 'scroll', 'gavel'] }],
  ['businessman businesswoman banker accountant manager salesman', { top: 'suit', neck: 'tie', eyes: 'glasses', tools: ['briefcase', 'coin'] }],
  ['shepherd herder goatherd cowherd shepherdess', { hat: 'straw', top: 'vest', hasCape: true, tools: ['staff', 'sheep'] }],
  ['monk friar hermit', { top: 'robe', neck: 'medal', tools: ['book', 'candle'] }],
  ['nun bride', { top: 'robe', neck: 'medal', tools: ['book', 'flower'] }],
  ['clown jester', { hat: 'wizard', top: 'stripes', neck: 'bow tie', tools: ['balloon', 'ball'] }],
  ['thief burglar prisoner convict', { hat: 'beanie', top: 'stripes', eyes: 'patch', tools: ['money bag', 'key'] }],
  ['caveman cavewoman', { top: 'vest', tools: ['bone', 'torch'] }],
  ['cleaner janitor maid', { hat: 'bandana', top: 'apron', tools: ['broom', 'bucket'] }],
]; // prettier-ignore

const ROLES: ReadonlyMap<string, Dress> = new Map(rows.flatMap(([names, dress]) => names.split(' ').map((n) => [n, dress] as const))); // prettier-ignore
const dressOf = (word: string): Dress | undefined => singulars(word).map((form) => ROLES.get(form)).find((d) => d !== undefined); // prettier-ignore

/** Names of the trades there is a dress for. */
export const ROLE_NAMES: readonly string[] = [...ROLES.keys()];

/** Whether a word is a trade that figures have a dress for. */
export const isRole = (word: string): boolean => dressOf(word) !== undefined;

/** What is said to be worn; of two for one place the later is meant, so what is narrower stands later. */
const WORN: readonly (readonly [RegExp, Partial<Dress>])[] = [
  [/(?<!\bnight )\bcap\b(?! of)/, { hat: 'cap' }],
  [/\bscarf\b|\bwinter\b|\bcosy\b/, { neck: 'scarf' }],
  [/\bapron\b/, { top: 'apron' }],
  [/\bcape\b|\bcloak\b|\bponcho\b|\bshawl\b/, { hasCape: true }],
  [/\b(?:backpack|rucksack|knapsack|haversack)\b/, { hasPack: true }],
  [/\b(?:boots|wellies|wellingtons|gumboots|galoshes)\b/, { hasBoots: true }],
  [/\b(?:glasses|spectacles)\b/, { eyes: 'glasses' }],
  [/\b(?:sunglasses|shades|aviators)\b/, { eyes: 'sunglasses' }],
  [/\bmonocle\b/, { eyes: 'monocle' }],
  [/\beye ?patch\b/, { eyes: 'patch' }],
  [/\bbow ?tie\b/, { neck: 'bow tie' }],
  [/\b(?<!bow ?)(?:neck)?tie\b/, { neck: 'tie' }],
  [/\b(?:medal|medallion|pendant|locket|amulet)\b/, { neck: 'medal' }],
  [/\b(?:necklace|pearls|chain(?! (?:saw|store|reaction|mail|link))s?)\b/, { neck: 'chain' }],
  [/\btop hat\b/, { hat: 'top hat' }],
  [/(?<!leaf )\bcrown\b/, { hat: 'crown' }],
  [
    /\b(?:flower|floral|daisy|rose) (?:crown|wreath|garland)\b|\b(?:crown|wreath|garland) of (?:flowers|daisies|roses)\b/,
    { hat: 'flowers' },
  ],
  [/\b(?:chef(?:'s)? hat|toque)\b/, { hat: 'chef' }],
  [/\bstraw hat\b|\bsun ?hat\b/, { hat: 'straw' }],
  [/\bcowboy hat\b/, { hat: 'cowboy' }],
  [/\bberet\b/, { hat: 'beret' }],
  [/\b(?:beanie|bobble hat|woolly hat|wool hat|knitted hat)\b/, { hat: 'beanie' }],
  [/\bhard ?hat\b|\b(?<!diving )helmet\b/, { hat: 'helmet' }],
  [/\b(?:space|astronaut(?:'s)?) helmet\b/, { hat: 'space' }],
  [/\bviking helmet\b|\bhorned helmet\b/, { hat: 'viking' }],
  [/\bknight(?:'s)? helmet\b/, { hat: 'helm' }],
  [/\bheadphones\b/, { hat: 'headphones' }],
  [/\b(?:wizard(?:'s)?|pointed|witch(?:'s)?) hat\b/, { hat: 'wizard' }],
  [/\b(?:party|birthday) hat\b/, { hat: 'party' }],
  [/\bdiving helmet\b/, { hat: 'space' }],
  [/\bpirate hat\b/, { hat: 'pirate' }],
  [/\bsailor(?:'s)? (?:hat|cap)\b/, { hat: 'sailor' }],
  [/\bbandana\b/, { hat: 'bandana' }],
  [/\b(?:hood|hooded cloak)\b/, { hat: 'hood', hasCape: true }],
  [/\bgoggles\b/, { hat: 'goggles' }],
  [/\b(?:graduation|academic) cap\b|\bmortarboard\b/, { hat: 'mortarboard' }],
  [/\b(?:overalls?|dungarees)\b/, { top: 'overalls' }],
  [/\b(?:waistcoat|vest)\b/, { top: 'vest' }],
  [/\bsuit\b/, { top: 'suit' }],
  [/\b(?:rain|over)?coat\b(?! of)/, { top: 'coat' }],
  [/\bjacket\b|\buniform\b/, { top: 'jacket' }],
  [/\bstriped (?:shirt|jumper|sweater)\b/, { top: 'stripes' }],
  [/\b(?:shirt|t-shirt|jumper|sweater)\b/, { top: 'shirt' }],
  [/\b(?:robe|bathrobe|gown|dress|kimono|tunic|toga)\b/, { top: 'robe' }],
  [/\b(?:tutu|skirt|kilt|dirndl|pinafore)\b/, { top: 'skirt' }],
  [/\b(?:space ?suit|astronaut suit)\b/, { hat: 'space', top: 'jersey' }],
  [/\b(?:tuxedo|dinner jacket|tailcoat)\b/, { top: 'suit', neck: 'bow tie' }],
  [/\b(?:armou?r)\b/, { top: 'armour' }],
  [/\b(?:hoodie|pullover|cardigan|polo|blouse|tee)\b/, { top: 'shirt' }],
  [/\bjersey\b/, { top: 'jersey' }],
  [/\bblazer\b/, { top: 'jacket' }],
];

/** What is worn in a prompt: by trade, and by what it names. */
export function dressFrom(prompt: string): Dress {
  const text = prompt.toLowerCase();
  const words = text.match(/[a-z-]+/g) ?? [];
  const trade = words.map(dressOf).find((d) => d !== undefined);
  return WORN.reduce<Dress>((dress, [said, more]) => (said.test(text) ? { ...dress, ...more } : dress), trade ?? {});
}

/** A dress in the colours that are said of parts of it, each by its name. */
export function dyedDress(dress: Dress, said: readonly { readonly word: string; readonly hex: string }[]): Dress {
  const dyes: Partial<Record<Worn, string>> = { ...dress.dyes };
  for (const { word, hex } of said) {
    const { hat, top, neck, eyes, hasCape, hasPack, hasBoots } = dressFrom(word);
    if (hat) dyes.hat ??= hex;
    if (top) dyes.top ??= hex;
    if (neck) dyes.neck ??= hex;
    if (eyes) dyes.eyes ??= hex;
    if (hasCape) dyes.cape ??= hex;
    if (hasPack) dyes.pack ??= hex;
    if (hasBoots) dyes.feet ??= hex;
  }
  return Object.keys(dyes).length ? { ...dress, dyes } : dress;
}

/** What is worn in the colour that is said of it: the first tone of its cloth, a second one darker; what of it is white or dark stays. */
export function inCloth(
  parts: readonly Part[],
  hex: string | null | undefined,
  tones: readonly number[] = [...new Set(parts.map((p) => p.tone))].filter((t) => t !== LIGHT && t !== DARK),
): Part[] {
  if (!hex) return [...parts];
  return parts.map((p) => (tones.includes(p.tone) ? { ...p, dye: p.tone === tones[0] ? hex : shadeTold(hex, -0.17) } : p)); // prettier-ignore
}

/** Whether there is a cut of what a name says one wears. */
export const isCut = (name: string): boolean => Object.keys(dressFrom(name)).length > 0;

/** Where a hat sits: the middle of its lower edge, and half the width of the head there. */
export interface Brow {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  /** The middle of the head and its half width, for what goes round it. */
  readonly middle: number;
  readonly cheek: number;
}

/** A hat, behind and before the head; `main` is the tone of cloth. */
export function hatParts(hat: Hat, brow: Brow, main: Tone, trim: Tone): { behind: Part[]; front: Part[] } {
  const k = brow.half / 20;
  const put = (area: Area): Area => moved(area, [k, 0, 0, k, brow.x, brow.y]);
  const p = (tone: Tone, area: Area): Part => piece(tone, put(area));
  const path = (tone: Tone, data: string): Part => p(tone, shape(tone, data).area);
  const flip = (area: Area): Area => moved(area, [-1, 0, 0, 1, 0, 0]);
  const pair = (area: Area): Area => union(area, flip(area));
  const dome = (r: number, high: number): Area => intersect(oval(0, 0, r, high), box(-60, -80, 120, 80));
  const front = (...parts: Part[]): { behind: Part[]; front: Part[] } => ({ behind: [], front: parts });
  switch (hat) {
    case 'cap':
      return front(path(main, 'M-21 0C-26 -11 -16 -19 0 -19C16 -19 26 -11 21 0Z'), p(trim, box(-20.5, -4, 41, 5.4)), path(DARK, 'M-19 1C-8 -1.4 8 -1.4 19 1C16 7.6 8 8.4 0 8.4C-8 8.4 -16 7.6 -19 1Z'), p(LIGHT, disc(0, -10, 3.4, 40)));
    case 'chef': {
      const puff = union(disc(-12, -17, 10, 60), disc(0, -22, 11.6, 60), disc(12, -17, 10, 60), box(-15, -16, 30, 16));
      return front(p(DARK, grown(puff, 1)), p(LIGHT, puff), p(trim, box(-16, -4.6, 32, 6)));
    }
    case 'helmet':
      return front(p(main, dome(20, 20)), p(trim, union(box(-3.2, -22.6, 6.4, 22))), p(main, grown(box(-24, -2.4, 48, 2.6), 1.6)));
    case 'fire':
      return front(p(main, union(dome(19, 19), grown([[-26, 2, 26, 2, 18, -4, -18, -4]], 1.4))), path(trim, 'M-8 -1L-8.6 -16Q0 -25 8.6 -16L8 -1Q0 3 -8 -1Z'), p(LIGHT, starArea(0, -10, 5, 4.6, 2)));
    case 'straw':
      return front(p(main, union(oval(0, 0, 34, 6), dome(17, 17))), p(trim, intersect(box(-30, -6.4, 60, 5), union(dome(17.2, 17.2)))));
    case 'cowboy':
      return front(path(main, 'M-37 -9C-27 2 -13 5 0 5C13 5 27 2 37 -9C31 -9 25 -5 17 -4L13 -21C7 -25 4 -20 0 -19C-4 -20 -7 -25 -13 -21L-17 -4C-25 -5 -31 -9 -37 -9Z'), path(trim, 'M-17 -4C-8 -1 8 -1 17 -4L16 -8.6C8 -5.6 -8 -5.6 -16 -8.6Z'));
    case 'crown':
      return front(p(trim, [[-17, 1, -20.5, -18, -10.5, -9, 0, -22, 10.5, -9, 20.5, -18, 17, 1]]), p(LIGHT, union(disc(-20.5, -19, 2.4, 24), disc(0, -23, 2.8, 24), disc(20.5, -19, 2.4, 24))), p(main, union(disc(-8.5, -3.4, 1.7, 24), disc(0, -3.8, 2, 24), disc(8.5, -3.4, 1.7, 24))));
    case 'top hat':
      return front(path(DARK, 'M-13 0L-15.4 -29Q0 -32 15.4 -29L13 0Z'), path(trim, 'M-13 0L-13.6 -7.4Q0 -9 13.6 -7.4L13 0Z'), p(DARK, oval(0, 0.6, 25, 3.6)));
    case 'flowers': {
      const at = [-18, -9.6, 0, 9.6, 18].map((x, i) => [x, -3.6 - [0, 4.4, 6, 4.4, 0][i], i === 2 ? 6.4 : i % 2 ? 5.4 : 4.6] as const);
      const petals = union(...at.flatMap(([x, y, r]) => [0, 1, 2, 3, 4].map((k) => disc(x + 0.62 * r * Math.sin((2 * Math.PI * k) / 5), y - 0.62 * r * Math.cos((2 * Math.PI * k) / 5), 0.56 * r, 28))));
      return front(p(main, union(taper([-21, 0, 2.2], [-9, -6, 2.2], [0, -7.6, 2.2], [9, -6, 2.2], [21, 0, 2.2]))), p(DARK, grown(petals, 0.8)), p(LIGHT, petals), p(trim, union(...at.map(([x, y, r]) => disc(x, y, 0.36 * r, 24)))));
    }
    case 'beret':
      return front(p(main, blob([-21, 0], [-27, -9], [-8, -19], [18, -15], [25, -5], [19, 1], [0, 2])), p(main, taper([0, -16, 1.5], [2, -22, 1.3])), p(trim, taper([-20, 0.6, 1.5], [0, 2.8, 1.5], [19.5, 0.8, 1.5])));
    case 'beanie':
      return front(p(LIGHT, disc(0, -24, 5.6, 40)), p(main, union(dome(20.4, 23))), p(trim, grown(box(-20.5, -4.6, 41, 6), 1)));
    case 'mortarboard':
      return front(path(DARK, 'M-16 -10L-16 0Q0 5 16 0L16 -10Z'), p(DARK, [[-32, -14, 0, -25, 32, -14, 0, -4]]), p(trim, union(taper([0, -14.4, 1], [25, -12, 1], [25.4, -2, 1.1]), disc(25.4, 0, 2.4, 24))));
    case 'nurse':
      return front(path(DARK, 'M-17.4 1L-21 -15Q0 -22 21 -15L17.4 1Q0 -4 -17.4 1Z'), path(LIGHT, 'M-16 -0.4L-19.4 -14Q0 -20.4 19.4 -14L16 -0.4Q0 -5.2 -16 -0.4Z'), p(trim, union(box(-1.6, -14.6, 3.2, 9), box(-4.5, -11.7, 9, 3.2))));
    case 'wizard':
      return front(path(main, 'M-18 0C-12 -16 -4 -32 9 -49C10 -42 11 -36 16 -31C14 -18 17 -8 18 0Z'), p(main, oval(0, 0.6, 30, 5)), path(trim, 'M-17 -2.4C-8 0.6 8 0.6 17.4 -2.4L16.6 -7.6C8 -5 -7 -5 -15 -7.6Z'), p(LIGHT, starArea(2, -19, 5, 4.4, 1.9)));
    case 'pointed':
      return front(path(main, 'M-27 3C-20 -14 -10 -36 3 -50C8 -34 20 -14 27 3C14 8 -14 8 -27 3Z'), path(trim, 'M-27 3C-14 8 14 8 27 3L25 -3.4C13 1.6 -13 1.6 -25 -3.4Z'));
    case 'party':
      return front(path(main, 'M-15 2L0 -38L15 2C8 5 -8 5 -15 2Z'), p(trim, disc(0, -39, 5.4, 40)), p(LIGHT, union(disc(-5, -6, 2.4, 28), disc(5, -10, 2.4, 28), disc(-1, -20, 2.2, 28))));
    case 'pirate':
      return front(path(DARK, 'M-34 -2C-26 -8 -24 -22 0 -24C24 -22 26 -8 34 -2C22 2 12 4 0 4C-12 4 -22 2 -34 -2Z'), p(LIGHT, union(disc(0, -12.4, 4.6, 40), box(-2.5, -10, 5, 4.6), taper([-9, -5.4, 1.1], [9, -17, 1.1]), taper([-9, -17, 1.1], [9, -5.4, 1.1]))), p(DARK, union(disc(-1.7, -12.6, 1.1, 20), disc(1.7, -12.6, 1.1, 20))));
    case 'sailor':
      return front(path(DARK, 'M-21.2 -5L-17.8 -17Q0 -21 17.8 -17L21.2 -5L17 3L-17 3Z'), path(LIGHT, 'M-20 -5.2L-17 -15.8Q0 -19.6 17 -15.8L20 -5.2Z'), p(trim, box(-16.4, -4.6, 32.8, 6)));
    case 'bandana':
      return front(p(main, union(dome(20.4, 17), grown(box(-20.4, -2, 40.8, 3.4), 0.8), [[20, -2, 31, -8, 27, 0, 33, 5, 20, 2]])), p(LIGHT, union(disc(-10, -6, 1.9, 20), disc(0, -9.6, 1.9, 20), disc(10, -6, 1.9, 20))));
    case 'headband':
      return front(p(trim, union(grown(box(-20.6, -0.6, 41.2, 4.4), 0.6))));
    case 'detective':
      return front(p(main, union(dome(20, 20), oval(0, 0.8, 26, 4.2))), p(trim, union(line(trim, 1.2, 'M0 -20L0 -3').area, line(trim, 1.2, 'M-9 -17.6Q-12 -9 -11 -2.4').area, line(trim, 1.2, 'M9 -17.6Q12 -9 11 -2.4').area, disc(0, -20.4, 2.4, 24))));
    case 'helm':
      return { behind: [p(trim, taper([0, -20, 3], [-8, -34, 5], [-22, -32, 4], [-29, -20, 1]))], front: [p(main, union(dome(22, 23), box(-22, -1, 44, 9), [[-22, 7, -22, 27, -15, 22, -15, 7]], [[22, 7, 22, 27, 15, 22, 15, 7]])), p(trim, union(box(-1.6, -23, 3.2, 30), box(-22, -3.4, 44, 4)))] };
    case 'viking':
      return { behind: [p(LIGHT, pair(taper([17, -7, 5], [28, -10, 4.4], [34, -19, 3], [33, -30, 0.9])))], front: [p(main, dome(20, 20)), p(trim, union(box(-20.5, -3.6, 41, 5.4), box(-2.4, -20, 4.8, 20)))] };
    case 'space':
      return { behind: [piece(LIGHT, disc(brow.x, brow.middle, brow.cheek * 1.42))], front: [piece(main, ringOf(brow.x, brow.middle, brow.cheek * 1.5, brow.cheek * 1.36))] };
    case 'hood': {
      const r = brow.cheek * 1.36;
      const cloth = union(disc(brow.x, brow.middle, r, 96), taper([brow.x, brow.middle - 0.3 * r, 0.86 * r], [brow.x, brow.middle - 1.26 * r, 2]));
      return { behind: [piece(main, cloth), piece(trim, subtract(grown(cloth, -1.6), grown(cloth, -3.4)))], front: [] };
    }
    case 'headphones': {
      const r = brow.cheek * 1.04;
      const band = subtract(union(ringOf(brow.x, brow.middle - 4, r + 3, r)), box(0, brow.middle - 4, 100, 100));
      const cup = oval(brow.x + r + 1, brow.middle, 5.4, 10);
      return { behind: [], front: [piece(DARK, band), piece(main, union(cup, moved(cup, [-1, 0, 0, 1, 2 * brow.x, 0])))] };
    }
    case 'goggles': {
      const lens = pair(oval(9.4, 0, 8, 6.6));
      return front(p(DARK, union(grown(box(-20.4, -2, 40.8, 3.6), 0.6), grown(lens, 1.9))), p(LIGHT, lens));
    }
  }
} // prettier-ignore

/** The hat of a dress in the colour that is said of it; no parts where there is none. */
export function hatOn({ hat, dyes }: Dress, brow: Brow, main: Tone, trim: Tone): { behind: Part[]; front: Part[] } {
  const { behind, front } = hat ? hatParts(hat, brow, main, trim) : { behind: [], front: [] };
  return { behind: inCloth(behind, dyes?.hat), front: inCloth(front, dyes?.hat) };
}

/** What is before the eyes, about the middle between them. */
export function eyewearParts(eyes: Eyewear, y: number, apart: number, r: number, hex?: string): Part[] {
  return inCloth(eyewearOf(eyes, y, apart, r), hex, [DARK, ACCENT]);
}

function eyewearOf(eyes: Eyewear, y: number, apart: number, r: number): Part[] {
  const lens = both(disc(50 + apart, y, r, 60));
  const bridge = line(DARK, 1.4, `M${50 - apart + r * 0.9} ${y - 0.6}Q50 ${y - r * 0.42} ${50 + apart - r * 0.9} ${y - 0.6}`).area; // prettier-ignore
  switch (eyes) {
    case 'glasses':
      return [piece(DARK, union(subtract(lens, grown(lens, -1.5)), bridge))];
    case 'sunglasses': {
      // Flat above, round below.
      const shade = intersect(grown(lens, 0.5), box(0, y - r * 0.62, 100, 3 * r));
      const shine = (x: number): Area => [[x - r * 0.5, y + r * 0.1, x, y - r * 0.4, x + r * 0.26, y - r * 0.4, x - r * 0.3, y + r * 0.2]]; // prettier-ignore
      return [piece(DARK, union(shade, bridge, box(50 - apart - r, y - r * 0.62, 2 * (apart + r), 1.9))), piece(LIGHT, union(shine(50 - apart), shine(50 + apart)))]; // prettier-ignore
    }
    case 'monocle': {
      const one = disc(50 + apart, y, r * 1.08, 60);
      return [piece(DARK, union(subtract(one, grown(one, -1.5)), taper([50 + apart + r * 0.7, y + r * 0.8, 0.6], [50 + apart + r * 1.2, y + r * 3.2, 0.6])))]; // prettier-ignore
    }
    case 'patch':
      return [piece(DARK, union(oval(50 + apart, y + 0.6, r * 0.95, r * 1.06), line(DARK, 1.5, `M${50 - apart * 2.1} ${y + 2}L${50 + apart * 2.2} ${y - r * 1.3}`).area))]; // prettier-ignore
    case 'diving mask': {
      const mask = grown(both(oval(50 + apart * 0.86, y + 1, apart * 0.92, r * 0.9)), 1);
      return [piece(ACCENT, subtract(grown(mask, 2.4), mask)), piece(COAT, mirrored(taper([50 + apart * 2.3, y + 2, 1.8], [50 + apart * 2.6, y - 20, 1.8])))]; // prettier-ignore
    }
  }
}

/** What is about the neck of a body whose shoulders are at `y`, `shoulder` wide on either side, and `height` high. */
export function neckParts({ neck, hat }: Dress, y: number, shoulder: number, height: number, main: Tone, trim: Tone): Part[] {
  switch (neck) {
    case 'scarf':
      return [piece(trim, blob([50 - shoulder - 1, y - 3], [50, y + 3], [50 + shoulder + 1, y - 3], [50 + shoulder + 1, y + 4], [50, y + 9], [50 - shoulder - 1, y + 4])), piece(trim, [[55, y + 4, 63, y + 3, 65, y + height * 0.55, 57, y + height * 0.57]]), piece(LIGHT, [[56.6, y + height * 0.44, 64.4, y + height * 0.42, 64.7, y + height * 0.48, 56.9, y + height * 0.5]])];
    case 'bow tie':
      return [piece(trim, both([[49, y + 6, 59, y + 1, 59, y + 12, 49, y + 7]])), piece(DARK, disc(50, y + 6.5, 2, 28))];
    case 'tie':
      return [piece(trim, [[47.4, y + 1, 52.6, y + 1, 51.4, y + 5, 54, y + height * 0.5, 50, y + height * 0.6, 46, y + height * 0.5, 48.6, y + 5]])];
    case 'stethoscope':
      return [piece(DARK, union(taper([42, y - 1, 1.2], [43, y + 9, 1.2], [50, y + 15, 1.2], [57, y + 9, 1.2], [58, y - 1, 1.2]), taper([50, y + 15, 1.2], [51, y + 22, 1.2]), disc(51.4, y + 24, 3.2, 30)))];
    case 'medal':
      return [piece(trim, union(taper([42, y, 1.4], [50, y + 15, 1.4]), taper([58, y, 1.4], [50, y + 15, 1.4]))), piece(ACCENT, disc(50, y + 19, 5, 40)), piece(LIGHT, starArea(50, y + 19, 5, 3.2, 1.3))];
    case 'chain':
      return [piece(ACCENT, union(...Array.from({ length: 11 }, (_, i) => { const k = (i - 5) / 5; return disc(50 + 0.86 * shoulder * k, y + 2 + 13 * (1 - k * k), i === 5 ? 3 : 2.1, 28); })))];
    case 'kerchief':
      return [piece(trim, [[50 - shoulder * 0.9, y, 50 + shoulder * 0.9, y, 50, y + 14]]), piece(LIGHT, union(disc(45, y + 3.4, 1.2, 20), disc(55, y + 3.4, 1.2, 20), disc(50, y + 7.6, 1.2, 20)))];
    case 'camera':
      return [piece(DARK, union(taper([41, y, 0.9], [45, y + 15, 0.9]), taper([59, y, 0.9], [55, y + 15, 0.9]), grown(box(42, y + 14, 16, 10), 1))), piece(LIGHT, disc(50, y + 19, 3.8, 32)), piece(DARK, disc(50, y + 19, 1.9, 24))];
    default:
      return hat === 'space' ? [piece(main, oval(50, y + 1, shoulder, 3.4))] : [];
  }
} // prettier-ignore
