/** Words for how something is drawn, looks and feels, and for where and when: no figures, and none of them lost. */
import { type Reading } from './reading';

/** How it is to be drawn: patterns, and the manner that they ask for. The first that fits a place takes it. */
const MANNERS: readonly [RegExp, string][] = [
  [/\b(?:one|single|same|even|equal|uniform|constant) (?:line|stroke)[- ](?:weight|width|thickness)s?\b|\bmono(?:line|weight)\b|\b(?:lines? of |strokes? of |in |with )*(?:one|the same|even|equal|uniform) (?:weight|width|thickness)\b/, 'one line weight'],
  [/\b(?:(?:in|with|from|as|using) )?(?:one|a|1|single) (?:single |unbroken |continuous |never-ending )+line(?: (?:art|drawing))?\b|\b(?:one|single)[- ]line(?: (?:art|drawing|style))?\b|\bcontinuous[- ]line(?: (?:art|drawing))?\b|\bone line\b/, 'one continuous line'],
  [/\b(?:just|only|nothing but|purely) (?:thin |thick |fine |bold |clean )?(?:lines?|outlines?|strokes?|contours?)\b|\b(?:lines?|outlines?|strokes?|contours?) only\b|\bline[- ](?:art|drawing|work)\b|\boutlined?(?: style| drawing| icon)?(?=\s*(?:[,.;|]|$))/, 'lines only'],
  [/\b(?:(?:with|in|of|and|few|some) )*(?:very )?(?:thick|bold|heavy|chunky|strong|fat) (?:(?:black|dark|clean|even|round|rounded) )?(?:lines?|outlines?|strokes?|contours?|line[- ]?work)\b/, 'thick lines'],
  [/\b(?:(?:with|in|of|and|few|some) )*(?:very )?(?:thin|fine|delicate|hairline|light|slender) (?:(?:black|dark|clean|even) )?(?:lines?|outlines?|strokes?|contours?|line[- ]?work)\b/, 'thin lines'],
  [/\b(?:with )?(?:speed|motion|movement|action) (?:lines?|streaks?|trails?)\b/, 'speed lines'],
  [/\b(?:(?:built|made|drawn|constructed|based) (?:from|of|on|out of|with|only from) )?(?:only )?(?:perfect |simple |overlapping |pure )?(?:circles|arcs)(?: only| and (?:straight )?(?:lines|arcs))?(?=\s*(?:[,.;|]|$))|\bcircular construction\b|\bgolden ratio(?: circles)?\b/, 'built on circles'],
  [/\bgeometric(?:al)?(?: (?:construction|shapes?|forms?|style|design))?\b/, 'geometric'],
  [/\b(?:in |as (?:a )?)?(?:solid |black |pure )?silhouettes?\b/, 'silhouette'],
  [/\bhand[- ]?drawn\b|\b(?:[a-z]+ed|drawn|made) by hand\b|\bsketchy\b|\bfreehand\b/, 'hand-drawn'],
  [/\bstencil(?:led|ed)?(?: style)?\b/, 'stencil'],
  [/\bsticker(?: style)?(?=\s*(?:[,.;|]|$))/, 'sticker'],
  [/\b(?:perfectly )?symmetric(?:al)?\b|\bmirror(?:ed)? symmetry\b/, 'symmetrical'],
  [/\b(?:with )?(?:rounded|soft) (?:corners?|edges?|ends?|tips?)\b/, 'rounded'],
  [/\b(?:with )?(?:sharp|crisp|pointed|hard) (?:corners?|edges?|ends?|tips?|angles?)\b/, 'sharp'],
  [/\b(?:seen |shown |drawn )?side[- ]on\b(?=\s*(?:[,.;|]|$))/, 'side on'],
  [/\bfacing (?:the )?(?:front|forwards?|viewer|us|camera)\b/, 'head on'],
  [/\b(?:seen |shown |drawn )?(?:head|front)[- ]on\b(?=\s*(?:[,.;|]|$))/, 'head on'],
  [/\bupside[- ]down\b/, 'upside down'],
  [/\b(?:standing|keeping|on) (?:guard|watch|sentry)\b(?! (?:tower|dog))/, 'on guard'],
  [/\b(?:high|strong) contrast\b/, 'high contrast'],
  [/\b(?:(?:in|with|showing|striking|as) )?(?:an? |the )?(?:(?:sheet|set|range|series) of )?(?:all |its |his |her )?(?:(?:two|three|four|five|six|eight|ten|\d+) )?(?:different |various |many |several )?poses\b(?: sheet)?|\bpose sheet\b/, 'poses'],
  [/\b(?:(?:in|with|showing|making) )?(?:an? |the )?(?:(?:sheet|set|range|series) of )?(?:all |its |his |her )?(?:(?:two|three|four|five|six|eight|ten|\d+) )?(?:different |various |many |several )?(?:facial )?expressions\b(?: sheet)?|\bexpression sheet\b/, 'faces'],
]; // prettier-ignore

