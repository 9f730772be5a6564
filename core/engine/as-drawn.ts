/** A prompt's figures as they are drawn: where a phrase names more things than one picture has of them, or fewer. */
import { bareFigure, isPlural, nounKind, withoutSome, type PromptFigure, type Relation } from '../prompt';
import { hasHands, isCreature, isShown } from './built';
import { isRole } from './creature';
import { isThing } from './things';
import { isScene, SWIMS } from './grounds';
import { isBundle, isHeadgear, isPaired } from './pairings';
import { TREES } from './pairings-places';
import { DRAWING_WITH, GROWS, isAtBothSides, LAUREL, SWIMMER, WOUND } from './pairs';
import { asksHead, FORMS, standingOf, type Stage } from './stage';

type Figures = readonly PromptFigure[];
/** A figure that is only implied, of the first. */
const added = (word: string, drawn: string, relation: Relation, said: string | null = null): PromptFigure => ({ ...bareFigure({ word, drawn, via: 'name' }), relation, to: 0, said }); // prettier-ignore
/** The figures without one of them; what stood to it stands to another. */
function dropped(figures: Figures, at: number, heir: number): PromptFigure[] {
  const led = figures.map((f) => (f.to === at ? { ...f, to: heir } : f));
  return withoutSome(led, (f) => f === led[at]);
}
/** A reading of the figures by which others are drawn; null where it does not apply. */
type Rule = (figures: Figures) => Figures | null;

/** What one goes on that is only said by what one does. */
const RIDDEN: readonly (readonly [RegExp, string])[] = [
  [/^surfing$/, 'surfboard'],
  [/^skateboarding$/, 'skateboard'],
  [/^(?:cycling|bicycling|biking)$/, 'bicycle'],
  [/^(?:sledding|sledging|sleighing|tobogganing)$/, 'sled'],
  [/^(?:rowing|canoeing|kayaking|paddling)$/, 'canoe'],
  [/^(?:sailing|boating)$/, 'sailboat'],
];

/** Small things of which several are meant where they are named as several. */
const SMALL =
  /^(?:drop|water|star|heart|leaf|snowflake|bubbles|flower|coin|musical note|sparkle|sparkles|bee|bird|egg|apple|petal|croissant|cherry blossom|daisy|butterfly|mushroom|acorn|carrot|tulip)$/;

/** Two things that are drawn as one. */
const TOGETHER: readonly (readonly [string, string, string])[] = [
  ['needle', 'thread', 'needle and thread'],
  ['mortar and pestle', 'mortar and pestle', 'mortar and pestle'],
  ['bow', 'arrow', 'bow and arrow'],
];

/** What every drawing has that it is said to have. */
const HAS: readonly (readonly [RegExp, RegExp])[] = [
  [/^nest with eggs$/, /^egg$/],
  [/^pancakes$/, /^(?:butter|syrup|maple syrup)$/],
  [/^(?:island|desert island)$/, /^palm tree$/],
  [/^market stall$/, /^awning$/],
  [/^(?:viking ship|sailboat|pirate ship)$/, /^(?:sails?|sailboat)$/],
];
// In a pose, or with a face, another figure is built, which has it not.
const has = (whole: PromptFigure, part: PromptFigure): boolean =>
  !(whole.pose && isShown(whole.pose)) &&
  !whole.expression &&
  HAS.some(([w, p]) => w.test(whole.drawn) && p.test(part.drawn));
const stands = (figure: PromptFigure, ...relations: readonly string[]): boolean =>
  relations.includes(figure.relation ?? '');

/** Whether a third figure stands so to the second, and that to the first. */
const isChained = (
  second: PromptFigure | undefined,
  third: PromptFigure | undefined,
  relation: Relation,
  turned = false,
): third is PromptFigure =>
  // prettier-ignore
  third?.relation === relation && third.turned === turned && third.to === 1 && second?.to === 0;

/** What rises or shines from something, and can have a form of its own. */
const SHAPELESS = /^(?:smoke|fire|cloud|beam|light|steam|shadow|chimney|teapot|kettle|cup)$/;
const LIQUID = /^(?:tea|coffee|milk|water|wine|juice|beer|honey|oil|cream|cocoa)$/;
const SCALED = /^(?:fish|goldfish|tropical fish)$/;
const SEEN_THROUGH = /^(?:bowl|jar|fishbowl|aquarium|tank|glass|bag)$/;
const SPRAYING = /^(?:spray|squirt|shower|sprinkl|spout|splash)/;
/** What covers somebody or stands about them, and can be of something else. */
const OUTGROWN =
  /^(?:feathers?|tail|tail feathers|plumage|mane|scales|spines|spikes|quills|shell|fur|hair|spots|stripes|petals)$/;
/** What a wreath is made of. */
const isWreathing = ({ drawn }: PromptFigure): boolean => LAUREL.test(drawn) || WOUND.test(drawn);
/** What holds what one drinks, or licks out. */
const VESSEL =
  /^(?:jar|honey pot|pot|bottle|cup|coffee cup|teacup|mug|bowl|glass|jug|bucket|barrel|can|teapot|carton|goblet|flask)$/;
/** What one does to oneself with a tool in the hand. */
const GROOMED: readonly (readonly [RegExp, string])[] = [
  [/^combing (?:its|his|her|their) (?:hair|mane|beard|fur|moustache)/, 'comb'],
  [/^brushing (?:its|his|her|their) (?:teeth|tooth|tusks|fangs)/, 'toothbrush'],
  [/^brushing (?:its|his|her|their) (?:hair|mane|beard|fur|tail)/, 'comb'],
  [/^(?:shaving|trimming) (?:its|his|her|their) (?:beard|face|moustache|chin)/, 'razor'],
  [/^(?:painting|filing|doing) (?:its|his|her|their) (?:nails|claws)/, 'nail polish'],
];
/** What lives in the water, or on it, besides what swims in landscapes and under boats. */
const AMPHIBIOUS = /^(?:walrus|crocodile|alligator|frog|penguin|seahorse|crab|lobster|shrimp|manatee|hippo|hippopotamus|snake|newt|axolotl|tadpole|pelican|gull|flamingo|goldfish|piranha|blowfish)$/; // prettier-ignore
const isAquatic = (name: string): boolean => SWIMS.test(name) || SWIMMER.test(name) || AMPHIBIOUS.test(name);
const SERVED_ON = /^(?:tray|plate|dish|bag)$/;

/** The thing of whose shape a figure is said to be; null where none is. */
const shapedAs = ({ modifiers }: PromptFigure): string | null =>
  modifiers.map((m) => /^(\w+)-shaped$/.exec(m)?.[1]).find((m) => m !== undefined && isThing(m)) ?? null;

