/** Two figures in one picture, by how they stand to one another. */
import { isPlural, nounKind, type PromptFigure, type Relation } from '../prompt';
import { buildOf, hasHands, isBird, isCreature, isSeenAside } from './built';
import {
  aboard,
  above,
  atMouth,
  atPart,
  atParts,
  behind,
  beside,
  builtIn,
  cradled,
  crossing,
  dressed,
  hungFromNeck,
  embraced,
  emerging,
  facing,
  flanked,
  held,
  inBothHands,
  inHand,
  insideOf,
  isHeadgear,
  isPaired,
  onHand,
  onHead,
  acrossShoulders,
  onShoulder,
  strawed,
  wheeled,
  passing,
  pierced,
  printed,
  rooted,
  risen,
  sipping,
  backToBack,
  drinkingAt,
  flockOver,
  faceToFace,
  heartOfTwo,
  onSpines,
  sideBySide,
  swimmingIn,
  stacked,
  wreathed,
  isBundle,
  type Pair,
} from './pairings';
import { standingOf } from './stage';
import { bentAs, laurelled, spiralled, wreathOf } from './bent';
import {
  onNose,
  peering,
  leapingAt,
  atLips,
  eared,
  inBill,
  inTrunk,
  maned,
  nosed,
  rayed,
  smoking,
  spined,
} from './pairings-heads';
import {
  astride,
  climbing,
  inBasket,
  onVane,
  driving,
  onWheels,
  pushing,
  ridden,
  scaling,
  seated,
  towed,
} from './pairings-riders';
import {
  asLock,
  beaked,
  bladed,
  fanTailed,
  dialOf,
  handed,
  hoursOf,
  keyholed,
  onCandle,
  rootedAs,
  onCone,
  insectWinged,
  shelledIn,
  spliced,
  shod,
  tailed,
  toothed,
} from './pairings-standins';
import { madeOf } from './packed';
import {
  PUSHED,
  TREES,
  atWindow,
  curledAbout,
  fruited,
  growing,
  hungInTree,
  inHollow,
  laddered,
  landIn,
  onBack,
  onOwnBranch,
  onLine,
  peeksFrom,
  perchedOn,
  plumed,
  reaching,
  roofed,
  settled,
  candled,
  shaded,
  underTable,
  sheltered,
  tunnelled,
  heaped,
  inAntlers,
  distant,
  floating,
  overWater,
  beforeTrees,
  browsing,
  inVase,
  rippled,
  stuckCrossed,
  standsInVase,
  isInVase,
  rises,
  onSkis,
  pouched,
  underKeel,
} from './pairings-places';
import {
  asBoat,
  atBars,
  bodied,
  asBody,
  asCrown,
  asFlames,
  asHouse,
  asMoon,
  asRocket,
  asSail,
  asSun,
  asTorch,
  beamed,
  crownedBy,
  inGlasses,
  inLenses,
  leafBird,
  gripped,
  magnified,
  radial,
  rising,
  throughRing,
  tipped,
  capped,
  trailing,
  branched,
} from './pairings-parts';
import {
  arched,
  ballooned,
  byNight,
  chased,
  flown,
  juggled,
  lifted,
  pairWith,
  pouringOut,
  underLamp,
  leaving,
  underHung,
  rainedOn,
  dangling,
  fallingFrom,
  sharing,
  rainingDown,
  scattering,
  streaming,
  tethered,
  tossed,
  twoHands,
  underSky,
  balanced,
  bundled,
  flagged,
  onThread,
  strung,
  amongClouds,
} from './pairings-aloft';
import {
  crossedBehind,
  drawnBy,
  entwined,
  framed,
  hanging,
  hugged,
  mothered,
  inClaws,
  inFist,
  gripping,
  planted,
  joined,
  onRoof,
  orbiting,
  poured,
  outOfMouth,
  reflected,
  SERPENTS,
  winged,
  wingedUpright,
  shadowed,
  TWINING,
  watered,
  cutting,
  atProw,
  spraying,
  penned,
  pennedByHand,
  stuckIn,
  throughEyes,
} from './pairings-told';

const CELESTIAL = new Set([
  'moon',
  'sun',
  'cloud',
  'star',
  'crescent moon',
  'full moon',
  'new moon',
  'rainbow',
  'planet',
]);
/** What stands in the distance. */
const LANDSCAPE = new Set([
  'mountain',
  'mountains',
  'hill',
  'forest',
  'island',
  'sunrise',
  'sunset',
  'mountain range',
  'wave',
  'castle',
  'city',
]);
/** What is land, or lies in it. */
const LAND = /^(?:coral reef|reef|garden|mountains?|mountain range|hills?|forest|island|desert island|beach|desert|village|city|skyline|sunset|sunrise|valley|field|waterfall|volcano|dunes?|canyon|vineyard|sea|ocean|wave|lake)$/; // prettier-ignore
/** Forms that hold what they are said to go with. */
const HOLDERS = new Set(['shield', 'window', 'heart', 'circle', 'cloud', 'speech bubble']);
/** What makes a ground for what it is said to go with. */
const BACKS =
  /\b(?:flowers?|leaf|leaves|wreath|star|wings?|sparkles?|flag|feathers?|rays|web|gear|wheel|crown|ribbon)\b/;

/** What one stands among. */
const GROWING =
  /\b(?:grass|reeds?|plant|field|forest|trees?|bush|shrub|wheat|flowers?|tulip|sunflower|fern|ivy|bamboo|lotus|lily|rose|daisy|poppy|water|sea|pond|lake|wave)\b/;

/** What is too large to hold, or grows where it stands. */
const LARGE =
  /\b(?:trees?|pine|palm|house|building|tower|skyscraper|castle|lighthouse|windmill|barn|church|hut|cabin|tent|igloo|bridge|road|train|tram|bus|car|truck|van|tractor|ship|boat|sailboat|canoe|rocket|airplane|plane|helicopter|bicycle|motorcycle|sofa|bed|bathtub|piano|fountain|volcano|cactus|bush|grass|wings?|tail|horns?|antlers?|ears?|mane|beard|hair|eyes?|crown|rainbow|sea|lake|river|desert|night|galaxy|wheelbarrow|cart|fire|smoke|lightning|snow|rain)\b/;
export const canBeHeld = (name: string): boolean => !isCreature(name) && !CELESTIAL.has(name) && !LANDSCAPE.has(name) && !LARGE.test(name); // prettier-ignore

/** What one looks out of, or stands in. */
const OPEN =
  /\b(?:cup|mug|teacup|bowl|basket|pot|boat|canoe|ship|hat|bag|nest|bathtub|box|sink|cart|bucket|vase|pocket|backpack|pool|glass|grass|reeds?|plant|wave|water|sea|field|forest|trees?|bush|shrub|car|train|bus|chair|sofa|bed|armchair|wheat|flowers?|tulip|sunflower|log|tent|barrel|wheelbarrow|suitcase|envelope|shoe|boot|sock|matchbox|drawer|crate|mitten|glove|stocking|slipper|jug|kettle|teapot|pan|flowerpot|helmet|shell|eggshell|gift|kayak|hammock|mailbox|postbox|bun)\b/;

/** What one rides in, and not on. */
export const IN_VEHICLE = /^(?:boat|canoe|kayak|rowing boat|raft|paper boat|sailboat|ship|gondola|bathtub|car|cart|wagon|train|tractor|truck|bus|cup|wheelbarrow)$/; // prettier-ignore
/** What is wide for one who is in it. */
const WIDE = /^(?:bathtub|boat|canoe|ship|sailboat|car|train|bus|sofa|bed|sled|cart|wheelbarrow|airplane|gondola|truck|couch|tractor|hot dog bun)$/; // prettier-ignore

/** What rises behind somebody on the same ground. */
const SCENERY =
  /^(?:pyramid|mountains?|mountain range|hill|volcano|castle|church|temple|tower|lighthouse|windmill|house|cottage|barn|cabin|hut|tent|tipi|bridge|palm tree|pine tree|tree|oak|cactus|forest|city|skyline|skyscraper|building|iceberg|fence|torii gate|arch|rock|cliff)$/;
/** What swims, and what floats over it. */
export const SWIMMER = /^(?:whale|blue whale|shark|fish|dolphin|octopus|squid|turtle|sea turtle|manta ray|stingray|orca|narwhal|seal|jellyfish|submarine|mermaid|tropical fish|swordfish)$/; // prettier-ignore
const AFLOAT =
  /^(?:boat|ship|sailboat|canoe|kayak|raft|paper boat|rubber duck|duck|buoy|pirate ship|swan|rowing boat|gondola)$/;
export const WATER = /^(?:wave|water|sea|ocean|lake|river|pond|ripples)$/;
/** What is open in its middle. */
const FRAMES =
  /^(?:rope ring|horseshoe|laurel wreath|ship wheel|steering wheel|wheel|hoop|ring|ring of fire|wreath|tire|tyre|porthole|frame|picture frame|mirror|lifebuoy|carabiner|space helmet)$/;

/** Who is carried across the shoulders, and does not sit on one of them. */
const LAID_ACROSS = /^(?:sheep|lamb|ram|goat|deer|pig|calf|dog|wolf|fox|tiger|lion|bear)$/;

/** What one stands on that glides or rolls. */
const BOARDS = /^(?:surfboard|skateboard|snowboard|ski|sled|broom|paddleboard|witch broom)$/;

/** What one sees into from the side. */
const SEEN_INTO = /^(?:jar|honey pot|bottles?|light bulb|glass|hourglass|heart|bag|snow globe|fishbowl)$/;

