import type { FoundFigure } from '../prompt';
import { isThing, THING_NAMES, WORDS } from './things';

/** Words that mean the same figure. */
const SYNONYMS: Readonly<Record<string, string>> = {
  fork: 'silverware fork',
  noctule: 'bat',
  pipistrelle: 'bat',
  crescent: 'moon',
  'noctule bat': 'bat',
  urchin: 'hedgehog',
  kitten: 'cat',
  bunny: 'rabbit',
  hare: 'rabbit',
  cub: 'bear',
  sunshine: 'sun',
  raindrop: 'drop',
  foliage: 'leaf',
  shoot: 'sprout',
  sapling: 'sprout',
  kernel: 'seed',
  toadstool: 'mushroom',
  conifer: 'pine',
  'fir tree': 'pine',
  summit: 'mountain',
  peak: 'mountain',
  hill: 'mountain',
  daisy: 'flower',
  bloom: 'flower',
  surf: 'wave',
  thunderbolt: 'lightning',
  plume: 'feather',
  seashell: 'shell',
  scallop: 'shell',
  cottage: 'house',
  yacht: 'boat',
  railway: 'train',
  'sleeper train': 'train',
  carriage: 'train',
  cycle: 'bicycle',
  baggage: 'suitcase',
  case: 'suitcase',
  berth: 'bunk',
  couchette: 'bunk',
  'reading lamp': 'lamp',
  light: 'lamp',
  mug: 'cup',
  teacup: 'cup',
  washroom: 'tap',
  sink: 'tap',
  nib: 'quill',
  tiara: 'crown',
  parasol: 'umbrella',
  crest: 'shield',
  letter: 'envelope',
  cap: 'hat',
  hamper: 'basket',
  love: 'heart',
  'seed packet': 'envelope',
  packet: 'envelope',
};

/** Narrower words brought to the broader figure that stands for them. */
const BROADER: Readonly<Record<string, string>> = {
  robin: 'bird',
  sparrow: 'bird',
  finch: 'bird',
  wren: 'bird',
  pigeon: 'bird',
  crow: 'bird',
  raven: 'bird',
  martin: 'swallow',
  swift: 'swallow',
  tern: 'swallow',
  elm: 'tree',
  beech: 'tree',
  willow: 'tree',
  maple: 'leaf',
  larch: 'pine',
  juniper: 'pine',
  cedar: 'pine',
  trout: 'fish',
  salmon: 'fish',
  carp: 'fish',
  wasp: 'bee',
  bumblebee: 'bee',
  moth: 'butterfly',
  lily: 'tulip',
  poppy: 'flower',
  orchid: 'flower',
  fern: 'leaf',
  vegetable: 'sprout',
  fruit: 'apple',
  quince: 'pear',
  weather: 'cloud',
  rain: 'drop',
  bean: 'seed',
  hostel: 'bed',
  vehicle: 'train',
  drink: 'cup',
  tool: 'gear',
  story: 'book',
  diary: 'book',
  king: 'crown',
  queen: 'crown',
  animal: 'fox',
  oak: 'tree',
  machine: 'gear',
  garment: 'dress',
  carriage: 'train',
  rainy: 'cloud',
  puppy: 'fox',
  lynx: 'cat',
  fungus: 'mushroom',
  sea: 'wave',
  ocean: 'wave',
  river: 'wave',
  insect: 'bee',
  trunk: 'suitcase',
  walrus: 'seal',
  sparkle: 'star',
  tray: 'plate',
  village: 'house',
  treehouse: 'house',
  rope: 'knot',
  lasso: 'knot',
  mitten: 'glove',
  meadow: 'grass',
  newt: 'salamander',
  lamb: 'sheep',
  campfire: 'fire',
  bonfire: 'fire',
  surfer: 'swimmer',
  steam: 'smoke',
  seahorse: 'fish',
};

const IRREGULAR: Readonly<Record<string, string>> = {
  mice: 'mouse',
  geese: 'goose',
  feet: 'foot',
  teeth: 'tooth',
  men: 'man',
  women: 'woman',
  children: 'child',
  people: 'person',
  oxen: 'ox',
  wolves: 'wolf',
  leaves: 'leaf',
  knives: 'knife',
  loaves: 'loaf',
  cacti: 'cactus',
};

/** What a word and its likeliest misspellings share: its ends, and its letters in any order, doubled ones once. */
const spellingOf = (word: string): string => word[0] + word.at(-1) + [...word.replace(/(.)\1/g, '$1')].sort().join('');

let spellings: ReadonlyMap<string, string> | null = null;

/** The word that is meant by one that is none: letters that changed places, or were doubled or not. Short words are too much like others. */
function meantBy(word: string): string | null {
  if (word.length < 5 || !/^[a-z]+$/.test(word)) return null;
  spellings ??= new Map([...Object.keys(BROADER), ...Object.keys(SYNONYMS), ...THING_NAMES].filter((w) => w.length > 4 && /^[a-z]+$/.test(w)).map((w) => [spellingOf(w), w])); // prettier-ignore
  const meant = spellings.get(spellingOf(word));
  if (!meant) return null;
  const [is, was] = [meant, word].map((w) => w.replace(/(.)\1/g, '$1'));
  // Two letters changed places; more is another word.
  return [...is].filter((c, k) => c !== was[k]).length <= 2 ? meant : null;
}

/** The figure for a word or phrase, singular or plural, and how it was found; null when the engine has none. */
export function findFigure(phrase: string): FoundFigure | null {
  const forms = [phrase];
  const last = phrase.split(' ').at(-1)!;
  if (Object.hasOwn(IRREGULAR, last)) forms.push(phrase.slice(0, phrase.length - last.length) + IRREGULAR[last]);
  if (phrase.endsWith('ies')) forms.push(phrase.slice(0, -3) + 'y');
  if (phrase.endsWith('ves')) forms.push(phrase.slice(0, -3) + 'f');
  if (phrase.endsWith('es')) forms.push(phrase.slice(0, -2));
  if (phrase.endsWith('s') && !phrase.endsWith('ss')) forms.push(phrase.slice(0, -1));
  for (const form of forms) {
    if (Object.hasOwn(SYNONYMS, form)) return { word: phrase, drawn: SYNONYMS[form], via: 'synonym' };
    if (isThing(form)) return { word: phrase, drawn: form, via: 'name' };
    if (Object.hasOwn(BROADER, form)) return { word: phrase, drawn: BROADER[form], via: 'broader' };
    const listed = WORDS.get(form);
    if (listed) return { word: phrase, drawn: listed.thing, via: listed.via };
  }
  // A word that nobody knows is one that was mistyped, where it is very like one.
  for (const form of forms) {
    const meant = meantBy(form);
    const found = meant && meant !== form ? findFigure(meant) : null;
    if (found) return { ...found, word: phrase, via: 'synonym' };
  }
  return null;
}