/** The rules in the order in which they are tried; the first that applies is the one. */
const RULES: readonly Rule[] = [
  // A jellyfish lamp is a lamp whose shade is one; what else is so called has it on it.
  ([first, ...rest]) => {
    const [, animal, thing] = /^([a-z]+) (lamp|lantern|mug|cup|vase|kite|balloon|cake|cookie|clock|teapot|drum|bell|coin|pillow|shield|flag|lampshade)$/.exec(first?.word ?? '') ?? [];
    return animal && nounKind(animal) === 'animal' && isThing(animal) && first.drawn !== first.word && first.via !== 'none' ? [first, { ...added(animal, animal, thing === 'lamp' ? 'as' : 'on'), turned: true, place: thing === 'lamp' ? 'top' : 'face' }, ...rest] : null;
  }, // prettier-ignore
  // What one drinks is in a cup; an acorn held like a trophy is an acorn.
  ([first, second, ...rest]) =>
    second && LIQUID.test(second.drawn) && /^(?:drink|sip|slurp)/.test(second.said ?? '') && isCreature(first.drawn)
      ? [first, { ...second, drawn: /^(?:tea|coffee|cocoa|milk)$/.test(second.drawn) ? 'cup' : 'glass' }, ...rest]
      : null,
  (figures) => {
    const [first, second, third] = figures;
    return third?.said === 'like' && third.to === 1 && second.relation === 'holding' && isCreature(first.drawn) && second.drawn !== 'balloon' ? dropped(figures, 2, 1) : null; // prettier-ignore
  },
  // What is in a hat, and does not come out of one, wears it.
  ([first, second, ...rest]) =>
    second && isHeadgear(second.drawn) && second.to === 0 && !second.turned && second.relation === 'inside' && second.said === 'in' && (!isCreature(first.drawn) || !/^(?:hat|top hat)$/.test(second.drawn))
      ? [first, { ...second, relation: 'wearing', said: 'wearing' }, ...rest]
      : null, // prettier-ignore
  // What a volcano erupts rises where its smoke would.
  ([first, second, ...rest]) =>
    second && /^(?:volcano|chimney|kettle|train|locomotive|factory|teapot|steam ship)$/.test(first.drawn) && second.to === 0 && /^(?:erupt|spew|spout|puff|blow|belch|emit|smok)/.test(second.said ?? '') && !/^(?:smoke|lava|steam|fire|cloud)$/.test(second.drawn)
      ? [first, { ...second, relation: 'as', turned: true, place: 'smoke' }, ...rest]
      : null, // prettier-ignore
  // What a hand writes with is the feather alone, without its stand.
  ([first, second, ...rest]) =>
    first?.drawn === 'hand' && second?.drawn === 'quill' && second.to === 0 && !second.turned && stands(second, 'with', 'holding')
      ? [{ ...first, pose: null }, { ...second, drawn: 'feather', relation: 'holding', said: 'holding' }, ...rest]
      : null, // prettier-ignore
  // What is under somebody's arm is held.
  ([first, second, ...rest]) =>
    second && isCreature(first.drawn) && second.to === 0 && second.relation === 'under' && second.turned && /^(?:arms?|wings?|paws?)$/.test(second.place ?? '') && !isCreature(second.drawn)
      ? [first, { ...second, relation: 'holding', turned: false, place: null, said: 'holding' }, ...rest]
      : null, // prettier-ignore
  // A fire-breathing dragon breathes fire.
  ([first, ...rest]) =>
    first?.modifiers.includes('fire-breathing') && isCreature(first.drawn) && rest.every((f) => f.drawn !== 'fire')
      ? [{ ...first, pose: 'breathing', modifiers: first.modifiers.filter((m) => m !== 'fire-breathing') }, { ...added('fire', 'fire', 'coming out of', 'breathing'), turned: true }, ...rest]
      : null, // prettier-ignore
  // Who swims, and does not live in the water, is seen over it.
  ([first, ...rest]) =>
    first && !rest.length && /^(?:swimming|paddling|bathing)$/.test(first.pose ?? '') && nounKind(first.drawn) === 'animal' && isCreature(first.drawn) && !isAquatic(first.drawn) && first.count === 1
      ? [{ ...first, pose: 'standing' }, added('ripples', 'ripples', 'inside', 'swimming in')]
      : null, // prettier-ignore
  // A tail of books is behind a comet, a plume of fire where a helmet has its own.
  ([first, second, third, ...rest]) =>
    third?.relation === 'made of' && third.to === 1 && second.to === 0 && /^(?:tail|plume|trail|crest|wake|fringe)$/.test(second.word) && !isCreature(first.drawn) && ['with', 'coming out of', 'behind'].includes(second.relation ?? '')
      ? [first, /^(?:plume|crest|fringe)$/.test(second.word) ? { ...third, to: 0, relation: 'as', turned: true, place: 'top', said: 'whose plume' } : { ...third, to: 0, relation: 'with', turned: false, said: 'leaving' }, ...rest]
      : null, // prettier-ignore
  // One in each paw are two.
  ([first, second, ...rest]) => {
    const each = second?.modifiers.find((m) => /^in each (?:arm|hand|paw|claw|fist|tentacle|wing)$/.test(m));
    return each && isCreature(first.drawn) ? [first, { ...second, modifiers: second.modifiers.filter((m) => m !== each), relation: 'holding', to: 0, count: 2 }, ...rest] : null;
  }, // prettier-ignore
  // A fist that holds something is a hand closed about it.
  ([first, second, ...rest]) =>
    first?.drawn === 'fist' && second?.to === 0 && !second.turned && stands(second, 'holding', 'with', 'toward')
      ? [{ ...first, drawn: 'hand', pose: null, modifiers: [] }, { ...second, relation: 'holding', said: 'gripping' }, ...rest]
      : null, // prettier-ignore
  // The sun in a cup rises over its rim.
  ([first, second, ...rest]) =>
    second && VESSEL.test(first.drawn) && /^(?:sunrise|sunset|sun)$/.test(second.drawn) && second.to === 0 && second.turned && stands(second, 'inside')
      ? [first, { ...second, drawn: 'sun', relation: 'coming out of' }, ...rest]
      : null, // prettier-ignore
  // Two swans that form a heart do so with their necks.
  ([first, second, ...rest]) =>
    first?.count === 2 && /^(?:swan|goose|flamingo)$/.test(first.drawn) && second?.drawn === 'heart' && stands(second, 'as', 'made of') && !rest.length
      ? [{ ...first, drawn: 'heart swans', count: 1, pose: null, modifiers: [] }]
      : null, // prettier-ignore
  // A palm tree on an island that something carries is the island's own.
  (figures) => {
    const at = figures.findIndex((f, i) => i > 1 && f.count === 1 && has(figures[i - 1], f) && stands(f, 'holding', 'with', 'inside', 'on'));
    return at > 1 ? dropped(figures, at, at - 1) : null;
  }, // prettier-ignore
  // Who drinks honey from a jar holds the jar.
  ([first, second, third, ...rest]) =>
    third && isCreature(first.drawn) && second.to === 0 && second.relation === 'holding' && /^(?:drink|sip|eat|lick|slurp|tast|scoop|suck)/.test(second.said ?? '') && third.to === 1 && third.relation === 'coming out of' && VESSEL.test(third.drawn)
      ? [first, { ...third, to: 0, relation: 'holding', said: 'holding' }, ...rest]
      : null, // prettier-ignore
  // Who combs its hair has a comb.
  ([first, ...rest]) => {
    const tool = first ? GROOMED.find(([how]) => first.modifiers.some((m) => how.test(m)))?.[1] : undefined;
    return tool && rest.every((f) => f.drawn !== tool) ? [{ ...first, pose: null, modifiers: first.modifiers.filter((m) => GROOMED.every(([how]) => !how.test(m))) }, added(tool, tool, 'holding', 'holding'), ...rest] : null;
  }, // prettier-ignore
  // A bird of prey that spreads its wings does so as on a shield.
  ([first, ...rest]) =>
    first && /^(?:eagle|hawk|falcon|condor|vulture|phoenix)$/.test(first.drawn) && !asksHead(first.modifiers) && /^(?:flying)?$/.test(first.pose ?? '') && first.modifiers.some((m) => /(?:spread|open|outspread|outstretched|wide|raised|displayed|extended)\b.*wings|wings (?:spread|open|outstretched|wide|raised|displayed|extended|up)/.test(m)) && first.count === 1 && !rest.some((f) => ['holding', 'riding', 'wearing'].includes(f.relation ?? ''))
      ? [{ ...first, drawn: 'spread eagle', pose: null, modifiers: [] }, ...rest]
      : null, // prettier-ignore
  // Who dances has a skirt that swings; two dance together.
  ([first, ...rest]) => {
    if (!first || ![first.pose ?? '', ...first.modifiers].some((m) => /^danc/.test(m)) || rest.some((f) => f.relation === 'holding')) return null;
    const calm = { ...first, pose: null, modifiers: first.modifiers.filter((m) => !/^danc/.test(m)) };
    if (first.drawn === 'couple' || (first.count === 2 && /^(?:man|woman|dancer|ballerina)$/.test(first.drawn))) return [{ ...calm, drawn: 'dancing couple', count: 1 }, ...rest];
    return /^(?:woman|girl)$/.test(first.drawn) && first.count === 1 ? [{ ...calm, drawn: 'dancing woman' }, ...rest] : null;
  }, // prettier-ignore
  // A sloth hangs from its branch, asleep or not.
  ([first, second, ...rest]) =>
    first?.drawn === 'sloth' && second?.drawn === 'twig' && stands(second, 'on', 'coming out of', 'under') && !first.expression
      ? [{ ...first, pose: null }, ...rest]
      : null, // prettier-ignore
  // Hands that form a heart are one gesture.
  ([first, second, third]) => {
    const [hand, heart] = first?.drawn === 'heart' ? [second, first] : [first, second];
    const forms = second?.to === 0 && (second === heart ? second.relation === 'as' : second.relation === 'made of');
    return !third && forms && hand?.drawn === 'hand' && heart?.drawn === 'heart' && (hand.count === 2 || isPlural(hand.word)) ? [{ ...first, word: 'hands', drawn: 'heart hands', count: 1, modifiers: [], pose: null }] : null;
  }, // prettier-ignore
  // Stars that antlers are full of are between these.
  ([first, second, third, ...rest]) =>
    second && /^(?:antlers?|horns?)$/.test(second.word) && isCreature(first.drawn) && isChained(second, third, third?.relation === 'on' ? 'on' : 'inside', true)
      ? [first, { ...third, to: 0, relation: 'inside', turned: true, place: 'antlers' }, ...rest]
      : null, // prettier-ignore
  // A microphone with owl ears has an owl's ears on it.
  ([first, second, ...rest]) => {
    const animal = /^([a-z]+) ears$/.exec(second?.word ?? '')?.[1];
    return second && animal && !isCreature(first.drawn) && isCreature(animal) && !second.turned ? [first, { ...second, word: animal, drawn: animal, via: 'name', relation: 'wearing', said: 'ears' }, ...rest] : null;
  }, // prettier-ignore
  // Who eats leaves from a tree eats of the tree.
  ([first, second, third, ...rest]) =>
    third && isCreature(first.drawn) && second.drawn === 'leaf' && TREES.test(third.drawn) && /^(?:eat|nibbl|brows|munch|feed|pluck|chew)/.test(`${first.pose ?? ''} ${second.said ?? ''}`.trim())
      ? [first, { ...third, to: 0, relation: 'toward', turned: false, said: 'eating' }, ...rest]
      : null, // prettier-ignore
  // A swan boat is a swan on the water.
  ([first, ...rest]) => {
    const swum = /^(swan|duck|goose|whale|turtle) (?:boat|pedalo|ferry)$/.exec(first?.word ?? '')?.[1];
    return swum && first.drawn !== swum ? [{ ...first, drawn: swum }, added('ripples', 'ripples', 'on'), ...rest] : null;
  }, // prettier-ignore
  // Carrots that are crossed like swords are carrots.
  ([first, second, ...rest]) =>
    second?.relation === 'as' && !second.turned && /^crossed like/.test(second.said ?? '') ? [first, ...rest] : null,
  // Who has spines like pencils has pencils for them.
  ([first, second, ...rest]) => {
    const part = first?.modifiers.find((m) => OUTGROWN.test(m));
    return part && second?.relation === 'as' && !second.turned && second.to === 0 && second.said === 'like' ? [{ ...first, modifiers: first.modifiers.filter((m) => m !== part) }, { ...second, turned: true, place: part }, ...rest] : null;
  }, // prettier-ignore
  // A trail of hearts is hearts that one leaves behind.
  ([first, second, third, ...rest]) =>
    third && /^(?:trail|track|wake)s?$/.test(second.word) && third.to === 1 && third.relation === 'made of'
      ? [first, { ...third, to: 0, relation: 'with', said: 'leaving', turned: false }, ...rest]
      : null,
  // A tree over its roots in an hourglass is one tree.
  ([first, second, third]) =>
    third?.drawn === 'roots' && first.drawn === 'hourglass' && TREES.test(second.drawn) ? [first, { ...second, relation: 'inside', turned: true, place: 'both' }] : null, // prettier-ignore
  // A hand that draws something with a pencil.
  ([first, second, third]) =>
    third && first.drawn === 'hand' && /^(?:draw|sketch|writ|paint|trac)/.test(`${first.pose ?? ''} ${second.said ?? ''}`.trim()) && DRAWING_WITH.test(third.drawn)
      ? [{ ...third, relation: null, to: null, said: null, pose: null, turned: false }, { ...second, to: 0, relation: 'toward', said: 'drawn by hand', turned: false }]
      : null, // prettier-ignore
  // A turtle's head is known from its side.
  ([first, ...rest]) =>
    first &&
    /^(?:turtle|tortoise|sea turtle)$/.test(first.drawn) &&
    first.modifiers.some((m) => /^(?:head|face|portrait)$/.test(m)) &&
    first.expression === null
      ? [
          {
            ...first,
            drawn: 'turtle head',
            modifiers: first.modifiers.filter((m) => !/^(?:head|face|portrait)$/.test(m)),
          },
          ...rest,
        ]
      : null,
  // A cub's mother is what it is.
  ([first, second, ...rest]) =>
    second &&
    /^(?:woman|man)$/.test(second.drawn) &&
    /^(?:mother|father|mum|mom|dad|parent|mate|brother|sister)$/.test(second.word) &&
    nounKind(first.drawn) === 'animal' &&
    isCreature(first.drawn)
      ? [first, { ...second, drawn: first.drawn, via: 'name' }, ...rest]
      : null,
  // A wolf's pups are wolves.
  ([first, second, ...rest]) =>
    second &&
    isCreature(first.drawn) &&
    /^(?:pups?|cubs?|kits?|cal(?:f|ves)|foals?|joeys?|bab(?:y|ies)|young|infants?|newborns?)$/.test(second.word) &&
    second.drawn !== first.drawn
      ? [first, { ...second, drawn: first.drawn, via: 'name' }, ...rest]
      : null,
  // A teapot house is a teapot with a door and windows.
  ([first, ...rest]) => {
    const lived = /^(teapot|shoe|boot|mushroom|pumpkin|acorn|cup|mug|book|apple|pear|hat|eggshell|egg|strawberry|watermelon|kettle|jug|barrel|snail shell|gourd|tree stump|cupcake) house$/.exec(first?.word ?? '')?.[1];
    const eaten = /^([a-z]+) house$/.exec(first?.word ?? '')?.[1] ?? '';
    const of = lived ?? (['food', 'plant'].includes(nounKind(eaten) ?? '') && isThing(eaten) && !TREES.test(eaten) && !/^(?:flower|garden|plant|bamboo|palm|log|wood|straw|leaf|vine|coffee|tea|beer|wine|pizza|steak|pancake|waffle|pie|farm|meat|fish)$/.test(eaten) ? eaten : undefined);
    return of && first.drawn === 'house' ? [{ ...first, drawn: of }, added('house', 'house', 'as', 'as'), ...rest.filter((f) => f.drawn !== 'chimney').map((f): PromptFigure => ({ ...f, to: 0, relation: 'over', turned: true }))] : null;
  }, // prettier-ignore
  // An arrow that sticks in something is one that was shot.
  ([first, second, ...rest]) =>
    first?.drawn === 'arrow' &&
    second?.to === 0 &&
    (second.relation === 'through' || /^(?:stuck|shot|pierc|struck)/.test(second.said ?? ''))
      ? [{ ...first, drawn: 'archery arrow' }, second, ...rest]
      : null,
  // A heart of steam rises where the steam would.
  ([first, second, third, ...rest]) =>
    third?.relation === 'made of' && third.to === 1 && third.drawn === 'smoke' && second.to === 0
      ? [first, { ...second, relation: 'over', turned: true }, ...rest]
      : null,
  // A winged shoe has wings.
  ([first, ...rest]) =>
    first?.modifiers.includes('winged') && !isCreature(first.drawn) && rest.every((f) => f.drawn !== 'wing')
      ? [{ ...first, modifiers: first.modifiers.filter((m) => m !== 'winged') }, added('wings', 'wing', 'with', 'with'), ...rest.slice(0, 1)] // prettier-ignore
      : null,
  // Smoke out of a chimney: every chimney has its own.
  ([first, second, third, ...rest]) =>
    third?.drawn === 'chimney' && third.to === 1 && /^(?:smoke|steam)$/.test(second.drawn) && second.to === 0
      ? [first, { ...third, relation: 'with', turned: false, to: 0, place: null, said: 'with' }, ...rest]
      : null,
  // A ring of rope is one of rope.
  (figures) => {
    const at = figures.findIndex((f, i) => i > 0 && f.relation === 'made of' && f.drawn === 'rope' && f.to !== null && /^(?:ring|circle)$/.test(figures[f.to].word)); // prettier-ignore
    const ring = at < 0 ? null : figures[at].to!;
    return ring === null ? null : dropped(figures.map((f, i) => (i === ring ? { ...f, drawn: 'rope ring' } : f)), at, ring); // prettier-ignore
  },
  // What hangs from a beak is held there.
  ([first, second, ...rest]) => {
    const place = second && isCreature(first.drawn) && second.to === 0 ? second.modifiers.map((m) => /^from (beak|bill|mouth|jaws?|snout|trunk)$/.exec(m)?.[1]).find((m) => m !== undefined) : undefined; // prettier-ignore
    return place ? [{ ...first, pose: /^(?:hang|dangl)/.test(first.pose ?? '') ? null : first.pose }, { ...second, modifiers: [], relation: 'holding', turned: false, place }, ...rest] : null; // prettier-ignore
  },
  // What comes out of a hat comes out of a tall one.
  ([first, second, ...rest]) =>
    second?.drawn === 'hat' &&
    isCreature(first.drawn) &&
    second.to === 0 &&
    !second.turned &&
    stands(second, 'coming out of', 'inside')
      ? [first, { ...second, drawn: 'top hat' }, ...rest]
      : null,
  // A boat of a newspaper is a paper boat.
  (figures) => {
    const [first, second] = figures;
    const paper = second?.relation === 'made of' && second.to === 0 && /^(?:newspaper|map|page|letter|banknote)$/.test(second.drawn) ? second : null; // prettier-ignore
    const drawn = !paper ? null : /^(?:boat|sailboat|ship|paper boat)$/.test(first.drawn) ? (paper.drawn === 'newspaper' ? 'newspaper boat' : 'paper boat') : /^(?:airplane|plane|glider)$/.test(first.drawn) ? 'paper plane' : null; // prettier-ignore
    return drawn === null
      ? null
      : dropped(
          figures.map((f, i) => (i === 0 ? { ...f, drawn } : f)),
          1,
          0,
        );
  },
  // A wreath of wheat about a windmill is two ears of wheat at its sides.
  ([first, second, third, ...rest]) =>
    first?.drawn === 'wreath' && second?.relation === 'made of' && second.to === 0 && isWreathing(second) && third?.to === 0 && ['with', 'around', 'beside'].includes(third.relation ?? '')
      ? [{ ...third, relation: null, to: null, turned: false, said: null, place: null }, { ...second, count: 1, relation: 'around', to: 0, turned: true, said: 'around' }, ...rest]
      : null, // prettier-ignore
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'made of') && second.drawn === 'wreath' && isWreathing(third) && ['inside', 'around', 'with'].includes(second.relation ?? '')
      ? [first, { ...third, count: 1, relation: 'around', to: 0, turned: true, said: 'around' }, ...rest]
      : null, // prettier-ignore
  // Who does yoga meditates, and has nobody beside.
  ([first, second, ...rest]) =>
    second?.drawn === 'yogi' && /^do(?:ing)?\b/.test(second.said ?? '') && isCreature(first.drawn)
      ? [{ ...first, pose: 'meditating' }, ...rest]
      : null,
  // What is bundled is tied.
  ([first, second]) =>
    first && !second && isBundle(first) && LAUREL.test(first.drawn)
      ? [{ ...first, count: 5 }, { ...first, word: 'ribbon', drawn: 'ribbon', via: 'name', count: 1, modifiers: [], colours: [], pose: null, expression: null, relation: 'with', to: 0, turned: false, place: null, said: 'tied with' }]
      : null, // prettier-ignore
  // A crown of leaves is worn; antlers made of twigs are twigs where antlers are.
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'made of') && second.drawn === 'crown' && isWreathing(third)
      ? [first, { ...second, word: 'leaf crown', drawn: 'leaf crown', relation: 'wearing' }, ...rest]
      : null,
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'made of') &&
    second.relation === 'with' &&
    (isPaired(second.word) || (OUTGROWN.test(second.word) && nounKind(first.drawn) === 'animal'))
      ? [first, { ...third, relation: 'as', turned: true, place: second.word, to: 0, count: 1 }, ...rest]
      : null,
  // A fish in a bowl is one thing to look at.
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'inside') && SCALED.test(second.drawn) && SEEN_THROUGH.test(third.drawn)
      ? [first, { ...second, drawn: 'fishbowl' }, ...rest]
      : null,
  // A cup of cocoa is the cup.
  (figures) => {
    const [first, second] = figures;
    const isFull = second && LIQUID.test(second.word) && second.to === 0 && second.said === 'of' && VESSEL.test(first.drawn); // prettier-ignore
    return isFull ? dropped(figures, 1, 0) : null;
  },
  // Of tea that is poured into a cup, the cup.
  ([first, second, third, ...rest]) =>
    third && LIQUID.test(second.word) && /^pour/.test(second.said ?? '')
      ? [first, { ...third, relation: 'over', turned: false, to: 0, said: 'pouring' }, ...rest]
      : null,
  // A surfer has a board.
  ([first, second]) => {
    const ridden = first && !second && isCreature(first.drawn) ? RIDDEN.find(([does]) => does.test(first.pose ?? ''))?.[1] : undefined; // prettier-ignore
    return ridden
      ? [{ ...first, pose: 'standing' }, added(ridden, ridden, 'riding')] // prettier-ignore
      : null;
  },
  // Who fishes has a rod.
  ([first, ...rest]) =>
    first &&
    isCreature(first.drawn) &&
    /^(?:fishing|angling)$/.test(first.pose ?? '') &&
    rest.every((f) => !/rod$/.test(f.drawn))
      ? [{ ...first, pose: 'standing' }, added('fishing rod', 'fishing rod', 'holding', 'holding'), ...rest.filter((f) => f.to === 0).slice(0, 1).map((f): PromptFigure => (f.relation === 'coming out of' ? { ...f, relation: 'on', said: 'on' } : f))] // prettier-ignore
      : null,
  // A head that something is in is seen from the side.
  ([first, second, ...rest]) =>
    second &&
    first.modifiers.includes('head') &&
    (isRole(first.drawn) || /^(?:human|person|man|woman|girl|boy|child)$/.test(first.drawn)) &&
    stands(second, 'inside') &&
    second.turned
      ? [{ ...first, drawn: 'head profile', modifiers: [] }, second, ...rest]
      : null,
  // A bicycle's basket of flowers is the flowers, where its basket is; of what is on a tray, that is held.
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'inside', true) &&
    second.drawn === 'basket' &&
    /^(?:bicycle|hot air balloon|scooter|moped)$/.test(first.drawn)
      ? [first, { ...third, relation: 'as', turned: true, place: 'basket', to: 0 }, ...rest]
      : null,
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'inside', true) &&
    SERVED_ON.test(second.drawn) &&
    !(second.drawn === 'tray' && hasHands(first.drawn))
      ? [first, { ...third, relation: second.relation, turned: false, to: 0, count: 1 }, ...rest]
      : null,
  // Who has a crown of flames has flames for it.
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'made of', false) && second.drawn === 'crown' && ['with', 'wearing'].includes(second.relation ?? '') && !/^(?:flower|leaf|daisy|rose)$/.test(third.drawn)
      ? [first, { ...third, relation: 'wearing', turned: false, place: null, to: 0, count: 1 }, ...rest]
      : null, // prettier-ignore
  // The bird that steam forms is where the steam would be; the book that a beam forms beside its lamp.
  ([first, second, third, ...rest]) => {
    if (third?.relation !== 'as' || third.to !== 1) return null;
    if (third.turned && !/^(?:smoke|steam|flames?|fire)$/.test(third.place ?? '')) return null;
    if (!SHAPELESS.test(second.via === 'none' ? second.word : second.drawn)) return null;
    const isBeam = second.drawn === 'beam';
    if (!isBeam && /^(?:steam|smoke|vapou?r|aroma)$/.test(second.word)) return [first, { ...third, relation: 'as', turned: true, to: 0, place: 'steam' }, ...rest]; // prettier-ignore
    return [first, { ...third, relation: isBeam ? 'beside' : 'over', turned: !isBeam, to: 0 }, ...rest];
  },
  // A heart-shaped door is a heart where a door is, a heart-shaped balloon a heart; what is so by itself is seen in one.
  (figures) => {
    const at = figures.findIndex((f) => shapedAs(f) !== null && !/^(?:smoke|cloud|bubbles)$/.test(f.drawn));
    const form = at < 0 ? null : shapedAs(figures[at]);
    if (!form) return null;
    const { [at]: one } = figures;
    const modifiers = one.modifiers.filter((m) => m !== `${form}-shaped`);
    if (figures.length === 1) return [{ ...bareFigure({ word: form, drawn: form, via: 'name' }), colours: one.colours }, { ...one, modifiers, relation: 'inside', turned: true, to: 0, said: 'in', colours: [] }]; // prettier-ignore
    const isPart = one.to === 0 && stands(one, 'with') && /^(?:door|window|handle|body|lens|wheel|sail|head|top|tail|lid|spout|clock|dial|face|screen|button|keyhole|roof|flame|crown|petals?)s?$/.test(one.word); // prettier-ignore
    return figures.map((f, i) => (i !== at ? f : isPart ? { ...f, word: form, drawn: form, modifiers, relation: 'as', turned: true, place: one.word.replace(/s$/, '') } : { ...f, drawn: form, modifiers })); // prettier-ignore
  },
  // A ship on a sea of books is on books.
  ([first, second, third, ...rest]) =>
    third && isChained(second, third, 'made of') && stands(second, 'on', 'inside', 'through', 'over') && /^(?:wave|water|lake|river|ocean|field|ripples|cloud)$/.test(second.drawn)
      ? [first, { ...third, drawn: /^books?$/.test(third.drawn) ? 'open book' : third.drawn, relation: 'on', turned: false, to: 0, count: 1 }, ...rest]
      : null, // prettier-ignore
  // A shell that is a boat has a sail already; a leaf sail is a leaf.
  ([first, second, third, ...rest]) => {
    if (!third || !stands(second, 'as') || !/^(?:boat|ship|sailboat)$/.test(second.drawn) || !/ ?\bsail$/.test(third.word)) return null; // prettier-ignore
    return [first, { ...second, modifiers: [...second.modifiers, third.word] }, ...rest];
  },
  // Toast that pops out of its toaster is half in it.
  ([first, second, ...rest]) =>
    second?.to === 0 && stands(second, 'with') && !isCreature(first.drawn) && second.modifiers.includes('out') && second.modifiers.some((m) => /^(?:popping|sticking|coming|peeking|jumping|bursting|rising|poking)$/.test(m))
      ? [first, { ...second, modifiers: [], relation: 'coming out of', turned: true }, ...rest]
      : null, // prettier-ignore
  // A balloon shaped as the moon is the moon, held.
  ([first, second, third, ...rest]) => {
    if (third?.relation !== 'as' || third.to !== 1 || third.turned || second.relation === null) return null;
    // A keyhole in the shape of a heart is a heart where that would be.
    if (/^(?:keyhole|door|window|lens|button|wheel)$/.test(second.drawn) && second.to === 0)
      return [first, { ...third, relation: 'as', turned: true, to: 0, place: second.drawn }, ...rest];
    const { relation, turned, said, place } = second;
    // It is still one that flies on a string.
    const word = second.drawn === 'balloon' ? 'balloon' : third.word;
    return [first, { ...third, word, relation, turned, to: 0, said, place }, ...rest];
  },
  // A reflection is the figure once more, in water.
  ([first, second, ...rest]) =>
    second && /^reflections?$/.test(second.word) && second.to === 0
      ? [first, { ...second, drawn: 'ripples', relation: 'inside', turned: false, said: 'reflected in' }, ...rest]
      : null,
  // Leaves that a giraffe eats from a tree are the tree's.
  ([first, second, third, ...rest]) =>
    third &&
    second.drawn === 'leaf' &&
    isCreature(first.drawn) &&
    (TREES.test(third.drawn) || third.drawn === 'bush') &&
    second.to === 0
      ? [{ ...first, pose: 'standing' }, { ...third, relation: 'toward', turned: false, to: 0 }, ...rest]
      : null,
  // A wolf in sheep's clothing has its wool on.
  ([first, second, ...rest]) =>
    second && first.drawn === 'wolf' && /sheep|wool|fleece/.test(second.word) && stands(second, 'wearing', 'inside')
      ? [{ ...first, drawn: 'wolf in wool', pose: null }, ...rest]
      : null,
  // A leaf in the steam of a cup rises where the steam would.
  ([first, second, third, ...rest]) =>
    isChained(second, third, 'inside') && /^(?:smoke|steam)$/.test(third.drawn)
      ? [first, { ...second, relation: 'over', turned: true }, ...rest]
      : null,
  // Somebody's beard is on the face.
  (figures) => {
    const [first, second, ...rest] = figures;
    return second && /^(?:beard|moustache|mustache)$/.test(second.word) && second.to === 0 && isRole(first.drawn)
      ? dropped([{ ...first, modifiers: [...first.modifiers, 'bearded'] }, second, ...rest], 1, 0)
      : null;
  },
  // A violin has its bow with it.
  (figures) => {
    const at = figures.findIndex((f) => f.word === 'bow' && f.relation === 'with' && f.to !== null && /^(?:violin|double bass)$/.test(figures[f.to].drawn)); // prettier-ignore
    return at > 0 ? dropped(figures, at, figures[at].to!) : null;
  },
  // A bucket of milk is a bucket.
  (figures) => {
    const at = figures.findIndex((f) => f.said === 'of' && f.turned && f.relation === 'inside' && f.to !== null && /^(?:honey pot|milk|water|oil|paint|soup|wine|beer)$/.test(f.drawn) && VESSEL.test(figures[f.to].drawn)); // prettier-ignore
    if (at < 0 || figures.length < 3) return null;
    return dropped(figures, at, figures[at].to!);
  },
  // Two hands that shake are one figure; smoke in the shape of a heart is that, over what it comes from.
  (figures) => {
    const at = figures.findIndex(
      (f) => f.drawn === 'hand' && f.count === 2 && /^shak/.test(f.pose ?? f.modifiers.join(' ')),
    );
    return at < 0
      ? null
      : figures.map((f, i) => (i === at ? { ...f, drawn: 'handshake', count: 1, pose: null, modifiers: [] } : f));
  },
  (figures) => {
    const shapeOf = (f: PromptFigure): string | null =>
      /^(?:smoke|cloud|bubbles)$/.test(f.drawn) ? shapedAs(f) : null;
    if (!figures.some(shapeOf)) return null;
    return figures.map((f) => {
      const drawn = shapeOf(f);
      if (!drawn) return f;
      return { ...f, drawn, modifiers: [], ...(f.relation === 'with' ? { relation: 'over', turned: true } : {}) };
    });
  },
  // Stripes are somebody's own; a glove that holds something is a hand.
  (figures) => {
    const at = figures.findIndex((f) => /^stripes?$/.test(f.word) && f.to !== null && ['with', 'made of'].includes(f.relation ?? '') && isCreature(figures[f.to].drawn)); // prettier-ignore
    if (at < 0) return null;
    const whose = figures[at].to!;
    return dropped(figures.map((f, i) => (i === whose ? { ...f, modifiers: [...f.modifiers, 'striped'], colours: [...f.colours, ...figures[at].colours.map((c) => ({ ...c, of: 'stripes' }))] } : f)), at, whose); // prettier-ignore
  },
  ([first, second, ...rest]) =>
    second && /^(?:glove|mitten)$/.test(first.drawn) && stands(second, 'holding') ? [{ ...first, drawn: 'hand' }, second, ...rest] : null, // prettier-ignore
  // A seed that sprouts is a sprout.
  (figures) => {
    const isSprouting = (f: PromptFigure): boolean => /^(?:seed|beans|acorn|pea|nut)$/.test(f.drawn) && f.modifiers.some((m) => /^(?:sprout|germinat)/.test(m)); // prettier-ignore
    return figures.some(isSprouting) ? figures.map((f) => (isSprouting(f) ? { ...f, drawn: 'sprout' } : f)) : null;
  },
  // A snake that bites its tail is a ring.
  ([first, second]) =>
    first &&
    !second &&
    /snake|serpent|dragon|cobra/.test(first.drawn) &&
    /^(?:eat|bit|swallow|chas)\w* (?:its|his|her)(?: own)? tail/.test(first.modifiers.join(' '))
      ? [{ ...first, drawn: 'tail eater', pose: null }]
      : null,
  // A mushroom hat is a mushroom on a head.
  ([first, second, ...rest]) => {
    const made =
      second && stands(second, 'wearing') ? /^(\w+) (?:hat|cap|helmet|bonnet)$/.exec(second.word)?.[1] : undefined;
    return made &&
      isThing(made) &&
      /mushroom|acorn|flower|leaf|strawberry|pumpkin|shell|star|cake|cupcake|tulip|lemon|orange|pineapple|egg|teapot/.test(
        made,
      )
      ? [first, { ...second, word: made, drawn: made }, ...rest]
      : null;
  },
  // A stork brings its child in a cloth.
  ([first, second, ...rest]) =>
    second && first.drawn === 'stork' && second.drawn === 'baby'
      ? [first, { ...second, drawn: 'swaddled baby' }, ...rest]
      : null,
  // A crown of leaves by itself is a drawing of its own; who is on a moon lies in its crescent.
  ([first, second, third]) =>
    first?.drawn === 'crown' && second?.relation === 'made of' && second.to === 0 && !third && second.drawn === 'leaf'
      ? [{ ...first, word: 'leaf crown', drawn: 'leaf crown' }]
      : null,
  // Who comes down by parachute hangs under one.
  ([first, ...rest]) => {
    const how = /^(?:parachuting|skydiving|paragliding|parachuted)$/;
    return first && (how.test(first.pose ?? '') || first.modifiers.some((m) => how.test(m))) && rest.every((f) => f.drawn !== 'parachute')
      ? [{ ...first, pose: null, modifiers: first.modifiers.filter((m) => !how.test(m)) }, added('parachute', 'parachute', 'under'), ...rest]
      : null;
  }, // prettier-ignore
  ([first, second, ...rest]) =>
    second?.drawn === 'moon' &&
    isCreature(first.drawn) &&
    stands(second, 'on', 'inside') &&
    !second.turned &&
    /sleep|asleep|nap|doz|curl|rest|sit|lying/.test(first.pose ?? '')
      ? [first, { ...second, drawn: 'crescent moon' }, ...rest]
      : null,
  // Who is curled up about the moon is so about a whole one.
  ([first, second, ...rest]) =>
    second?.drawn === 'moon' && isCreature(first.drawn) && stands(second, 'around') && !second.turned
      ? [first, { ...second, drawn: 'full moon' }, ...rest]
      : null,
  // Who is in a boat is not behind its sail.
  ([first, second, ...rest]) =>
    second &&
    /^(?:boat|sailboat)$/.test(second.drawn) &&
    /^(?:boat|row(?:ing)? ?boat)$/.test(second.word) &&
    isCreature(first.drawn) &&
    stands(second, 'inside') &&
    !second.turned
      ? [first, { ...second, drawn: 'canoe' }, ...rest]
      : null,
  // What comes out of a book comes out of an open one.
  ([first, second, ...rest]) => {
    if (second?.drawn !== 'book' || second.turned || second.count > 1) return null;
    const grows = stands(second, 'on') && GROWS.test(first.drawn);
    return stands(second, 'coming out of') || grows
      ? [first, { ...second, drawn: 'open book', relation: 'coming out of' }, ...rest]
      : null;
  },
  // Water that an elephant sprays on a flower falls on it from where the elephant is.
  ([first, second, third, ...rest]) =>
    third && second.word === 'water' && SPRAYING.test(second.said ?? first.pose ?? '')
      ? [{ ...first, pose: 'watering' }, { ...third, relation: 'over', turned: false, to: 0 }, ...rest]
      : null,
  // What is pulled out of the ground is in the hand.
  (figures) => {
    const at = figures.findIndex((f, i) => i > 1 && /^(?:ground|soil|earth|dirt|mud)$/.test(f.word) && ['coming out of', 'inside'].includes(f.relation ?? '')); // prettier-ignore
    return at > 1 && stands(figures[1], 'holding', 'toward', 'with') && (isCreature(figures[0].drawn) || figures[0].drawn === 'hand') ? dropped([figures[0], { ...figures[1], relation: 'holding', to: 0 }, ...figures.slice(2)], at, 1) : null; // prettier-ignore
  },
  // Flowers in the eyes of a skull are where its eyes are.
  ([first, second, ...rest]) =>
    second?.place === 'eyes' && second.to === 0 && second.turned && stands(second, 'inside') && (second.count > 1 || isPlural(second.word))
      ? [first, { ...second, relation: 'as', count: 1 }, ...rest]
      : null, // prettier-ignore
  // A family is one who is grown with its young.
  ([first, ...rest]) =>
    first?.modifiers.includes('family') && nounKind(first.drawn) === 'animal' && isCreature(first.drawn) && first.pose === null && rest.length === 0
      ? [{ ...first, count: 1, modifiers: first.modifiers.filter((m) => m !== 'family') }, { ...bareFigure({ word: 'cubs', drawn: first.drawn, via: 'name' }), count: 2, relation: 'with', to: 0, said: 'with' }]
      : null, // prettier-ignore
  // What has stickers has a star on it.
  ([first, second, ...rest]) =>
    second?.to === 0 && /^(?:stickers?|decals?|badges)$/.test(second.word) && stands(second, 'with') && !isCreature(first.drawn)
      ? [first, { ...second, drawn: 'star', relation: 'on', turned: true, count: 1 }, ...rest]
      : null, // prettier-ignore
  // Candles that one counts are on a cake that has none.
  (figures) => {
    const at = figures.findIndex((f) => f.drawn === 'candle');
    const cake = figures.findIndex((f) => /^(?:cake|birthday cake)$/.test(f.drawn));
    return at >= 0 && cake >= 0 && figures.length === 2 ? figures.map((f, i) => (i === cake ? { ...f, drawn: 'layer cake' } : f)) : null; // prettier-ignore
  },
  // Roses have thorns.
  (figures) => {
    const at = figures.findIndex((f, i) => i > 0 && /^(?:thorns?|prickles?)$/.test(f.word) && f.to !== null && /^(?:rose|cactus|bush|flower)$/.test(figures[f.to].drawn)); // prettier-ignore
    return at > 0 ? dropped(figures, at, figures[at].to!) : null;
  },
  // A nest has its eggs, a weathervane its rooster.
  ([first, second, ...rest]) =>
    second && has(first, second) && stands(second, 'holding', 'with', 'inside', 'on') ? [first, ...rest] : null,
  ([first, second, third]) =>
    second && !third && !second.turned && has(second, first) ? [{ ...second, relation: null, to: null }] : null,
];