/** Ways to put two figures together by how the first stands to the second, the best first. */
function waysOf(relation: Relation | null, a: string, b: string): readonly Pair[] {
  switch (relation) {
    case 'inside':
      if (/^(?:crescent )?moon$/.test(b)) return [cradled];
      if (/^(?:circle|square|ring|triangle|diamond|hexagon|heart|shield|star|speech bubble)$/.test(b))
        return [insideOf];
      if (GROWING.test(b)) return [emerging(), turnedPair(behind)];
      if (/^(?:ripples|lake)$/.test(b)) return [stacked(66, 70)];
      if (SEEN_INTO.test(b)) return [insideOf];
      if (FRAMES.test(b)) return [framed];
      if (b === 'window') return [atWindow];
      if (WIDE.test(b)) return [emerging(54, 86), emerging(60, 80), emerging(48, 90)];
      return OPEN.test(b) ? [emerging(), emerging(64, 54), emerging(46, 70)] : [insideOf];
    case 'on':
      if (b === 'crescent moon') return [cradled];
      if (b === 'cloud') return [stacked(58, 76)];
      if (
        /^(?:twig|branch|perch|log)$/.test(b) ||
        (LONG.test(b) && !/^(?:candle|flower|rose|tulip|ice cream|wheat|lightning)$/.test(b))
      )
        return [perchedOn];
      if (BOARDS.test(b)) return [aboard];
      return CELESTIAL.has(b) ? [behind, above] : [above];
    case 'riding':
      return BOARDS.test(b) ? [aboard] : [above];
    case 'over':
      // A moon over a mountain stands behind it.
      if (CELESTIAL.has(a) && !CELESTIAL.has(b)) return [turnedPair(behind), above];
      return CELESTIAL.has(b) ? [behind, above, behind] : [above, behind];
    case 'under':
      return [turnedPair(above), turnedPair(behind)];
    case 'behind':
      return [turnedPair(behind)];
    case 'in front of':
      return [behind];
    case 'around':
      return [embraced];
    case 'between':
      return [flanked];
    case 'through':
      return [passing];
    case 'toward':
      return [facing];
    case 'beside':
      if (CELESTIAL.has(b)) return [behind, beside, turnedPair(above)];
      if (CELESTIAL.has(a)) return [turnedPair(behind), above, turnedPair(beside)];
      if (nounKind(b) === 'animal') return [sideBySide, turnedPair(sideBySide)];
      return LANDSCAPE.has(b) ? [behind, beside] : [sideBySide, beside, held, behind];
    case 'holding':
      return isCreature(a) ? [inHand('standing'), inHand('running'), inHand('sitting')] : [held, held, beside];
    case 'wearing':
      return isCreature(a) ? [dressed('bust'), dressed('whole'), dressed('whole', 'running')] : [onHead];
    case 'coming out of':
      if (/^(?:open )?(?:book|books|page|map|letter|phone|smartphone|laptop)$/.test(b)) return [stacked(56, 58)];
      return /\bhat$/.test(b) ? [emerging(), emerging(64, 60)] : [emerging(), emerging(72, 44)];
    case 'made of':
      return [madeOf];
    case 'as':
      if (isCreature(b)) return [insideOf];
      if (!isCreature(a) && LENGTHS.test(a) && LENGTHS.test(b)) return [spliced];
      return isCreature(a) ? [insideOf, turnedPair(stacked(34, 70)), insideOf] : [insideOf, turnedPair(insideOf)];
    case 'with':
      if (isCreature(a) && canBeHeld(b)) return [inHand('standing'), inHand('sitting'), inHand('running'), held];
      if (nounKind(a) === 'animal' && canBeHeld(b)) return [beside, sideBySide];
    // falls through
    default:
      if (b === 'roots') return [rooted];
      if (CELESTIAL.has(b)) return [behind, beside, turnedPair(above)];
      if (LANDSCAPE.has(b)) return [behind, beside];
      return HOLDERS.has(b) ? [beside, insideOf, held, behind] : BACKS.test(b) ? [beside, behind, held] : [held, beside]; // prettier-ignore
  }
}

const turnedPair =
  (pair: Pair): Pair =>
  (s, a, b) =>
    pair(s, b, a);

/** Parts that one stands things on. */
/** How something is sent out of a trunk or a mouth. */
export const SPRAYING = /^(?:squirt|spray|spout|spit|blow|breath)/;
/** What is open at its top, and can be full. */
export const HEAPING =
  /^(?:basket|cart|wheelbarrow|bowl|box|bucket|pot|bag|sack|shopping cart|tray|cup|hat|boot|barrel|pail|shopping bag|treasure chest|chest|suitcase|crate)$/;
/** How what is drawn on wheels stands to who draws it. */
export const TOWED = /^(?:pulled|towed|hauled|dragged) by/;
/** What several are tied with. */
export const TIES = /^(?:ribbon|rope|thread)$/;
/** What one sits in or on. */
export const SEATS = /^(?:armchair|chair|sofa|couch|throne|deckchair|stool|office chair)$/;
/** What goes slanting through something that is round. */
const PIERCING = /^(?:dagger|sword|knife|arrow|archery arrow|spear|needle|needle and thread|pencil|quill|screwdriver|trident|fishing rod|key|feather)$/; // prettier-ignore
/** What lives on fish. */
const CATCHERS =
  /^(?:bear|polar bear|cat|otter|heron|kingfisher|seal|penguin|puffin|gull|seagull|stork|osprey|raccoon|walrus|sea lion)$/;
const ON_TOP = /^(?:back|head|nose|snout|shoulders?|top|roof|antlers?|horns?|hump|shell)$/;
/** What one carries things in that has no hands. */
const MOUTH = /^(?:beak|mouth|bill|jaws?|snout|muzzle|teeth)$/;
/** What drinks and eats with the thin end of its head. */
const BILLED =
  /bird|heron|stork|crane|ibis|flamingo|butterfly|moth|bee$|swallow|kingfisher|toucan|finch|sparrow|parrot|duck|goose|swan|gull|crow/;
const FEEDING = /^(?:drinking|sipping|feeding|eating|pecking|nibbling|sniffing|smelling)/;
/** What flies a flag from its top. */
const FLAGGED = /^(?:castle|sandcastle|tower|house|mountain|mountains|hill|island|tent|circus tent|lighthouse|school|town hall|palace|fort|ship|skyscraper|building|cabin|hut|cupcake|cake|rock|igloo|pyramid)$/; // prettier-ignore
/** How one has before its mouth what it tastes. */
const TASTING = /^(?:drink|sipp?|slurp|eat|munch|nibbl|bit|chew|gnaw|lick|tast|crunch|gobbl|devour)/;
/** What one comes out of at its foot, and not over its rim. */
const MOUTHS = /^(?:tunnel|cave|arch|gate|door|garage|portal|window)$/;
/** What has no hands: it carries on its back what it has. */
const HANDLESS = /^(?:crab|lobster|scorpion|snail|slug|caterpillar|turtle|tortoise|ladybug|beetle|camel|donkey)$/;
/** Built as birds of prey are, though they are none. */
const PARROTS = /^(?:parrot|cockatoo|macaw)$/;
const isRaptor = (name: string): boolean => buildOf(name) === 'raptor' && !PARROTS.test(name);
/** What has in its beak or its mouth what it holds. */
const isHeldInMouth = (name: string): boolean => isSeenAside(name) || buildOf(name) === 'songbird' || PARROTS.test(name) || name === 'pelican'; // prettier-ignore
/** What spreads over one who is under it. */
const SHELTERS =
  /^(?:umbrella|parasol|tree|palm tree|palm|oak|mushroom|arch|bridge|tent|roof|toadstool|willow|apple tree|leaf|lily pad)$/;
/** What stands on stems. */
export const GROWS = /^(?:flower|tulip|daisy|rose|leaf|leaves|plant|sprout|herb|sunflower|poppy|fern|mushroom|lily|lotus|tree|clover|cherry blossom|lavender|wheat)$/; // prettier-ignore
/** What one binds a wreath of, besides branches. */
export const WOUND = /^(?:hops?|flower|leaf|leaves|rose|daisy|tulip|holly|ivy|cherry blossom)$/;
/** What is small, and stands in a row as in heraldry. */
const SPRINKLED = /^(?:star|heart|leaf|snowflake|drop|flower|diamond|acorn|clover|sparkle|sparkles|crown|bee|rose|coin|maple leaf)$/; // prettier-ignore
/** What is bent along the outline of something as it is, and what has an outline plain enough for it. */
const BENDING = /^(?:snake|rope|ribbon|thread|cable|wire|yarn|string|vine|ivy|road|river|racetrack|wrench|hose|needle and thread|needle|scarf|belt)$/; // prettier-ignore
export const PLAIN = /^(?:heart|circle|ring|square|triangle|star|diamond|house|cloud|drop|leaf|apple|light bulb|crescent moon|moon|flower|clover|egg|pear|shield|hexagon)$/; // prettier-ignore
/** Of what a wreath is two branches. */
export const LAUREL = /^(?:wheat|barley|laurel|olive branch|twig|branch|fern|palm leaf|lavender|rosemary|herb)$/;
/** What one draws and writes with. */
export const DRAWING_WITH = /^(?:pen|pencil|feather|quill|brush|paint brush|paintbrush|chalk|crayon|marker)$/;
/** Whether a figure is said to stand on both sides of another. */
export const isAtBothSides = ({ modifiers }: PromptFigure): boolean => modifiers.some((m) => /^on (?:both|either|each) sides?$/.test(m)); // prettier-ignore
export const isYoung = (word: string): boolean => YOUNG.test(word);
/** What stands upright, and is long. */
const LENGTHS = /^(?:lighthouse|pencil|pen|rocket|candle|carrot|tower|bottle|wine bottle|crayon|column|match|torch|brush|paint brush|paintbrush|chess (?:queen|king|bishop|rook|pawn)|skyscraper|cactus|windmill|microphone|minaret|champagne bottle|lipstick|flashlight|thermometer|baguette|corn|leek|asparagus|bullet|key|sword|screwdriver|spoon|silverware fork|totem pole|ice cream|tree|pine tree)$/; // prettier-ignore
/** Somebody's young. */
const YOUNG = /^(?:pups?|cubs?|chicks?|ducklings?|goslings?|kittens?|puppy|puppies|kits?|foals?|cal(?:f|ves)|lambs?|joeys?|fawns?|piglets?|bab(?:y|ies)|owlets?|cygnets?|kids?)$/; // prettier-ignore
/** Who are of one kind, by other names. */
const KIN: readonly RegExp[] = [/^(?:chicken|chick|rooster)$/, /^(?:duck|duckling)$/, /^(?:cat|kitten)$/, /^(?:dog|puppy|wolf)$/, /^(?:cow|calf|bull)$/, /^(?:horse|foal)$/, /^(?:sheep|lamb|ram)$/, /^(?:pig|piglet)$/, /^(?:deer|fawn|stag)$/, /^(?:swan|goose|gosling|cygnet)$/]; // prettier-ignore
/** What a bird has in its beak where nothing else is said. */
const IN_BEAK = /^(?:twig|olive|olive branch|branch|leaf|letter|envelope|mail|key|flower|rose|tulip|daisy|worm|ring|berry|cherry|cherries|ribbon|heart|straw|feather|wheat|clover|herb|grape|acorn|coin|pearl|parcel|package|banner|fish|hook|needle and thread)$/; // prettier-ignore
/** What has strings along a neck. */
const STRINGED = /^(?:(?:electric )?guitar|violin|cello|ukulele|banjo|mandolin|lute|double bass|fiddle)$/;
/** What is round as a shell is. */
const ROUNDED =
  /^(?:clock|globe|planet|earth|moon|full moon|wheel|watch|compass|pizza|donut|button|coin|citrus slice|cookie|house|drum|bowl|basket|gear|sun)$/;
