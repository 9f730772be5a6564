import { ANIMALS } from './figures-animals';
import { NATURE } from './figures-nature';
import { THINGS } from './figures-things';
import type { Drawing, Proportion } from './drawing';
import type { FoundFigure } from '../prompt';

/** Every figure that the engine can draw, by name. */
export const FIGURES: Readonly<Record<string, (t: Proportion) => Drawing>> = { ...ANIMALS, ...NATURE, ...THINGS };

/** Words that mean the same figure. */
const SYNONYMS: Readonly<Record<string, string>> = {
  noctule: 'bat', pipistrelle: 'bat', crescent: 'moon', 'crescent moon': 'moon', 'noctule bat': 'bat', urchin: 'hedgehog',
  kitten: 'cat', bunny: 'rabbit', hare: 'rabbit', cub: 'bear', sunshine: 'sun', droplet: 'drop', raindrop: 'drop',
  fire: 'flame', torch: 'candle', foliage: 'leaf', seedling: 'sprout', shoot: 'sprout', sapling: 'sprout', kernel: 'seed',
  toadstool: 'mushroom', conifer: 'pine', 'fir tree': 'pine', summit: 'mountain', peak: 'mountain', hill: 'mountain',
  blossom: 'flower', daisy: 'flower', bloom: 'flower', surf: 'wave', bolt: 'lightning', thunderbolt: 'lightning',
  plume: 'feather', seashell: 'shell', scallop: 'shell', home: 'house', cottage: 'house', ship: 'boat', sailboat: 'boat',
  yacht: 'boat', locomotive: 'train', railway: 'train', 'sleeper train': 'train', carriage: 'train', bike: 'bicycle',
  cycle: 'bicycle', luggage: 'suitcase', baggage: 'suitcase', case: 'suitcase', berth: 'bunk', 'bunk bed': 'bunk',
  couchette: 'bunk', 'reading lamp': 'lamp', light: 'lamp', coffee: 'cup', tea: 'cup', mug: 'cup', teacup: 'cup',
  egg: 'breakfast', washroom: 'tap', faucet: 'tap', sink: 'tap', library: 'book', 'open book': 'book', pen: 'quill',
  nib: 'quill', tiara: 'crown', cog: 'gear', parasol: 'umbrella', crest: 'shield', letter: 'envelope', mail: 'envelope',
  post: 'envelope', cap: 'hat', hamper: 'basket', love: 'heart', 'seed packet': 'envelope', packet: 'envelope',
};

/** Narrower words brought to the broader figure that stands for them. */
const BROADER: Readonly<Record<string, string>> = {
  robin: 'bird', sparrow: 'bird', finch: 'bird', wren: 'bird', dove: 'bird', pigeon: 'bird', crow: 'bird', raven: 'bird',
  martin: 'swallow', swift: 'swallow', tern: 'swallow', oak: 'tree', elm: 'tree', beech: 'tree', willow: 'tree',
  maple: 'leaf', larch: 'pine', juniper: 'pine', cedar: 'pine', trout: 'fish', salmon: 'fish', carp: 'fish',
  dolphin: 'whale', orca: 'whale', wasp: 'bee', bumblebee: 'bee', moth: 'butterfly', rose: 'flower', lily: 'tulip',
  poppy: 'flower', sunflower: 'flower', orchid: 'flower', plant: 'sprout', herb: 'leaf', fern: 'leaf', vegetable: 'sprout',
  fruit: 'apple', quince: 'pear', planet: 'moon', comet: 'star', weather: 'cloud', rain: 'drop', water: 'drop',
  nut: 'acorn', bean: 'seed', grain: 'seed', building: 'house', barn: 'house', cabin: 'house', hotel: 'bed', hostel: 'bed',
  vehicle: 'train', tram: 'train', bus: 'train', drink: 'cup', restaurant: 'cup', bakery: 'cup', tool: 'gear',
  machine: 'gear', engine: 'gear', notebook: 'book', story: 'book', diary: 'book', king: 'crown', queen: 'crown',
  animal: 'fox', wolf: 'fox', dog: 'fox', puppy: 'fox', lynx: 'cat', tiger: 'cat', lion: 'cat', panda: 'bear', mouse: 'rabbit',
  fungus: 'mushroom', sea: 'wave', ocean: 'wave', river: 'wave', insect: 'bee', bag: 'suitcase', trunk: 'suitcase',
};

/** The figure for a word or phrase, singular or plural, and how it was found; null when the engine has none. */
export function findFigure(phrase: string): FoundFigure | null {
  const forms = [phrase];
  if (phrase.endsWith('ies')) forms.push(phrase.slice(0, -3) + 'y');
  if (phrase.endsWith('ves')) forms.push(phrase.slice(0, -3) + 'f');
  if (phrase.endsWith('es')) forms.push(phrase.slice(0, -2));
  if (phrase.endsWith('s')) forms.push(phrase.slice(0, -1));
  for (const form of forms) {
    if (Object.hasOwn(FIGURES, form)) return { word: phrase, drawn: form, via: 'name' };
    if (Object.hasOwn(SYNONYMS, form)) return { word: phrase, drawn: SYNONYMS[form], via: 'synonym' };
    if (Object.hasOwn(BROADER, form)) return { word: phrase, drawn: BROADER[form], via: 'broader' };
  }
  return null;
}