const isForm = (name: string): name is keyof typeof FORMS => Object.hasOwn(FORMS, name) && name !== 'banner';

/** Said of an animal that is none. */
const MACHINE = /^(?:robot|robotic|mechanical|cyborg|bionic)\b/;

/** One figure of a prompt by itself: three mountains are a range, a pile of books is one drawing, leaves are more than one. */
function aloneAs(figure: PromptFigure, at: number): PromptFigure {
  const { drawn, count } = figure;
  if (drawn === 'mountains' && count === 3) return { ...figure, count: 1 };
  // Arrows that are crossed, or several, are an archer's.
  if (drawn === 'arrow' && (count === 2 || figure.relation === 'through' || figure.modifiers.includes('crossed')))
    return { ...figure, drawn: 'archery arrow' };
  // Wheat that is crossed is two ears of it.
  if (/^(?:wheat|barley|hops|rye)$/.test(drawn) && count === 1 && figure.modifiers.includes('crossed')) return { ...figure, count: 2 }; // prettier-ignore
  // A pine forest is of pines.
  if (drawn === 'forest' && /^(?:pine|fir|spruce|conifer|evergreen)\b/.test(figure.word) && count === 1) return { ...figure, drawn: 'pine tree', count: 3 }; // prettier-ignore
  if (drawn === 'pancakes') return { ...figure, count: 1 };
  // Two sticks are two of one, and not the sticks and ball that are drawn as a sport.
  if (drawn === 'hockey sticks') return { ...figure, drawn: 'hockey stick' };
  // A starry sky is stars; a robot dog is a dog that is a machine.
  if (drawn === 'star' && / sky$/.test(figure.word)) return { ...figure, word: 'stars', count: 3 };
  if (nounKind(drawn) === 'animal' && isCreature(drawn) && [figure.word, ...figure.modifiers].some((m) => MACHINE.test(m))) return { ...figure, modifiers: [...figure.modifiers, 'robotic'] }; // prettier-ignore
  if (/^books?$/.test(drawn) && standingOf(figure.modifiers) === 'stacked') return { ...figure, drawn: 'stack of books', count: 1 }; // prettier-ignore
  // Stones on one another are smooth ones.
  if (drawn === 'rock' && (count > 1 || isPlural(figure.word)) && (standingOf(figure.modifiers) === 'stacked' || figure.modifiers.some((m) => /^(?:stack|pile|balanced|balancing)$/.test(m)))) return { ...figure, drawn: 'cairn', count: 1 }; // prettier-ignore
  const isSome =
    at > 0 && count === 1 && !stands(figure, 'made of', 'as') && SMALL.test(drawn) && isPlural(figure.word);
  return isSome ? { ...figure, count: 3 } : figure;
}

