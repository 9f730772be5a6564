/** Two figures in one picture, by how they stand to one another. */
import { isPlural, type PromptFigure, type Relation } from '../prompt';
import { isCreature, isSeenAside } from './built';
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
  embraced,
  emerging,
  facing,
  flanked,
  held,
  inHand,
  insideOf,
  isPaired,
  onHand,
  onHead,
  onShoulder,
  passing,
  rooted,
  risen,
  sipping,
  sideBySide,
  stacked,
  wreathed,
  type Pair,
} from './pairings';
import { madeOf } from './packed';
import {
  crossedBehind,
  entwined,
  framed,
  hanging,
  hugged,
  inClaws,
  inFist,
  joined,
  onRoof,
  orbiting,
  poured,
  outOfMouth,
  reflected,
  winged,
  shadowed,
  TWINING,
  watered,
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
/** Forms that hold what they are said to go with. */
const HOLDERS = new Set(['shield', 'window', 'heart', 'circle', 'cloud', 'speech bubble']);
/** What makes a ground for what it is said to go with. */
const BACKS =
  /\b(?:flowers?|leaf|leaves|wreath|star|wings?|sparkles?|flag|feathers?|rays|web|gear|wheel|crown|ribbon)\b/;

/** What one stands among. */
const GROWING =
  /\b(?:grass|reeds?|plant|field|forest|trees?|bush|shrub|wheat|flowers?|tulip|sunflower|fern|ivy|bamboo|water|sea|pond|lake|wave)\b/;

/** What is too large to hold, or grows where it stands. */
const LARGE =
  /\b(?:trees?|pine|palm|house|building|tower|skyscraper|castle|lighthouse|windmill|barn|church|hut|cabin|tent|igloo|bridge|road|train|tram|bus|car|truck|van|tractor|ship|boat|sailboat|canoe|rocket|airplane|plane|helicopter|bicycle|motorcycle|sofa|bed|bathtub|piano|fountain|volcano|cactus|bush|grass|wings?|tail|horns?|antlers?|ears?|mane|beard|hair|eyes?|crown|rainbow|sea|lake|river|desert|night|galaxy|fire|smoke|lightning|snow|rain)\b/;
const canBeHeld = (name: string): boolean => !isCreature(name) && !CELESTIAL.has(name) && !LANDSCAPE.has(name) && !LARGE.test(name); // prettier-ignore

/** What one looks out of, or stands in. */
const OPEN =
  /\b(?:cup|mug|teacup|bowl|basket|pot|boat|canoe|ship|hat|bag|nest|bathtub|box|sink|cart|bucket|vase|pocket|backpack|pool|glass|grass|reeds?|plant|wave|water|sea|field|forest|trees?|bush|shrub|car|train|bus|chair|sofa|bed|armchair|wheat|flowers?|tulip|sunflower|log|tent|barrel|wheelbarrow|suitcase|envelope|shoe|boot|sock|matchbox|drawer|crate|jug|kettle|teapot|pan|flowerpot|helmet|shell|eggshell|gift|kayak|hammock|mailbox|postbox)\b/;

/** What is wide for one who is in it. */
const WIDE = /^(?:bathtub|boat|canoe|ship|sailboat|car|train|bus|sofa|bed|sled|cart|wheelbarrow|airplane|gondola|truck|couch|tractor)$/; // prettier-ignore

/** What is open in its middle. */
const FRAMES = /^(?:wheel|hoop|ring|ring of fire|wreath|tire|tyre|porthole|frame|picture frame|mirror|lifebuoy)$/;

/** What one stands on that glides or rolls. */
const BOARDS = /^(?:surfboard|skateboard|snowboard|ski|sled|broom|paddleboard|witch broom)$/;

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
      if (WIDE.test(b)) return [emerging(54, 86), emerging(60, 80), emerging(48, 90)];
      return OPEN.test(b) ? [emerging(), emerging(74, 40), emerging(46, 70)] : [insideOf];
    case 'on':
      if (BOARDS.test(b) && isCreature(a)) return [aboard];
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
      return LANDSCAPE.has(b) ? [behind, beside] : [sideBySide, beside, held, behind];
    case 'holding':
      if (a === 'hand') return [onHand];
      return isCreature(a) ? [inHand('standing'), inHand('running'), inHand('sitting')] : [held, held, beside];
    case 'wearing':
      return isCreature(a) ? [dressed('bust'), dressed('whole'), dressed('whole', 'running')] : [onHead];
    case 'coming out of':
      return [emerging(), emerging(72, 44)];
    case 'made of':
      return [madeOf];
    case 'as':
      return isCreature(a) ? [insideOf, turnedPair(stacked(34, 70)), insideOf] : [insideOf, turnedPair(insideOf)];
    case 'with':
      if (isCreature(a) && canBeHeld(b)) return [inHand('standing'), beside, inHand('sitting'), held];
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
const ON_TOP = /^(?:back|head|nose|snout|shoulders?|top|roof|antlers?|horns?|hump|shell)$/;
/** What one carries things in that has no hands. */
const MOUTH = /^(?:beak|mouth|bill|jaws?|snout|muzzle|teeth)$/;
/** What drinks and eats with the thin end of its head. */
const BILLED =
  /bird|heron|stork|crane|ibis|flamingo|butterfly|moth|bee$|swallow|kingfisher|toucan|finch|sparrow|parrot|duck|goose|swan|gull|crow/;
const FEEDING = /^(?:drinking|sipping|feeding|eating|pecking|nibbling|sniffing|smelling)/;
/** What one comes out of at its foot, and not over its rim. */
const MOUTHS = /^(?:tunnel|cave|arch|gate|door|garage|portal|window)$/;
/** What has no hands: on its back it carries what it has, or in its mouth. */
const RAPTORS = /^(?:eagle|hawk|falcon|owl|vulture|osprey|kestrel)$/;
const HANDLESS =
  /^(?:crab|lobster|scorpion|snail|slug|caterpillar|worm|turtle|tortoise|ladybug|beetle|camel|donkey|elephant)$/;
const SWIMMING = /^(?:fish|whale|dolphin|shark|orca|salmon|goldfish|swordfish|piranha|tadpole|snake|cobra)$/;
const HUGGING = /^(?:hugging|cuddling|embracing|clutching|snuggling|squeezing|clasping)/;
/** What a fist holds by its shaft. */
const LONG = /^(?:paint brush|paintbrush|brush|pen|pencil|quill|feather|sword|dagger|hammer|axe|torch|wrench|spanner|key|fork|silverware fork|spoon|knife|carrot|flower|rose|tulip|wand|spear|microphone|umbrella|broom|candle|wheat|lightning|whisk|spatula|ladle|racquet|baseball bat|flag|arrow|chisel|screwdriver|shovel|spade|trowel|leek|ice cream|lollipop|fishing rod|trident|honey dipper|match|chisel|comb|toothbrush|scissors)$/; // prettier-ignore
/** What one pours from. */
const VESSELS =
  /^(?:teapot|kettle|jug|bottle|coffee pot|moka pot|milk can|watering can|milk|pitcher|oil lamp|pan|beer|wine)$/;
/** How what climbs is said to go round another. */
const WINDING = /^(?:entwin|intertwin|twin|twist|wrap|wound|wind|coil|climb|grow|spiral|curl)/;
/** What one sees into from the side. */
const SEEN_INTO = /^(?:jar|honey pot|bottles?|light bulb|glass|hourglass|heart|bag|snow globe|fishbowl)$/;
const OPENINGS = /\b(?:door|window|keyhole|fireplace|clock)\b/;

/** Ways to put a figure of a prompt together with the one that it stands to, which comes first. */
export function waysFor(first: PromptFigure, second: PromptFigure): readonly Pair[] {
  const { relation, turned, place } = second;
  // Whatever is said of sun and land, the one is seen over the other.
  if (!turned && CELESTIAL.has(second.drawn) && LANDSCAPE.has(first.drawn) && [null, 'with', 'beside', 'on', 'under', 'in front of'].includes(relation)) return [risen, risen, behind]; // prettier-ignore
  if (!turned && LANDSCAPE.has(second.drawn) && CELESTIAL.has(first.drawn) && [null, 'with', 'beside', 'over', 'behind'].includes(relation)) return [turnedPair(risen), turnedPair(risen), turnedPair(behind)]; // prettier-ignore
  // A head before crossed forks.
  if (second.count === 2 && second.modifiers.includes('crossed') && ['beside', 'with', 'behind', 'over', null].includes(relation)) return [crossedBehind]; // prettier-ignore
  if (first.count === 2 && first.modifiers.includes('crossed') && ['beside', 'with', 'over', 'behind', 'under', null].includes(relation)) return [turnedPair(crossedBehind)]; // prettier-ignore
  if (relation === 'beside' && [first, second].some((f) => f.modifiers.includes('crossed'))) return [crossing];
  if (/^(?:reflect|mirror)/.test(second.said ?? '') || (relation === 'inside' && first.modifiers.some((m) => /^(?:reflected|mirrored)$/.test(m)))) return [reflected]; // prettier-ignore
  if (turned && relation === 'as' && /^(?:shadow|silhouette)$/.test(place ?? '')) return [shadowed];
  if (!turned && first.pose === 'watering') return [watered];
  if (!turned && /\bhand$/.test(first.drawn) && (relation === null || ['holding', 'toward', 'with'].includes(relation))) return [LONG.test(second.drawn) ? inFist : onHand]; // prettier-ignore
  if (!turned && relation === 'around' && HUGGING.test(second.said ?? first.pose ?? '') && isCreature(first.drawn)) return [hugged('standing'), hugged('sitting'), hugged('standing')]; // prettier-ignore
  // What climbs goes round the other, whichever is named first.
  if (relation === 'around' && WINDING.test(second.said ?? '') && [first, second].some((f) => TWINING.test(f.drawn))) return [TWINING.test(second.drawn) ? entwined : turnedPair(entwined)]; // prettier-ignore
  if (!turned && relation === 'around' && /^(?:snake|cobra|serpent)$/.test(first.drawn) && !isCreature(second.drawn)) return [turnedPair(entwined)]; // prettier-ignore
  if (/^(?:hang|dangl|swing|suspend)/.test(`${first.pose ?? ''} ${second.said ?? ''}`.trim()) && !turned && ['coming out of', 'on', 'under', 'with'].includes(relation ?? '')) return [turnedPair(hanging)]; // prettier-ignore
  if (!turned && relation === 'coming out of' && MOUTHS.test(second.drawn)) return [outOfMouth];
  // Two that make one thing stand face to face.
  if (!turned && relation === 'made of' && second.count === 2) return [joined];
  if (!turned && ['toward', 'holding'].includes(relation ?? '') && first.count === 2) return [turnedPair(flanked)];
  if (!turned && relation === 'wearing' && isSeenAside(first.drawn)) return [onHead];
  if (!turned && place === null && relation === 'holding' && isSeenAside(first.drawn)) return [atMouth];
  if (!turned && place === null && relation === 'holding' && HANDLESS.test(first.drawn))
    return [turnedPair(stacked(44, 66))];
  if (!turned && place === null && relation === 'holding' && SWIMMING.test(first.drawn)) return [atMouth];
  if (!turned && relation === 'on' && /^shoulders?$/.test(place ?? '')) return [onShoulder];
  if (!turned && relation === 'on' && place !== null && ON_TOP.test(place)) return [stacked(42, 66)];
  // What a bird of prey has is in its claws.
  if (!turned && relation === 'holding' && (/^(?:claws?|talons?)$/.test(place ?? '') || (place === null && RAPTORS.test(first.drawn)))) return [inClaws]; // prettier-ignore
  // A mountain and two beans: it stands between them.
  if (second.count === 2 && first.count === 1 && !turned && ['beside', 'with'].includes(relation ?? '') && !isCreature(first.drawn)) return [flanked]; // prettier-ignore
  // What one carries on its back stands there.
  if (!turned && place !== null && ON_TOP.test(place) && ['holding', 'toward', 'with'].includes(relation ?? '')) return [turnedPair(stacked(42, 66))]; // prettier-ignore
  if (!turned && MOUTH.test(place ?? '') && isCreature(first.drawn) && ['holding', 'with'].includes(relation ?? ''))
    return [atMouth];
  if (turned && relation === 'inside' && MOUTH.test(place ?? '') && isCreature(first.drawn)) return [atMouth];
  if (!turned && relation === 'around' && /^(?:circl|orbit|fly|buzz|swim|sail|flutter|driv|rac|run)/.test(`${second.said ?? ''}`) && !TWINING.test(first.drawn)) return [orbiting]; // prettier-ignore
  // A bowl with a fish has it inside.
  if (relation === 'with' && !turned && SEEN_INTO.test(first.drawn) && isCreature(second.drawn))
    return [turnedPair(insideOf)];
  if (!turned && second.drawn === 'wing' && !isCreature(first.drawn) && ['with', 'wearing', null].includes(relation))
    return [winged]; // prettier-ignore // prettier-ignore
  if (!turned && BILLED.test(first.drawn) && FEEDING.test(first.pose ?? second.said ?? '')) return [sipping];
  if (relation === 'with' && !turned && OPENINGS.test(second.drawn) && !isCreature(first.drawn)) return [builtIn];
  // A mane is all round a head.
  if (turned && relation === 'as' && /^(?:mane|ruff|petals|rays|spikes|halo)$/.test(place ?? '')) return [wreathed];
  if (turned && relation === 'as') return [isPaired(place) ? atParts(place!) : atPart(place, true)];
  if (second.modifiers.includes('out') && /^(?:fly|jump|leap|com|grow|peek|look|climb|rising|spill|pour)/.test(second.pose ?? second.modifiers.join(' '))) return [turnedPair(emerging(44, 62)), turnedPair(emerging())]; // prettier-ignore
  if (turned && relation === 'around') return [wreathed];
  if (relation === 'around' && first.count === 2) return [turnedPair(flanked)];
  // What is full of many shows them through.
  if (!turned && ['inside', 'on'].includes(relation ?? '') && /\bhand$/.test(second.drawn)) return [turnedPair(onHand)];
  if (['beside', 'with'].includes(relation ?? '') && !turned && isCreature(first.drawn) && isCreature(second.drawn)) return [sideBySide, turnedPair(sideBySide)]; // prettier-ignore
  if (turned && relation === 'over' && /\bhand$/.test(first.drawn)) return [onHand];
  // What lies on a roof lies flat.
  if (turned && relation === 'on' && /^(?:roof|top)$/.test(place ?? '')) return [onRoof];
  if (!turned && VESSELS.test(first.drawn) && (/^pour/.test(second.said ?? '') || first.modifiers.includes('pouring')))
    return [poured];
  if (turned && relation === 'inside' && SEEN_INTO.test(first.drawn) && (second.count > 1 || isPlural(second.word))) return [madeOf]; // prettier-ignore
  if (turned && relation === 'inside' && SEEN_INTO.test(first.drawn)) return [turnedPair(insideOf)];
  if (turned && place !== null && relation !== 'coming out of') return [atPart(place, false)];
  return turned
    ? waysOf(relation, second.drawn, first.drawn).map(turnedPair)
    : waysOf(relation, first.drawn, second.drawn);
}