/** What is wound about a thing. */
const WINDERS = /^(?:rope|ribbon|vine|ivy|seaweed)$/;
const INSECTS = /^(?:bee|butterfly|ladybug|ladybird|beetle|dragonfly|ant|moth|firefly|grasshopper|fly|wasp)$/;
/** What is drawn on the surface of something. */
const MARKS = /^(?:heart|star|leaf|paw print|crescent moon|moon|sun|flower|lightning|skull|anchor|crown|snowflake|clover|feather|diamond|footprint|maple leaf|flame|drop|fish|bee|bird|cat|dog|owl|fox|bear|tree|mountain|rose|wheat|musical note)$/; // prettier-ignore
export const PRINTED_ON = /^(?:lantern|paper lantern|kite|parasol|umbrella|tile|egg|cup|coffee cup|shirt|t-shirt|flag|shield|box|package|bag|shopping bag|tote|jar|bottle|milk bottle|can|door|sail|balloon|hot air balloon|backpack|barrel|surfboard|skateboard|book|notebook|envelope|letter|card|phone|smartphone|tablet|laptop|computer|screen|sign|apron|drum|bucket|watering can|teapot|pot|vase|suitcase|van|truck|bus|pillow|plate|coin|medal|guitar)$/; // prettier-ignore
const SHINING = /^(?:moon|sun|crescent moon|full moon|planet|rainbow|cloud|lightning)$/;
const ON_BACK = /^(?:back|shell|saddle|hump)$/;
const isFurred = (name: string): boolean =>
  name !== 'dragon' && ['cat', 'dog', 'bear', 'rodent', 'hopper'].includes(buildOf(name) ?? '');
const HUGGING = /^(?:hugging|cuddling|embracing|clutching|snuggling|squeezing|clasping)/;
/** What a fist holds by its shaft. */
const LONG = /^(?:paint brush|paintbrush|brush|pen|pencil|quill|feather|sword|dagger|hammer|axe|torch|wrench|spanner|key|fork|silverware fork|spoon|knife|carrot|flower|rose|tulip|wand|spear|microphone|umbrella|broom|candle|wheat|lightning|whisk|spatula|ladle|racquet|baseball bat|flag|arrow|chisel|screwdriver|shovel|spade|trowel|leek|ice cream|lollipop|fishing rod|trident|honey dipper|match|comb|toothbrush|scissors)$/; // prettier-ignore
/** What one pours from. */
const VESSELS =
  /^(?:teapot|kettle|jug|bottle|coffee pot|moka pot|milk can|watering can|milk|pitcher|oil lamp|pan|beer|wine|paint tube)$/;
/** What is poured in one stream. */
const FLOWING = /^(?:waterfall|river|stream|sea|ocean|water|wave|lake|lava|milk|honey|galaxy|rainbow|oil|tea|coffee)$/;
/** How what climbs is said to go round another. */
const WINDING = /^(?:entwin|intertwin|twin|twist|wrap|wound|wind|coil|climb|grow|spiral|curl)/;
const OPENINGS = /\b(?:zip|zipper|door|window|keyhole|fireplace|clock)\b/;
const HAND = /\bhand$/;
const inHandOf = (thing: string): Pair => (LONG.test(thing) ? inFist : onHand);
/** What goes round something without touching it. */
const GOING = /^(?:circl|orbit|fly|buzz|swim|sail|flutter|driv|rac|run)/;
const FLIERS =
  /^(?:bee|butterfly|moth|dragonfly|firefly|bird|swallow|dove|bat|fish|goldfish|koi|airplane|rocket|satellite|planet|moon|star)$/;
/** Whether a figure is seen on its way round another. */
export const goesRound = (first: PromptFigure, second: PromptFigure): boolean => GOING.test(second.said ?? '') || (FLIERS.test(first.drawn) && !/^(?:wrap|curl|coil|form|arrang)/.test(second.said ?? '')); // prettier-ignore
const CARRYING = /^(?:carry|hold|grasp|grip|clutch|grab|catch|snatch|bring|deliver|lift|bear|steal)/;
const COMING = /^(?:stick|pok|fly|jump|leap|com|grow|peek|look|climb|rising|spill|pour)/;

/** What is said of the second figure of a pair, with the first. */
class Told {
  readonly a: string;
  readonly b: string;
  readonly place: string;
  /** The words that say how they stand to one another, after what the first does. */
  readonly said: string;

  constructor(
    readonly first: PromptFigure,
    readonly second: PromptFigure,
  ) {
    this.a = first.drawn;
    this.b = second.drawn;
    this.place = second.place ?? '';
    this.said = second.said ?? '';
  }

  /** The first stands so to the second. */
  is(...relations: readonly (Relation | null)[]): boolean {
    return !this.second.turned && relations.includes(this.second.relation);
  }
  /** The second stands so to the first. */
  isTurned(...relations: readonly Relation[]): boolean {
    return this.second.turned && relations.includes(this.second.relation!);
  }
  /** The first has the second with it, and it is not said where: a book that is read is held otherwise. */
  isCarried(): boolean {
    return this.is('holding') && this.place === '' && CARRYING.test(this.said);
  }
  /** The first does what one of some words says, with the second. */
  does(what: RegExp): boolean {
    return what.test(this.said) || what.test(this.first.pose ?? '');
  }
  either(...relations: readonly (Relation | null)[]): boolean {
    return relations.includes(this.second.relation);
  }
}

const isCrossed = (figure: PromptFigure): boolean => figure.count === 2 && figure.modifiers.includes('crossed');
const isMany = (figure: PromptFigure): boolean => figure.count > 1 || isPlural(figure.word);

/** Whether some of a small thing stand in an arc over what they are with, as in heraldry. */
export const isSprinkled = (first: PromptFigure, second: PromptFigure): boolean =>
  SPRINKLED.test(second.drawn) && second.count > 1 && first.count === 1 && (second.turned ? second.relation === 'over' : [null, 'with', 'beside', 'under'].includes(second.relation)); // prettier-ignore