/** How it is to be drawn, each manner once. */
export function readManner(reading: Reading): string[] {
  const manner: string[] = [];
  for (const [pattern, name] of MANNERS)
    reading.take(pattern, 'manner', () => {
      if (!manner.includes(name)) manner.push(name);
    });
  return manner;
}

const words = (list: string): ReadonlySet<string> => new Set(list.split(' '));

/** Adjectives for a hand, a school or a period, wherever they stand. */
export const STYLE_WORDS = words('simple bold clean modern minimalistic minimalist minimal simplified classical classic traditional contemporary timeless iconic stylized stylised stylish sleek retro vintage rustic nautical heraldic deco nouveau art-deco bauhaus brutalist constructivist modernist futuristic techno futurist gothic victorian edwardian medieval celtic nordic scandinavian mid-century midcentury swiss cubist expressionist pop psychedelic folk naive tribal ornate ornamental decorative elegant luxurious luxury premium professional corporate high-end refined sophisticated unique original creative dynamic abstracted angular faceted low-poly polygonal isometric three-dimensional two-dimensional 3d 2d pixel pixelated origami calligraphic brushy inky grainy textured halftone cartoonish cartoon cartoony comic kawaii chibi doodle doodled sketched etched engraved letterpress linocut woodcut block-printed screen-printed risograph stamped embossed inline isolated centered centred balanced legible scalable memorable recognizable recognisable harmonious understated crisp graphic pictographic schematic flowing fluid curvy organic handmade hand-made handcrafted artisanal crafted architectural technical scientific industrial botanical vector flat'); // prettier-ignore

/** Nouns that say how it is drawn when they lead a phrase: "smooth curves", "plenty of empty space". */
export const STYLE_NOUNS = words('line lines outline outlines stroke strokes curve curves edge edges corner corners contour contours contrast shading shadow shadows texture textures grain detail details space spaces spacing style styles look looks feel feeling vibe vibes design designs designed form forms shape shapes angle angles geometry symmetry composition layout typography type lettering font fonts serif sans weight weights linework negative positive palette palettes tone tones hue hues tint tints colour colours color colors aesthetic period era century fill fills gradient gradients highlight highlights proportions proportion border borders frame margin margins construction manner style-wise minimalism simplicity elegance drawing illustration artwork art version versions variation variations idea ideas concept concepts direction finish work view perspective profile pose posture motif motifs motion'); // prettier-ignore

/** Nouns for what it is for. */
export const TRADE_NOUNS = words('grocery company brand studio shop store firm business service agency clinic bakery café cafe restaurant bar pub hotel hostel school academy university college club society association charity foundation startup start-up practice salon gym laboratory lab brewery distillery winery roastery bookshop bookstore gallery museum festival team league label magazine publisher podcast app website platform software market marketplace farm garage workshop cooperative co-op collective consultancy office pharmacy nursery kindergarten boutique butcher grocer florist barber barbershop vet veterinarian dentist client customer audience organisation organization group project campaign event conference parlour parlor diner bistro tavern deli delicatessen patisserie creamery roaster roasters brewer brewers cidery resort guild'); // prettier-ignore

/** When and in what weather: "at dawn", "in the rain". */
export const SETTINGS = words('night midnight dawn dusk daybreak noon midday sunset sunrise twilight evening morning winter summer autumn spring fall day daytime nighttime moonlight sunlight starlight daylight candlelight lamplight firelight torchlight christmas easter halloween background foreground distance'); // prettier-ignore
export const WEATHER = words('rain snow fog mist wind storm sunshine shade dark darkness'); // prettier-ignore

/** Faces that somebody makes. */
export const EXPRESSIONS = words('smiling grinning laughing happy sad angry surprised winking sleepy proud grumpy fierce cheerful friendly shy scared worried crying smirking frowning calm serious confident curious mischievous cheeky determined excited bored joyful furious shocked sly wise stern jolly gentle kind playful astonished annoyed puzzled confused thoughtful pensive relaxed content tired embarrassed amused beaming pouting scowling snarling growling roaring bellowing screaming yawning blushing weeping giggling dreamy brave menacing evil lonely nervous frightened amazed delighted grim gloomy smug'); // prettier-ignore
export const EXPRESSION_NOUNS: Readonly<Record<string, string>> = { smile: 'smiling', grin: 'grinning', frown: 'frowning', wink: 'winking', smirk: 'smirking', scowl: 'scowling', tear: 'crying', tears: 'crying', laugh: 'laughing', snarl: 'snarling', yawn: 'yawning', blush: 'blushing' }; // prettier-ignore