/** Needle and thread, named beside one another, as one figure. */
function joinedTwo(figures: Figures): Figures {
  const [first, second, ...rest] = figures;
  if (!second || second.to !== 0 || !stands(second, 'beside', 'with')) return figures;
  const one = TOGETHER.find(([p, q]) => first.drawn === p && second.drawn === q)?.[2];
  return one ? dropped([{ ...first, drawn: one }, second, ...rest], 1, 0) : figures;
}

/** The stage with its prompt's figures as they are drawn. A shield, or another form, with a lion and a sword has them on it. */
export function asDrawn(stage: Stage): Stage {
  const { given, parts } = stage;
  // In a landscape stars are all over the sky.
  const inScene = isScene(parts.figures);
  const alone = parts.figures.map((f, i) => (inScene && f.drawn === 'star' ? f : aloneAs(f, i)));
  const asked = given ? alone : joinedTwo(alone);
  const [first, ...others] = asked;
  const isHolder = first && others.length > 0 && !parts.shape && !given && isForm(first.drawn) && others.every((f) => f.to === 0 && !isAtBothSides(f) && (f.relation === 'with' || (f.relation === 'inside' && f.turned))); // prettier-ignore
  if (isHolder && isForm(first.drawn)) {
    const [lead, ...rest] = others;
    const within = [{ ...lead, relation: null, to: null, turned: false }, ...rest.map((f) => ({ ...f, relation: 'beside' as const, turned: false }))]; // prettier-ignore
    return { ...stage, parts: { ...parts, shape: first.drawn, figures: within } };
  }
  for (const rule of RULES) {
    const figures = rule(asked);
    if (figures) return { ...stage, parts: { ...parts, figures: [...figures] } };
  }
  return { ...stage, parts: { ...parts, figures: [...asked] } };
}