/** What a phrase asks for beyond how two stand to one another; the first rule that has an answer gives it. */
const RULES: readonly ((told: Told) => readonly Pair[] | false)[] = [
  (t) => t.said === 'ears' && t.is('wearing') && [turnedPair(eared(false))],
  // Who is drawn with its own branch has no second one.
  (t) => /^(?:sloth|chameleon)$/.test(t.a) && /^(?:twig|branch|tree|perch)$/.test(t.b) && t.is('on', 'toward', 'under', 'with', 'coming out of') && [onOwnBranch],
  // Two leaves are a bird.
  (t) => t.a === 'heart' && t.second.count === 2 && !isCreature(t.b) && !HAND.test(t.b) && t.is('made of') && [heartOfTwo],
  (t) => t.b === 'heart' && t.first.count === 2 && /^(?:leaf|feather|wing|petal|hot pepper|banana|fish|quill|wheat|olive branch|fern)$/.test(t.a) && t.is('as', 'made of') && [turnedPair(heartOfTwo)],
  (t) => HAND.test(t.b) && t.second.count === 2 && !t.second.turned && t.is('inside', 'on') && [turnedPair(twoHands)],
  (t) => t.a === 'bird' && t.b === 'leaf' && ((t.is('made of') && t.second.count < 4) || (/^wings?$/.test(t.place) && t.isTurned('as'))) && [leafBird],
  // What is under several trees has them at both its sides.
  (t) => /^(?:campfire|fire|tent|cabin|hut|house|log cabin|campsite)$/.test(t.a) && TREES.test(t.b) && isMany(t.second) && t.is('under', 'between', 'beside') && [flanked],
  // Who has young is seen with them after her.
  (t) => isCreature(t.a) && YOUNG.test(t.second.word) && t.is('with', 'beside', 'in front of', 'behind') && (t.a === t.b || KIN.some((kin) => kin.test(t.a) && kin.test(t.b))) && [mothered],
  // What is shared is between two, or under them both.
  (t) => t.first.count === 2 && t.does(/^shar/) && ((LONG.test(t.b) && t.b !== 'umbrella') || /^(?:twig|branch|perch|bench|boat|sofa|nest|swing)$/.test(t.b)) && [/^(?:twig|branch|perch)$/.test(t.b) ? perchedOn : above],
  (t) => t.first.count === 2 && t.does(/^shar/) && SHELTERS.test(t.b) && [sheltered],
  (t) => t.first.count === 2 && t.does(/^shar/) && t.is('holding', 'with') && t.second.count === 1 && [sharing],
  // What flows out of a thing falls from its edge.
  (t) => FLOWING.test(t.a) && t.is('coming out of') && !VESSELS.test(t.b) && !isCreature(t.b) && /^(?:pour|fall|flow|spill|cascad|run|stream)/.test(`${t.first.pose ?? ''} ${t.said} ${t.first.modifiers.join(' ')}`.trim()) && [fallingFrom],
  // Whatever is said of sun and land, the one is seen over the other.
  (t) => CELESTIAL.has(t.b) && !(t.b === 'cloud' && t.is('on')) && LANDSCAPE.has(t.a) && t.is(null, 'with', 'beside', 'on', 'under', 'in front of') && [risen, risen, behind],
  (t) => LANDSCAPE.has(t.b) && CELESTIAL.has(t.a) && t.is(null, 'with', 'beside', 'over', 'behind') && [risen, risen, behind].map(turnedPair),
  // A head before crossed forks.
  (t) => isCrossed(t.second) && (t.either('beside', 'with', 'behind', 'over', null) || t.is('on')) && [crossedBehind],
  (t) => isCrossed(t.first) && t.is('under') && [turnedPair(stacked(52, 56))],
  (t) => isCrossed(t.first) && WATER.test(t.b) && t.is('over', 'on', 'with', 'beside') && [overWater],
  // Needles that are crossed in a ball of wool stick up from it.
  (t) => isCrossed(t.first) && /^(?:wool|ball of yarn|yarn)$/.test(t.b) && [stuckCrossed],
  (t) => t.b === 'knitting needle' && isMany(t.second) && !isCreature(t.a) && t.is('with') && [turnedPair(stuckCrossed)],
  (t) => isCrossed(t.second) && /^(?:wool|ball of yarn|yarn)$/.test(t.a) && [turnedPair(stuckCrossed)],
  (t) => isCrossed(t.first) && t.either('beside', 'with', 'over', 'behind', 'under', null) && [turnedPair(crossedBehind)],
  (t) => t.either('beside', 'with') && [t.first, t.second].some((f) => f.modifiers.includes('crossed')) && [crossing],
  // What leaves a trail has it behind it; a lens is held over what is larger in it.
  (t) => /^(?:trail|contrail|wake|vapou?r trail|dotted line|dashed line|tracks?|path)$/.test(t.second.word) && !LANDSCAPE.has(t.a) && (t.is('with') || t.isTurned('behind') || /^(?:leav|trail|mak|draw)/.test(t.said)) && [trailing],
  (t) => /^(?:eyeglasses|glasses|sunglasses|goggles)$/.test(t.a) && (t.isTurned('inside', 'on') || /^(?:reflect|mirror)/.test(t.said)) && [inLenses],
  (t) => (/^(?:middle|centre|center)$/.test(t.place) || /in (?:the|its) (?:middle|centre|center)$/.test(t.said)) && t.isTurned('inside', 'on') && !isCreature(t.a) && [atPart('middle', false)],
  (t) => isMany(t.first) && isBird(t.a) && t.is('over') && !CELESTIAL.has(t.b) && !WATER.test(t.b) && [flockOver],
  (t) => isCreature(t.a) && buildOf(t.a) === 'hoofed' && FEEDING.test(t.first.pose ?? t.said) && t.is('toward', 'coming out of') && /^(?:bucket|bowl|trough|barrel|bathtub|jug|pot|basket|wheelbarrow|cup)$/.test(t.b) && [drinkingAt],
  (t) => /^(?:lizard|gecko|chameleon|iguana|salamander|squirrel|cat|monkey|koala|lemur|panda|red panda|sloth)$/.test(t.a) && !isCreature(t.b) && t.is('around') && (LONG.test(t.b) || LENGTHS.test(t.b) || TREES.test(t.b) || /^(?:post|column|tower|cactus|bamboo)$/.test(t.b)) && [climbing],
  (t) => t.said === 'swimming in' && [swimmingIn],
  (t) => t.a === 'magnifying glass' && t.is('over', 'on', 'toward', 'with', 'in front of') && [turnedPair(magnified)],
  (t) => t.b === 'magnifying glass' && (t.isTurned('over', 'on', 'in front of') || t.is('under', 'behind', 'inside', 'through')) && [magnified],
  (t) => t.b === 'window' && t.is('on', 'inside') && [atWindow],
  (t) => t.b === 'weathervane' && t.is('on', 'with', 'inside') && [onVane],
  (t) => t.a === 'weathervane' && (t.isTurned('on', 'inside') || t.is('with')) && [turnedPair(onVane)],
  // A chimney is on the roof; an umbrella over somebody shelters them; who jumps over a fence is seen over it.
  // A ladder leans.
  (t) => t.b === 'ladder' && !isCreature(t.a) && t.is('with', 'beside', 'behind') && !t.second.turned && [laddered],
  // A flag flies from the top; what is balanced is on a nose or a head; a pearl lies in its shell.
  (t) => t.b === 'flag' && !isCreature(t.a) && (FLAGGED.test(t.a) || t.isTurned('on')) && (t.is('with') || t.isTurned('on', 'over')) && [flagged],
  (t) => isCreature(t.a) && t.does(/^balanc/) && !t.second.turned && !t.is('on') && t.second.count === 1 && [balanced],
  (t) => /^(?:oyster|clam|shell|seashell|scallop|mussel)$/.test(t.a) && t.b === 'pearl' && (t.is('with', 'holding') || t.isTurned('inside')) && [turnedPair(printed)],
  (t) => /^(?:chimney|weathervane|antenna)$/.test(t.b) && !isCreature(t.a) && t.is('with', 'on', null) && [roofed],
  (t) => SHELTERS.test(t.a) && (t.is('over') || (t.is('toward', 'holding', 'with', 'in front of') && t.does(/^(?:shield|shelter|protect|cover|guard|keep)/))) && [turnedPair(sheltered)],
  (t) => SWIMMER.test(t.a) && WATER.test(t.b) && t.is('over', 'coming out of') && t.does(/^(?:jump|leap|ris|breach|spring)/) && [overWater],
  (t) => t.is('over') && !CELESTIAL.has(t.b) && t.does(/^(?:jump|leap|hop|vault|bound)/) && [above],
  (t) => /^(?:open )?books?$/.test(t.b) && t.is('coming out of') && [stacked(62, 64)],
  // What water does.
  (t) => (/^(?:reflect|mirror)/.test(t.said) || (t.either('inside') && t.first.modifiers.some((m) => /^(?:reflected|mirrored)$/.test(m)))) && [reflected],
  (t) => !t.second.turned && (t.first.pose === 'watering' || (HAND.test(t.a) && /^water/.test(t.said))) && [watered],
  (t) => isCreature(t.a) && t.does(SPRAYING) && /^(?:water|drop|fire|flame|bubbles|heart|star|confetti|snow|snowflake|paint|flower|musical note|butterfly|leaf|coin)$/.test(t.b) && [spraying],
  (t) => /^(?:smoke|steam)$/.test(t.b) && /^(?:teapot|kettle|cup|mug|bowl|pot|coffee pot|moka pot|coffee cup|pan)$/.test(t.a) && t.is('with', 'beside', null) && [rising],
  (t) => VESSELS.test(t.a) && (/^(?:pour|squeez)/.test(t.said) || t.first.modifiers.some((m) => /^(?:pouring|squeezing)$/.test(m))) && FLOWING.test(t.b) && [streaming],
  (t) => VESSELS.test(t.a) && /^pour/.test(t.said) && (t.is('holding', 'toward') || t.isTurned('coming out of')) && !VESSELS.test(t.b) && !OPEN.test(t.b) && [pouringOut],
  (t) => !t.second.turned && VESSELS.test(t.a) && (/^pour/.test(t.said) || t.first.modifiers.includes('pouring')) && [poured],
  (t) => t.isTurned('as') && /^(?:shadow|silhouette)$/.test(t.place) && [shadowed],
  // Hands and arms; an umbrella is over who has it.
  (t) => t.b === 'pipe' && hasHands(t.a) && t.is('holding', 'with', 'toward') && !t.second.turned && [smoking],
  (t) => t.b === 'ski' && hasHands(t.a) && t.is('on', 'riding', 'wearing', 'with') && [onSkis],
  (t) => t.b === 'umbrella' && hasHands(t.a) && t.is('holding', 'with') && [inHand('standing'), inHand('sitting'), inHand('standing')],
  (t) => HAND.test(t.a) && t.first.count === 1 && !t.second.turned && /^(?:draw|sketch|writ|paint)/.test(t.said) && [drawnBy],
  (t) => HAND.test(t.a) && t.first.count === 1 && t.is('holding', 'with') && /balloon|kite/.test(t.b) && [strung],
  (t) => t.a === 'hand' && /^(?:rope|ribbon|thread|chains|cable|yarn|string)$/.test(t.b) && t.is('holding', 'with', 'toward') && [gripping],
  (t) => t.a === 'hand' && t.first.count === 1 && t.does(/^plant/) && !t.second.turned && /^(?:sprout|plant|tree|flower|seedling|tulip|sunflower|carrot|rose|daisy|bush|herb|cactus)$/.test(t.b) && [planted],
  (t) => HAND.test(t.a) && t.first.count === 1 && t.is(null, 'holding', 'toward', 'with') && [inHandOf(t.b)],
  (t) => HAND.test(t.b) && t.second.count === 2 && t.isTurned('holding', 'on', 'inside') && [turnedPair(twoHands)],
  (t) => HAND.test(t.b) && t.isTurned('holding') && [turnedPair(inHandOf(t.a))],
  (t) => HAND.test(t.a) && t.isTurned('over') && [onHand],
  (t) => HAND.test(t.b) && t.is('inside', 'on') && [turnedPair(onHand)],
  (t) => hasHands(t.a) && t.does(/^(?:lift|rais|hoist|press|heav)/) && t.is('holding', 'with', 'toward') && [lifted],
  (t) => t.does(/^juggl/) && t.is('holding', 'with') && [juggled()],
  (t) => /^(?:octopus|squid)$/.test(t.a) && t.is('holding', 'with') && isMany(t.second) && [juggled(t.second.count)],
  (t) => isCreature(t.a) && t.does(/^(?:toss|flip|throw)/) && t.is('holding', 'with') && [tossed],
  (t) => HAND.test(t.a) && t.first.count === 2 && t.is('holding', 'with', 'toward', 'around', 'made of', 'as') && [twoHands],
  (t) => isCreature(t.a) && t.is('around') && HUGGING.test(t.said) && [hugged('standing'), hugged('sitting'), hugged('standing')],
  (t) => t.is('around') && isFurred(t.a) && t.does(/^(?:curl|sleep|lying|asleep|snuggl)/) && [curledAbout],
  (t) => t.is('around') && t.a === 'dragon' && !isCreature(t.b) && t.does(/^(?:curl|sleep|wrap|coil|guard)/) && [hugged('sitting')],
  // What one looks through is before the eyes.
  (t) => hasHands(t.a) && t.does(/^(?:look|peer|gaz|watch|spy|star)/) && /^(?:binoculars|camera)$/.test(t.b) && t.is('through') && [throughEyes],
  // What climbs goes round the other, whichever is named first; what flies goes round it at a distance.
  (t) => t.either('around') && t.second.count === 1 && [t.a, t.b].some((n) => WINDERS.test(n)) && [WINDERS.test(t.b) ? entwined : turnedPair(entwined)],
  // The rope of an anchor goes round it.
  (t) => t.either('beside', 'with') && [t.a, t.b].includes('anchor') && [t.a, t.b].includes('rope') && [t.b === 'rope' ? entwined : turnedPair(entwined)],
  (t) => t.is('inside') && (WINDING.test(t.said) || /^(?:tangl|entangl|caught|snarl)/.test(t.said)) && (WINDERS.test(t.b) || TWINING.test(t.b)) && [entwined],
  (t) => t.either('around') && WINDING.test(t.said) && [t.a, t.b].some((n) => TWINING.test(n)) && [TWINING.test(t.b) ? entwined : turnedPair(entwined)],
  (t) => SERPENTS.test(t.a) && !isCreature(t.b) && t.is('around') && [turnedPair(entwined)],
  (t) => t.is('around') && goesRound(t.first, t.second) && !TWINING.test(t.a) && [orbiting],
  (t) => TREES.test(t.a) && (t.isTurned('coming out of', 'on') || t.is('with', 'holding')) && (/^(?:swing|hammock|lantern|tire swing|birdhouse|wind chime|bell|light bulb)$/.test(t.b) || /^(?:hang|dangl)/.test(t.second.pose ?? t.second.modifiers.join(' '))) && !isMany(t.second) && [hungInTree],
  (t) => t.place === 'trunk' && /^(?:elephant|mammoth)$/.test(t.a) && (t.is('holding', 'with') || t.isTurned('inside')) && [inTrunk],
  (t) => t.a === 'pelican' && (MOUTH.test(t.place) || t.place === 'pouch') && (t.is('holding', 'with') || t.isTurned('inside')) && [inBill],
  (t) => isCreature(t.a) && /^(?:nose|snout|muzzle|nostrils?)$/.test(t.place) && t.isTurned('inside') && [nosed],
  (t) => isCreature(t.a) && !isSeenAside(t.a) && /^(?:nose|snout|muzzle)$/.test(t.place) && t.isTurned('on') && t.second.count === 1 && /^(?:butterfly|ladybird|ladybug|bee|fly|snowflake|dragonfly|moth|flower|leaf|feather|bug|beetle|heart|star|drop|snail|bandage|adhesive bandage)$/.test(t.b) && [onNose],
  (t) => isCreature(t.b) && !isSeenAside(t.b) && /^(?:nose|snout|muzzle)$/.test(t.place) && t.is('on') && t.first.count === 1 && (INSECTS.test(t.a) || /^(?:snowflake|flower|leaf|feather|heart|star|drop|snail|adhesive bandage)$/.test(t.a)) && [turnedPair(onNose)],
  (t) => /^(?:circle|square|diamond|hexagon|octagon|pentagon)$/.test(t.b) && t.is('on') && [insideOf],
  (t) => t.b === 'wheel' && !isCreature(t.a) && t.is('on') && (t.second.count > 1 || isPlural(t.second.word)) && [wheeled],
  (t) => t.place === 'basket' && t.isTurned('as', 'inside') && /^(?:bicycle|scooter|moped|tricycle)$/.test(t.a) && [atBars],
  (t) => MOUTH.test(t.place) && isCreature(t.a) && (t.is('holding', 'with') || t.isTurned('inside')) && [atMouth],
  (t) => /^(?:hang|dangl|swing|suspend)/.test(t.first.pose ?? t.said) && t.is('coming out of', 'on', 'under', 'with') && [turnedPair(hanging)],
  (t) => !isCreature(t.a) && /^(?:hang|dangl|suspend)/.test(t.second.pose ?? t.second.modifiers.join(' ')) && t.is('with', 'holding') && [onThread],
  (t) => (isMany(t.first) || isBundle(t.first)) && !isCreature(t.a) && TIES.test(t.b) && t.is('with', 'around', 'inside') && (/^(?:tied|bound|wrapped|held)/.test(t.said) || isBundle(t.first)) && [bundled],
  (t) => MOUTHS.test(t.b) && t.is('coming out of') && [outOfMouth],
  (t) => /^(?:mountain|hill|cliff|rock|mountains)$/.test(t.b) && t.is('coming out of') && [tunnelled],
  // What shines is over who is under it, and behind.
  (t) => SHINING.test(t.b) && !CELESTIAL.has(t.a) && !LANDSCAPE.has(t.a) && (t.is('under', 'with', 'beside') || t.isTurned('over')) && [behind, underSky, byNight, underSky],
  // What rains, is tied, or runs away.
  (t) => t.a === 'cloud' && /^(?:rain|snow|drip|shower|pour|drop)/.test(t.said) && [rainingDown],
  (t) => /^(?:tied|tethered|attached|anchored)/.test(t.said) && /balloon|kite|cloud|moon|star/.test(t.a) && [tethered],
  (t) => isCreature(t.a) && isCreature(t.b) && /^(?:run|flee|escap|hid)\w* (?:away )?from/.test(t.said) && [chased],
  // What gives shelter is over the other, and large; what grows out of something stands up from it.
  (t) => SHELTERS.test(t.b) && t.is('under') && !CELESTIAL.has(t.a) && [sheltered],
  (t) => GROWS.test(t.b) && (t.isTurned('coming out of') || (t.does(/^(?:grow|sprout|bloom)/) && t.is('holding', 'with', 'toward', 'coming out of', 'made of'))) && [turnedPair(growing)],
  (t) => GROWS.test(t.a) && (t.is('coming out of') || (t.is('through') && t.does(/^(?:grow|sprout|bloom|push)/))) && [growing],
  // Small things of which there are some stand in an arc over what they are with.
  (t) => isSprinkled(t.first, t.second) && [arched(t.second.count)],
  (t) => /^(?:moon|full moon|crescent moon)$/.test(t.b) && t.is('as') && [asMoon],
  (t) => t.b === 'sun' && t.is('as') && [asSun],
  // Two that make one thing stand face to face; two at something have it between them.
  (t) => t.second.count === 2 && t.is('made of') && [joined],
  (t) => t.first.count === 2 && t.is('toward', 'holding') && [turnedPair(flanked)],
  (t) => t.a === 'hedgehog' && t.isTurned('on') && /^(?:spines?|spikes|quills|back)$/.test(t.place) && [onSpines],
  (t) => t.first.count === 2 && isCreature(t.a) && t.b === 'heart' && t.is('as', 'made of', 'with', 'beside') && [pairWith],
  // Antlers, or a halo, that somebody has besides are on the head.
  (t) => isCreature(t.a) && /^(?:antlers|horns?|halo)$/.test(t.b) && t.is('with', 'wearing') && [onHead],
  // Feathers in a crown or a hat stand up behind it; of a key in the shape of a fish the bow is that.
  (t) => isHeadgear(t.a) && /^(?:feather|quill|flower|rose|leaf|wheat)$/.test(t.b) && t.is('with', null, 'beside') && [plumed(t.second.count)],
  (t) => t.a === 'key' && t.is('as') && [atPart('bow', true)],
  // A tree in the shape of something, or with it as its crown, has its trunk under it; an acorn that grows into an oak has the oak come out of it.
  (t) => TREES.test(t.a) && (t.is('as') || (t.isTurned('as') && /^(?:crown|top|foliage|canopy|leaves)$/.test(t.place))) && !isMany(t.second) && [asCrown],
  (t) => /^grow\w* into/.test(t.said) && t.is('toward', 'inside', 'as') && [turnedPair(emerging())],
  // An animal as a thing is the thing with its ears and a face.
  (t) => isFurred(t.a) && !isCreature(t.b) && t.is('as') && (t.b === 'egg' || /^(?:food|plant|artifact)$/.test(nounKind(t.b) ?? '')) && [eared(true), insideOf],
  // What is long is bent into what is plain in outline; a keyhole as a house is a house with a keyhole.
  (t) => (BENDING.test(t.a) || (LONG.test(t.a) && /^(?:bent|curl|twist|fold|curv|tied)/.test(t.said))) && PLAIN.test(t.b) && t.is('as', 'inside') && [bentAs],
  (t) => t.b === 'spiral' && t.is('as', 'inside') && (BENDING.test(t.a) || LONG.test(t.a) || /^(?:fern|leaf|feather|palm leaf|wheat|bamboo|octopus tentacle|tail)$/.test(t.a)) && [spiralled],
  (t) => isMany(t.first) && PLAIN.test(t.b) && t.is('as') && !isCreature(t.a) && [turnedPair(madeOf)],
  (t) => t.a === 'key' && /^(?:teeth|tooth|bit|blade|notches)$/.test(t.place) && t.isTurned('as') && [turnedPair(toothed)],
  (t) => t.a === 'keyhole' && t.is('as') && [turnedPair(keyholed)],
  (t) => /^(?:hedgehog|porcupine|sea urchin|echidna|cactus)$/.test(t.a) && t.is('made of') && (LONG.test(t.b) || /^(?:needle|pin|nail|toothpick)$/.test(t.b)) && [spined],
  // A pattern lies on what it is on; herbs that a spoon is planted with grow in it.
  (t) => /^(?:quilt|mosaic|tile)$/.test(t.b) && t.isTurned('on') && !isCreature(t.a) && [turnedPair(printed)],
  (t) => /^plant/.test(t.said) && GROWS.test(t.b) && !isCreature(t.a) && [turnedPair(growing)],
  // A snail has on its back no shell besides.
  (t) => t.a === 'snail' && /^(?:backpack|suitcase|house|tent|hut)$/.test(t.b) && t.is('with', 'wearing') && [atPart('shell', true)],
  (t) => t.a === 'scissors' && /^(?:handles?|grips?|rings|finger holes)$/.test(t.place) && t.isTurned('as') && [gripped],
  // A hummingbird is at a flower with its beak.
  (t) => t.a === 'hummingbird' && GROWS.test(t.b) && t.is('beside', 'toward', 'with') && [sipping],
  // What has a blade or a point goes slanting through a rose, a heart, a skull.
  (t) => PIERCING.test(t.a) && t.is('through') && !FRAMES.test(t.b) && !t.does(/^stuck/) && [pierced],
  (t) => PIERCING.test(t.b) && t.isTurned('through') && !FRAMES.test(t.a) && !t.does(/^stuck/) && [turnedPair(pierced)],
  (t) => t.said === 'leaving' && t.is('with') && [leaving],
  (t) => t.a === 'hourglass' && t.place === 'both' && [inGlasses],
  (t) => /^drawn by hand/.test(t.said) && [pennedByHand],
  // A crown of ears or blossoms has them for its points.
  (t) => t.a === 'crown' && t.is('made of') && (LAUREL.test(t.b) || WOUND.test(t.b) || LONG.test(t.b) || GROWS.test(t.b) || /^(?:antlers?|horns?|twig|coral|icicle|crystal|roots?|thorns?|bones?)$/.test(t.b)) && [crownedBy],
  (t) => t.b === 'parachute' && (t.is('under', 'with', 'holding', 'on') || t.isTurned('over')) && [dangling],
  // Who looks through a glass has it at the eye.
  (t) => isCreature(t.a) && /^(?:telescope|spyglass|binoculars|microscope|magnifying glass|camera|kaleidoscope)$/.test(t.b) && t.does(/^(?:look|peer|gaz|star|spy|watch|squint)/) && !t.second.turned && [peering],
  // What is caught in the air is in the mouth of who leaps for it.
  (t) => t.does(/^(?:catch|leap|jump|snatch)/) && /^(?:dog|cat|fox|wolf|puppy|tiger|lion|panther|leopard)$/.test(t.a) && t.is('holding', 'toward') && t.second.count === 1 && canBeHeld(t.b) && [leapingAt],
  // A lamp hangs over who is under it.
  (t) => /^(?:lamp|table lamp|desk lamp|floor lamp|lampshade|ceiling lamp)$/.test(t.b) && t.is('under') && [underLamp],
  // What falls on water has rings about it.
  (t) => t.b === 'ripples' && !isCreature(t.a) && t.is('with', 'beside', 'on', 'in front of') && !AFLOAT.test(t.a) && [rippled],
  // Whatever rains on an umbrella falls on it.
  (t) => t.a === 'umbrella' && [t.second.pose ?? '', ...t.second.modifiers].some((m) => /^(?:rain|fall|drop)/.test(m)) && [rainedOn],
  // Who sleeps in a tree lies in its crown.
  (t) => TREES.test(t.b) && t.is('inside') && isCreature(t.a) && !isSeenAside(t.a) && /^(?:sleep|curl|rest|doz|lying|nap)/.test(t.first.pose ?? '') && [turnedPair(embraced)],
  // Who types sits behind the keys.
  (t) => isCreature(t.a) && t.does(/^typ/) && /^(?:typewriter|laptop|computer|keyboard)$/.test(t.b) && [emerging(60, 66), emerging(66, 60)],
  // What is on both sides stands there.
  (t) => isAtBothSides(t.second) && t.is('with', 'beside', null) && [flanked],
  // What is in a keyhole is seen through it.
  (t) => t.a === 'keyhole' && t.isTurned('inside') && !isCreature(t.b) && [turnedPair(landIn)],
  // A lantern hangs over who is under it.
  (t) => /^(?:lantern|paper lantern|chandelier|bell)$/.test(t.b) && isCreature(t.a) && t.is('under') && [underHung],
  // What a rope is tied into is of rope.
  (t) => /^(?:rope|yarn|string|thread|cable|wire|wool|vine|ivy)$/.test(t.a) && t.is('as') && !PLAIN.test(t.b) && !isCreature(t.b) && [turnedPair(madeOf)],
  // Who is on a tractor drives it; who rides in a boat is in it.
  (t) => t.b === 'tractor' && hasHands(t.a) && (t.is('riding', 'on', 'inside') || (t.does(/^driv/) && t.is('toward', 'holding', 'with'))) && [driving],
  (t) => t.a === 'lighthouse' && /^(?:beam|beams|light|ray|rays)$/.test(t.place) && t.isTurned('as') && [beamed],
  // A bird carries by its handle what has one.
  (t) => /^(?:goose|duck|swan|hen|chicken|rooster|turkey|pigeon|dove)$/.test(t.a) && t.isCarried() && t.second.count === 1 && (IN_BEAK.test(t.b) || /^(?:basket|bucket|bag|shopping bag|lantern|handbag|suitcase|briefcase|lunchbox|paint bucket|gift|pail|fish|worm|bread|baguette|croissant|newspaper)$/.test(t.b)) && [atMouth],
  (t) => isCreature(t.a) && t.is('riding', 'on') && IN_VEHICLE.test(t.b) && /^(?:rid|sail|row|paddl|driv|travel|float)/.test(t.said + (t.first.pose ?? '')) && [emerging(54, 86), emerging(60, 80)],
  (t) => /^rocket (?:flames?|fire|thrusters?|engines?|boosters?)$/.test(t.second.word) && !isCreature(t.a) && t.is('with') && [asRocket],
  // A thing as another that moves or stands has that one's parts.
  (t) => /^(?:flame|fire)$/.test(t.b) && /^(?:leaf|feather|hot pepper|chili pepper|carrot|tulip|palm leaf|petal|lotus|fern|olive branch|fish|corn|asparagus|banana|pepper|lily|oak leaf|wheat|seed|quill)$/.test(t.a) && t.first.count === 1 && t.is('as', 'made of') && [asFlames],
  (t) => t.b === 'torch' && !isCreature(t.a) && t.is('as') && [asTorch],
  (t) => t.b === 'rocket' && !isCreature(t.a) && t.is('as') && [asRocket],
  (t) => /^(?:boat|ship|sailboat|canoe|raft)$/.test(t.b) && !isCreature(t.a) && t.is('as') && [asBoat],
  (t) => /^(?:house|home|hut|cabin)$/.test(t.b) && !isCreature(t.a) && t.is('as') && [asHouse],
  (t) => t.a === 'hot air balloon' && !/^(?:quilt|mosaic|bricks?)$/.test(t.b) && t.second.count === 1 && !isPlural(t.second.word) && t.is('made of', 'as') && [ballooned],
  (t) => t.b === 'hot air balloon' && t.first.count === 1 && !isCreature(t.a) && t.is('as') && [turnedPair(ballooned)],
  (t) => t.b === 'crack' && t.is('with') && [turnedPair(printed)],
  (t) => /^(?:compass rose|windmill|asterisk|cross)$/.test(t.a) && t.is('made of') && isMany(t.second) && [radial],
  (t) => /^(?:flower|daisy|sun|star|snowflake)$/.test(t.a) && t.is('made of') && isMany(t.second) && [radial, madeOf],
  // Who is on a stage is between its curtains.
  (t) => t.b === 'stage' && t.is('on', 'inside') && [framed],
  // What is open shows what is in it; who goes through a ring is on both sides of it; what is on a planet stands on its top.
  (t) => /^(?:spider web|web|net|target|compass|wheel)$/.test(t.a) && t.isTurned('inside') && [embraced],
  (t) => FRAMES.test(t.b) && t.is('through') && [throughRing],
  (t) => /^(?:planet|earth|globe|moon|full moon)$/.test(t.a) && t.isTurned('on') && [turnedPair(above)],
  (t) => t.b === 'tent' && !isCreature(t.a) && t.is('inside') && [insideOf],
  // What stands in the distance is on the same ground; what swims under a boat is in the water that carries it.
  (t) => SCENERY.test(t.b) && !SCENERY.test(t.a) && !CELESTIAL.has(t.a) && (t.isTurned('behind') || t.is('in front of')) && [distant],
  (t) => SCENERY.test(t.a) && !SCENERY.test(t.b) && !CELESTIAL.has(t.b) && (t.is('behind') || t.isTurned('in front of')) && !t.does(/^(?:peek|peep|hid|look|lean)/) && [turnedPair(distant)],
  (t) => AFLOAT.test(t.a) && WATER.test(t.b) && t.is('on', 'over', 'riding', 'inside') && !t.does(/^(?:sink|div)/) && [overWater],
  (t) => SWIMMER.test(t.a) && AFLOAT.test(t.b) && (t.is('under') || t.isTurned('over')) && [underKeel],
  (t) => AFLOAT.test(t.a) && SWIMMER.test(t.b) && (t.is('over') || t.isTurned('under')) && [turnedPair(underKeel)],
  // What one does with the whole body: push, play, climb, ride, fly a kite, look over what one reads.
  (t) => /^(?:ladder|stairs|staircase|rope|vine)$/.test(t.a) && (CELESTIAL.has(t.b) || t.b === 'tree house') && t.is('toward', 'over', 'on', 'with') && [reaching],
  (t) => hasHands(t.a) && t.does(/^(?:push|driv)/) && t.is('toward', 'holding', 'with', 'on') && (PUSHED.test(t.b) || /ball|boulder|rock|wheel|box|crate|wagon|sled/.test(t.b)) && [pushing],
  (t) => isCreature(t.a) && t.does(/^play/) && /piano|organ|harp|cello|double bass|xylophone|drum kit|drums|marimba|keyboard/.test(t.b) && [pushing],
  (t) => isCreature(t.a) && /^(?:giraffe|elephant|goat|deer|camel|horse|donkey|cow|llama|alpaca|okapi|antelope|koala)$/.test(t.a) && t.does(/^(?:eat|feed|brows|nibbl|munch|reach)/) && TREES.test(t.b) && !t.second.turned && t.is('toward', 'with', 'coming out of', 'holding') && [browsing],
  (t) => standsInVase(t.first, t.second) && [inVase],
  (t) => isInVase(t.first, t.second) && [turnedPair(inVase)],
  (t) => isCreature(t.a) && t.does(/^climb/) && t.is('on', 'toward', 'over') && (TREES.test(t.b) || LONG.test(t.b) || /^(?:post|rope|ladder|column|tower|vine)$/.test(t.b)) && [climbing],
  // Whoever goes past is before it.
  (t) => SCENERY.test(t.b) && !SCENERY.test(t.a) && t.does(/\b(?:past|along)\b/) && [distant],
  (t) => /^(?:mountain|mountains|hill|volcano|rock|cliff|pyramid)$/.test(t.b) && nounKind(t.a) !== 'artifact' && t.does(/^(?:climb|scal|hik|ascend|run|walk)/) && t.is('on', 'toward', 'over') && [scaling],
  (t) => isCreature(t.a) && !(INSECTS.test(t.a) && !t.does(/^rid/)) && nounKind(t.b) === 'animal' && t.is('riding', 'on') && ['hoofed', 'heavy', 'cat', 'dog', 'bear', 'runner', 'hopper', ...(t.does(/^rid/) ? ['fowl', 'raptor', 'rodent', 'songbird'] : [])].includes(buildOf(t.b) ?? '') && [ridden],
  (t) => /^(?:scooter|kick scooter|bicycle|motorcycle|moped|tricycle|motor scooter|bike)$/.test(t.b) && hasHands(t.a) && t.is('riding', 'on') && [onWheels],
  (t) => hasHands(t.a) && t.is('riding', 'on') && /^(?:rid|fly|sit|straddl|saddl)/.test(t.said + (t.first.pose ?? '')) && (/^(?:rocket|broom|witch broom|paper plane|airplane|banana|firework|comet|baguette|cucumber|corn|cigar|bullet|fish|whale|dolphin|shark|swan|goose|duck|seahorse|crab|snail|turtle|tortoise|dragon|cloud)$/.test(t.b) || (LONG.test(t.b) && !/^(?:candle|flower|rose|tulip|umbrella)$/.test(t.b))) && [astride],
  (t) => t.b === 'hot air balloon' && isCreature(t.a) && t.is('inside', 'riding', 'on') && [inBasket],
  (t) => hasHands(t.a) && SEATS.test(t.b) && t.is('inside', 'on') && [seated],
  (t) => TOWED.test(t.said) && [towed],
  (t) => isCreature(t.a) && t.does(/^(?:pull|tow|haul|drag)/) && !t.second.turned && !isCreature(t.b) && t.is('holding', 'toward', 'with') && [turnedPair(towed)],
  (t) => isCreature(t.a) && (/^(?:kite|balloon)$/.test(t.b) || t.second.word === 'balloon') && t.is('holding', 'with') && [flown],
  (t) => hasHands(t.a) && t.does(/^read/) && t.is('holding', 'with', 'toward') && [inHand('standing'), emerging(74, 58, true), inHand('sitting'), emerging(60, 74, true)],
  (t) => isCreature(t.a) && t.does(/^(?:guard|protect|watch|defend)/) && !t.second.turned && [sideBySide, above],
  // What one wears, wings with it, and what one looks out of.
  (t) => isCreature(t.a) && t.is('inside') && /helmet$/.test(t.second.word) && [dressed('bust'), dressed('whole')],
  (t) => isCreature(t.a) && !isSeenAside(t.a) && t.b === 'wing' && t.is('with', 'wearing', null) && [wingedUpright],
  // What digs comes out of the ground.
  (t) => t.b === 'hole' && t.is('inside', 'coming out of') && isCreature(t.a) && (!/\bhole$/.test(t.second.word) || /^(?:mole|rabbit|hare|meerkat|mouse|badger|fox|worm|snake|gopher|groundhog|weasel|ferret|crab|kangaroo)$/.test(t.a)) && [emerging(66, 64), emerging(60, 70)],
  (t) => /\b(?:hole|hollow|knothole)$/.test(t.second.word) && t.is('inside', 'coming out of') && isCreature(t.a) && [inHollow],
  // A nest, or a bird, that is in a tree is seen in its crown, as its apples are; a bird sits on a wire.
  (t) => TREES.test(t.b) && t.is('inside') && (/^(?:nest with eggs|lantern|heart|star|kite|door|clock|moon)$/.test(t.a) || (nounKind(t.a) === 'artifact' && !LONG.test(t.a) && !/^(?:house|hut|cabin|castle|tent|village)$/.test(t.a)) || /^(?:songbird|raptor|ape)$/.test(buildOf(t.a) ?? '')) && [turnedPair(embraced)],
  (t) => TREES.test(t.a) && t.is('with', 'holding') && isMany(t.second) && /^(?:apple|pear|orange|lemon|cherry|peach|plum|heart|star|lantern|bulb|light bulb|bird|coin|flower|key|egg|olive|fig)$/.test(t.b) && [fruited],
  (t) => /^(?:wires?|power lines?|telephone lines?|cable|clothesline|washing line|phone line)$/.test(t.second.word) && t.is('on') && [onLine],
  // What is on a lid stands there.
  (t) => /^(?:lid|rim|brim|edge|spout|crown|top|tip)$/.test(t.place) && !isCreature(t.a) && t.isTurned('on') && [turnedPair(stacked(40, 70))],
  // A bottle with a cow's face has it on its label.
  (t) => PRINTED_ON.test(t.a) && isCreature(t.b) && t.is('with') && t.place === '' && t.second.modifiers.some((m) => /^(?:face|head)$/.test(m)) && [turnedPair(printed)],
  // What is on a mug is printed there, what is on a plate lies on it; a bee on a flower has settled on it.
  (t) => MARKS.test(t.b) && PRINTED_ON.test(t.a) && t.isTurned('on') && [turnedPair(printed)],
  (t) => /^(?:plate|tray|frying pan|cutting board|pizza|rug)$/.test(t.b) && (t.is('on') || (t.b === 'frying pan' && t.is('inside'))) && (['food', 'plant'].includes(nounKind(t.a) ?? '') || / skeleton$/.test(t.first.word) || /^(?:fish|egg|heart|leaf|lobster|crab|shrimp|lemon|fried egg|steak|star)$/.test(t.a)) && [printed],
  (t) => INSECTS.test(t.b) && GROWS.test(t.a) && t.isTurned('on') && [settled],
  (t) => INSECTS.test(t.a) && GROWS.test(t.b) && t.is('on') && [turnedPair(settled)],
  // Who looks over a wall is behind it.
  (t) => isCreature(t.a) && t.is('over', 'behind') && t.does(/^(?:peek|peep|look|peer|lean|glanc)/) && !CELESTIAL.has(t.b) && !isCreature(t.b) && [emerging(64, 80), emerging(70, 74)],
  // A crown over a head is on it.
  (t) => isHeadgear(t.a) && isCreature(t.b) && t.is('over', 'on') && [turnedPair(onHead)],
  // What is too large for a hand or a mouth is on a back.
  (t) => isCreature(t.a) && t.isCarried() && (LANDSCAPE.has(t.b) || /^(?:house|village|tree|boat|ship|cabin|barn|lighthouse|church|tower)$/.test(t.b)) && [onBack],
  // What sticks in something has its edge in it.
  (t) => /^(?:axe|sword|knife|dagger|arrow|archery arrow|pickaxe|hatchet|spear|dart)$/.test(t.a) && (t.is('inside', 'on') || (t.is('through') && t.does(/^stuck/))) && /^(?:log|rock|stone|tree stump|stump|wood|anvil|mountain|hill|heart|apple|bread|loaf of bread|cake|pumpkin|cheese)$/.test(t.b) && [stuckIn],
  (t) => DRAWING_WITH.test(t.a) && t.does(/^(?:draw|sketch|writ|paint|trac)/) && !t.second.turned && [penned],
  (t) => t.a === 'ice cream' && /^(?:scoops?|top|ball|head)$/.test(t.place) && t.isTurned('as') && [onCone],
  // Of two that one has, one is in each hand.
  (t) => hasHands(t.a) && t.first.count === 1 && t.is('holding', 'with', 'wearing') && t.place === '' && !t.does(/^(?:juggl|toss|lift|wear)/) && ((t.second.count === 2 && canBeHeld(t.b) && !isCrossed(t.second) && !isHeadgear(t.b)) || /\b(?:gloves|mittens|maracas|dumbbells|drumsticks|pom-?poms|nunchucks|sparklers|oven mitts)$/.test(t.second.word)) && [inBothHands('standing'), inBothHands('running'), inBothHands('sitting')],
  // Boots are on feet.
  (t) => isCreature(t.a) && t.is('wearing') && /\b(?:boots?|shoes?|sneakers?|slippers?|skates?|clogs?|flippers?|socks?|sandals?)$/.test(t.second.word) && [shod],
  // Who has no hands, or none that one sees.
  (t) => isSeenAside(t.a) && !hasHands(t.a) && t.is('wearing') && [onHead],
  (t) => isRaptor(t.a) && t.a !== 'owl' && t.isCarried() && [inClaws, atMouth],
  (t) => /^(?:claws?|talons?)$/.test(t.place) && (t.is('holding', 'with') || t.isTurned('inside')) && [inClaws],
  (t) => isHeldInMouth(t.a) && (t.isCarried() || (t.is('with') && t.place === '' && IN_BEAK.test(t.b) && t.second.count === 1 && !isMany(t.second))) && [atMouth],
  // What is in a pouch looks out of it; who drinks from a cup has it in the hand.
  (t) => t.place === 'pouch' && isCreature(t.a) && [pouched],
  (t) => hasHands(t.a) && !t.second.turned && t.second.count === 1 && t.is('holding', 'with', 'toward') && TASTING.test(t.first.pose ?? t.said) && canBeHeld(t.b) && !isSeenAside(t.a) && !BILLED.test(t.a) && [atLips, inHand('sitting')],
  (t) => hasHands(t.a) && t.does(/^(?:drink|sip|slurp)/) && /^(?:cup|mug|teacup|glass|bottle|bowl|coffee cup|beer|beer mug|wine glass|milk|juice|cocktail|can|coconut|jug|tankard)$/.test(t.b) && !t.second.turned && [inHand('standing'), inHand('sitting')],
  // Who catches fish has one.
  (t) => CATCHERS.test(t.a) && t.b === 'fish' && t.second.count === 1 && t.is('with', 'holding') && t.place === '' && [isSeenAside(t.a) ? atMouth : inHand('standing'), atMouth, isSeenAside(t.a) ? atMouth : inHand('sitting')],
  (t) => HANDLESS.test(t.a) && t.isCarried() && [onBack],
  // What one carries on its back stands there, what it has in its mouth hangs there.
  (t) => t.place === 'shoulders' && t.isTurned('on', 'around') && t.second.count === 1 && LAID_ACROSS.test(t.b) && [turnedPair(acrossShoulders)],
  (t) => t.place === 'shoulders' && t.is('on', 'around') && LAID_ACROSS.test(t.a) && [acrossShoulders],
  (t) => t.b === 'drinking straw' && !isCreature(t.a) && (t.is('with', 'holding') || t.isTurned('inside', 'coming out of')) && [strawed],
  (t) => /^shoulders?$/.test(t.place) && t.is('on') && [onShoulder],
  (t) => ON_BACK.test(t.place) && isCreature(t.a) && (t.isTurned('on') || t.is('holding', 'with')) && [onBack],
  (t) => ON_TOP.test(t.place) && t.is('on') && [stacked(42, 66)],
  (t) => /^(?:antlers?|horns?)$/.test(t.place) && isCreature(t.a) && ((t.second.turned && t.either('inside', 'on')) || t.either('between')) && [inAntlers],
  // A padlock in the shape of a heart is a heart with a shackle and a keyhole.
  (t) => t.a === 'lock' && ((t.is('as') && PLAIN.test(t.b)) || (t.place === 'body' && t.isTurned('as'))) && [asLock],
  (t) => ON_TOP.test(t.place) && t.is('holding', 'toward', 'with') && [turnedPair(stacked(42, 66))],

  (t) => BILLED.test(t.a) && !t.second.turned && FEEDING.test(t.first.pose ?? t.said) && [sipping],
  // A mountain and two beans: it stands between them. A bowl with a fish has it inside, an envelope its wings at both sides.
  (t) => t.second.count === 2 && t.first.count === 1 && !isCreature(t.a) && t.is('beside', 'with') && [flanked],
  (t) => SEEN_INTO.test(t.a) && isCreature(t.b) && t.is('with') && [turnedPair(insideOf)],
  // A mug with a moustache wears it.
  (t) => isHeadgear(t.b) && !isCreature(t.a) && t.is('with') && [onHead],
  (t) => t.b === 'wing' && !isCreature(t.a) && t.is('with', 'wearing', null) && [winged],
  (t) => t.a === 'toaster' && t.isTurned('coming out of', 'inside') && [turnedPair(emerging(46, 72))],
  (t) => /^clouds?$/.test(t.b) && (t.is('through', 'between') || (t.is('inside', 'on', 'over') && t.does(/^(?:swim|fly|sail|float|soar|glid)/))) && [amongClouds],
  (t) => /^(?:table|desk|bench|chair|stool|piano|bed)$/.test(t.b) && isCreature(t.a) && t.is('under') && [underTable],
  (t) => t.a === 'candle' && t.b === 'layer cake' && [candled],
  (t) => t.a === 'layer cake' && t.b === 'candle' && [turnedPair(candled)],
  (t) => /^(?:lamp|desk lamp|floor lamp|table lamp)$/.test(t.a) && /^(?:shade|lampshade|top|head)$/.test(t.place) && t.isTurned('as') && [shaded],
  // What a cake has on it.
  (t) => /^(?:cake|cupcake|muffin|birthday cake|pudding|pancakes|pie|cheesecake|sandwich|hamburger|burger)$/.test(t.a) && t.is('with') && /^(?:candle|cherry|strawberry|blueberry|raspberry|star|heart|flag|crown|flower|rose|berry|berries|bird)$/.test(t.b) && [turnedPair(stacked(40, 72))],
  // What is said in a bubble is in it.
  (t) => t.a === 'speech bubble' && t.is('with') && !isCreature(t.b) && t.second.count === 1 && [turnedPair(insideOf)],
  (t) => t.place === 'door' && t.isTurned('as') && !isCreature(t.a) && [builtIn],
  (t) => t.place === 'body' && t.isTurned('as') && STRINGED.test(t.a) && [bodied],
  (t) => OPENINGS.test(t.b) && !isCreature(t.a) && (t.is('with') || t.isTurned('inside')) && [builtIn],
  (t) => isCreature(t.a) && isCreature(t.b) && t.is('beside', 'with') && [t.first, t.second].some((f) => standingOf(f.modifiers) === 'away') && [backToBack],
  (t) => isCreature(t.a) && isCreature(t.b) && t.is('beside', 'with') && [t.first, t.second].some((f) => standingOf(f.modifiers) === 'toward') && [faceToFace, turnedPair(faceToFace)],
  (t) => isCreature(t.a) && isCreature(t.b) && t.is('beside', 'with') && [sideBySide, turnedPair(sideBySide)],
  (t) => t.first.count === 1 && !t.place && rises(t.second) && [beforeTrees],
  // Scissors at a ribbon cut it in two.
  (t) => t.a === 'scissors' && /^(?:ribbon|rope|thread|tape|paper|wool)$/.test(t.b) && t.is('through', 'toward', 'with', 'holding', 'on') && [cutting],
  (t) => t.place === 'tail' && t.isTurned('as') && !/^(?:peacock|turkey)$/.test(t.a) && isCreature(t.a) && !isSeenAside(t.a) && !isMany(t.second) && [tailed],
  (t) => /^(?:peacock|turkey)$/.test(t.a) && ((/^(?:tail|feathers?|plumage|train)$/.test(t.place) && t.isTurned('as')) || t.is('made of')) && [fanTailed],
  (t) => /^(?:beak|bill)$/.test(t.place) && t.isTurned('as') && [beaked],
  (t) => /^(?:butterfly|moth|dragonfly|bee|firefly)$/.test(t.a) && /^wings?$/.test(t.place) && t.isTurned('as') && [insectWinged],
  (t) => /middle|cent(?:re|er)|\bhub\b/.test(t.said + t.place) && /^(?:vinyl|record|clock|plate|wheel|target|donut|compass|coin|sun|flower|sunflower|daisy|gear|cd|wreath|spider web|maze)$/.test(t.a) && t.isTurned('inside', 'on') && [atPart('middle', false)],
  (t) => /^roots?$/.test(t.place) && t.isTurned('as') && [rootedAs],
  (t) => /^(?:shell|wings?|carapace|back|wing cases)$/.test(t.place) && t.isTurned('as') && INSECTS.test(t.a) && !ROUNDED.test(t.b) && [shelledIn],
  // What stands for a part: a mane is all round a head, of many or of one that has rays.
  (t) => /^(?:mane|ruff|petals|rays)$/.test(t.place) && t.isTurned('as') && !isMany(t.second) && /^(?:sun|sunflower|flower|daisy|star|gear|dandelion|citrus slice|wheel|splash|flame|fire)$/.test(t.b) && [rayed],
  (t) => /^(?:spikes|spines|quills|needles)$/.test(t.place) && t.isTurned('as') && [spined],
  (t) => /^(?:mane|ruff|petals|rays|spikes)$/.test(t.place) && t.isTurned('as') && [maned],
  (t) => t.place === 'halo' && t.isTurned('as') && [wreathed],
  (t) => TREES.test(t.a) && /^(?:branch|branches|limbs|boughs)$/.test(t.place) && t.isTurned('as') && [branched],
  (t) => /book|newspaper|letter|map/.test(t.a) && /^(?:pages?|leaves)$/.test(t.place) && t.isTurned('as') && [scattering],
  (t) => /^(?:leaves|leaf|petals|fruit|fruits|scales|feathers|spots|stripes|bricks)$/.test(t.place) && t.isTurned('as') && [madeOf],
  (t) => /^sails?$/.test(t.place) && /boat|ship/.test(t.a) && t.isTurned('as') && [asSail],
  (t) => /^(?:windmill|wind turbine)$/.test(t.a) && /^(?:blades?|sails?|arms|wings?|vanes?)$/.test(t.place) && t.isTurned('as') && [turnedPair(bladed)],
  (t) => /^(?:clock|watch|alarm clock|pocket watch)$/.test(t.a) && /^(?:numbers?|numerals?|hours?|digits?)$/.test(t.place) && t.isTurned('as') && [turnedPair(hoursOf)],
  (t) => /^(?:clock|watch|alarm clock|pocket watch)$/.test(t.a) && /^(?:face|dial)$/.test(t.place) && t.isTurned('as') && [turnedPair(dialOf)],
  (t) => /ship|boat/.test(t.a) && (isCreature(t.b) || / head$/.test(t.second.word)) && t.second.modifiers.includes('head') && t.is('with') && [atProw],
  (t) => t.a === 'clock' && /^(?:hands?|pointers?)$/.test(t.place) && t.isTurned('as') && [turnedPair(handed)],
  (t) => t.a === 'candle' && t.place === 'flame' && t.isTurned('as') && [turnedPair(onCandle)],
  (t) => /^(?:tip|bristles|point|nib|flame)$/.test(t.place) && t.isTurned('as') && [tipped],
  (t) => /^(?:eraser|rubber|end|cap|top|knob|pommel)$/.test(t.place) && LONG.test(t.a) && t.isTurned('as') && [capped],
  (t) => /^(?:body|belly)$/.test(t.place) && !isCreature(t.a) && t.isTurned('as') && [asBody],
  (t) => /^(?:steam|foam|froth|smoke)$/.test(t.place) && t.isTurned('as') && [rising],
  (t) => t.isTurned('as') && [isPaired(t.second.place) ? atParts(t.place) : atPart(t.second.place, true)],
  // What flies off a thing goes up from it, the further the larger.
  (t) => isMany(t.second) && t.isTurned('coming out of') && /^(?:fly|flutter|tak|soar|drift|float|blow|scatter|escap)/.test(t.second.pose ?? t.second.modifiers.join(' ')) && [scattering],
  // With a butterfly flying out.
  (t) => t.second.modifiers.includes('out') && COMING.test(t.second.pose ?? t.second.modifiers.join(' ')) && [emerging(44, 62), emerging()].map(turnedPair),
  // Of many small ones a wreath; one animal holds the other in its arms, one thing sits about a neck.
  (t) => t.isTurned('around') && t.place === 'neck' && t.second.count === 1 && [/scarf|tie|necklace|collar|bow|ribbon|garland|wreath|snake|rope/.test(t.b) ? onHead : hungFromNeck],
  (t) => t.isTurned('around') && nounKind(t.b) === 'animal' && t.second.count === 1 && /^(?:wrap|curl|coil|twist|climb|hug)/.test(t.second.pose ?? '') && [turnedPair(embraced)],
  (t) => t.a === 'wreath' && t.is('made of') && LAUREL.test(t.b) && [wreathOf],
  (t) => t.isTurned('around') && [LAUREL.test(t.b) ? laurelled : wreathed],
  (t) => t.is('around') && LAUREL.test(t.a) && !WINDING.test(t.said) && [turnedPair(laurelled)],
  (t) => t.first.count === 2 && t.either('around') && [turnedPair(flanked)],
  // What is full of many has them heaped up over its rim; flowers stand in it.
  (t) => HEAPING.test(t.a) && t.isTurned('inside') && GROWS.test(t.b) && isMany(t.second) && /full|fill/.test(t.said) && [turnedPair(growing)],
  (t) => HEAPING.test(t.a) && t.isTurned('inside') && isMany(t.second) && /^(?:full of|filled with|overflowing with|loaded with|of|packed with)$/.test(t.said) && [heaped],
  // Land in a thing is seen in it as through a window.
  (t) => t.a === 'umbrella' && /^(?:rain|drop|water|raindrop|snow|snowflake|star|heart)$/.test(t.b) && (t.isTurned('inside', 'under') || t.is('over')) && [rainingDown],
  (t) => t.b === 'circuit' && !isCreature(t.a) && t.is('with') && [turnedPair(insideOf)],
  (t) => LAND.test(t.b) && t.isTurned('inside') && !isCreature(t.a) && !/^(?:book|letter|circle|square|frame|window)$/.test(t.a) && [turnedPair(landIn)],
  (t) => LAND.test(t.a) && t.is('inside') && !isCreature(t.b) && (SEEN_INTO.test(t.b) || /^(?:diving helmet|helmet|aquarium|wine glass|mug|suitcase|lantern|bell|head profile|cup|teapot|kettle|acorn|leaf|drop|coffee bean|heart|house|tent|guitar|bottle|egg|apple|pear|head|hand|shoe|boot|backpack|camera|shell|diamond|feather)$/.test(t.b)) && [landIn],
  // What is full of many shows them through.
  (t) => /^(?:lantern|cage|birdcage|bird cage|window)$/.test(t.a) && t.isTurned('inside') && [embraced],
  (t) => /^(?:lantern|cage|birdcage|bird cage)$/.test(t.b) && t.is('inside') && [turnedPair(embraced)],
  (t) => isCreature(t.a) && t.is('behind') && !LANDSCAPE.has(t.b) && [peeksFrom],
  (t) => SEEN_INTO.test(t.a) && t.isTurned('inside') && [isMany(t.second) ? madeOf : turnedPair(insideOf)],
  // What floats on what a cup holds is half in it; pages fly off as what they turn into.
  (t) => t.place === 'surface' && OPEN.test(t.a) && t.isTurned('on') && [turnedPair(floating)],
  // What lies on a roof lies flat.
  (t) => /^(?:roof|top)$/.test(t.place) && t.isTurned('on') && [onRoof],
  (t) => t.place !== '' && t.second.turned && !t.either('coming out of') && [atPart(t.place, false)],
]; // prettier-ignore

/** Ways to put a figure of a prompt together with the one that it stands to, which comes first. */
export function waysFor(first: PromptFigure, second: PromptFigure): readonly Pair[] {
  const told = new Told(first, second);
  for (const rule of RULES) {
    const ways = rule(told);
    if (ways) return ways;
  }
  const { relation, turned } = second;
  return turned
    ? waysOf(relation, second.drawn, first.drawn).map(turnedPair)
    : waysOf(relation, first.drawn, second.drawn);
}