/** Poses that are no participles. */
export const POSE_WORDS = words('asleep awake upright seated airborne aloft afloat astride ajar mid-air mid-flight mid-leap mid-jump mid-stride mid-air aflame alight rampant sejant couchant uphill downhill upstream downstream sideways backwards forwards underwater upside skyward skywards homeward homewards'); // prettier-ignore

/** Portions: of these the thing itself is meant. */
export const PORTIONS = words('slice loaf loaves bolt piece pieces bunch bar sprig pile stack handful drop wedge chunk lump ball blade blades stalk stem ear sheaf clump tuft strand bundle scoop puff wisp beam ray rays segment cross-section half quarter part fragment patch swirl burst splash head portrait bust closeup close-up outline silhouette shape image picture drawing illustration icon symbol figure depiction representation version stylization kind type sort form face profile coil ring circle row line group set cluster constellation flock herd school swarm pack pride fleet pair couple trio quartet dozen field forest family brood litter gaggle colony troop crowd bevy covey gang crew team'); // prettier-ignore
/** How many a word for a group is, where it is said of what. */
export const GROUPS: Readonly<Record<string, number>> = { pair: 2, couple: 2, twins: 2, trio: 3, triplet: 3, quartet: 4, quintet: 5, dozen: 12, flock: 5, herd: 5, school: 5, swarm: 7, pack: 5, cluster: 5, bunch: 3, group: 3, set: 3, pile: 3, stack: 3, row: 3, handful: 5, constellation: 5, ring: 6, circle: 6, fleet: 5, pride: 3, family: 4, brood: 4, litter: 4, gaggle: 5, colony: 5, troop: 5, crowd: 6, bevy: 5, covey: 5, gang: 3, crew: 3, team: 3 }; // prettier-ignore

/** Parts of animals and things on, in or under which something is: where, and no figure of its own. */
export const PLACES = words('hump shoulder shoulders back lap knee arm arms hand hands head nose finger fingers beak mouth paw paws claw claws talon talons tail neck ear ears belly chest side sides top roof lid rim base bottom middle centre center surface edge edges tip tips end ends corner interior inside outside front palm palms handle horn horns antler antlers branch branches trunk shell face eye eyes hip waist foot feet teeth jaws jaw snout muzzle wing wings pouch pocket hat hood deck mast sail sails peak summit body stem spout lens lenses iris pupil screen window windows door heart core crown left right one other pages page keys strings petals spokes blade blades bristles crust crook bend curve hollow socket sockets shade shadow light half chamber scroll cuff scoop scoops'); // prettier-ignore

/** Limbs and parts of a body, one or several. */
export const BODY_PARTS = /^(?:wing|tail|ear|eye|beak|bill|paw|claw|talon|antler|horn|mane|tooth|teeth|tusk|fin|leg|hoof|hooves|whisker|feather|trunk|tongue|fang|hair|beard|moustache|mustache|arm|hand|finger|face|head|nose|snout|neck|foot|feet|belly|back|cheek|brow|eyebrow|spine|spike|stripe|spot|scale|fur|coat|crest|comb|tentacle|pincer|flipper|knee|shoulder|lip|mouth|jaw|chest)s?$/; // prettier-ignore
/** Abstract nouns that are never a thing, even with an article. */
export const NO_THINGS = /(?:ness|ity|tion|sion|ment|ship|ism|hood|ence|ance)s?$|^(?:sense|feeling|touch|hint|mood|idea|spirit|soul|essence|air|note|sort|kind|type|lot|bit|way|manner|look|feel|theme|concept|message|energy|power|growth|trust|speed|care|joy|love|peace|calm|harmony|balance|motion|flight|action|nature|life|freedom|future|past|time|space|place|view|back|front|side|twist|emphasis|focus|play|fun|wit|humour|humor|pride|strength|courage|warmth|comfort|luck|hope|health|wealth|age|youth)$/; // prettier-ignore
/** Words that one does not name a thing with, although lists have them as such. */
export const NEVER_HEADS = words('round flat open plain light dark top left right big small little large full high low deep wide long short old new young good best hard soft hot cold warm cool clean clear close bright bold fine free fast slow rich raw wild tame blue red green inside outside up down like past over'); // prettier-ignore

/** Words that carry nothing of their own. */
export const FILLERS = words("an a the of for to it is as at by that this these those there here who which whose what be are was were been being do does did can could may might must shall should will would has have had i i'd we you he she they me us him her them my our your his their its itself himself herself themselves and or but nor so then than too very quite rather really just only also even still about please make makes draw create give need want like would let lets let's some any each every both either all such own other another same while where when how if not no yes with without it's that's i'm i've we're maybe perhaps something anything someone thing things stuff etc eg ie per via etc. using use used showing shows show featuring include includes including called named reading says saying"); // prettier-ignore
