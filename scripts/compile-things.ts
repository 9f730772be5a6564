/**
 * Compiles what the stand-in image engine can draw: reads permissively licensed drawing packs and the WordNet word list, and writes
 * core/engine/data/things.json (parts of drawings on a grid of 2000, each with a tone) and core/engine/data/words.json (which word
 * leads to which thing). Run it with `npx tsx scripts/compile-things.ts` after a change of packs; NOTICE.md names their licences.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { Resvg } from '@resvg/resvg-js';
import { hexToOklab, oklabDistance } from '../core/colour';
import { flatten, mapContour, parsePath, signedArea, type Affine, type Contour } from '../core/path';
import { cover, coveredCells } from '../core/raster';
import { intersectionOverUnion } from '../bench/measure';
import { BY_HAND } from '../core/engine/by-hand';
import { HOME } from '../core/engine/figures-home';
import { TOOLS } from '../core/engine/figures-tools';
import { ANIMALS_FIRST, readNouns, type Nouns } from './wordnet';

const require = createRequire(import.meta.url);
const GRID = 2000;

interface Pack {
  readonly width?: number;
  readonly height?: number;
  readonly icons: Readonly<Record<string, { body: string; width?: number; height?: number }>>;
}
const packOf = (name: string): Pack =>
  JSON.parse(readFileSync(require.resolve(`@iconify-json/${name}/icons.json`), 'utf8')) as Pack;

/** Names of a pack that are signs of companies. */
const brandsOf = (name: string): Set<string> => {
  const { categories = {} } = JSON.parse(
    readFileSync(require.resolve(`@iconify-json/${name}/metadata.json`), 'utf8'),
  ) as {
    categories?: Record<string, string[]>;
  };
  return new Set(Object.entries(categories).flatMap(([c, names]) => (/brand|logo/i.test(c) ? names : [])));
};

/** Names of companies and of what they sell, as the packs have them: whole names, and words of them. */
const BRANDS: ReadonlySet<string> = new Set([
  ...Object.keys(packOf('tabler').icons).flatMap((key) =>
    key.startsWith('brand-') ? [key.slice(6).replace(/-filled$/, '')] : [],
  ),
  ...['mdi', 'icon-park-solid'].flatMap((pack) => [...brandsOf(pack)]),
]);
const BRAND_WORDS: ReadonlySet<string> = new Set([...BRANDS].map((name) => name.split('-')[0]));
/** Names that a company took from a thing, and that are drawn as the thing. */
const PLAIN = new Set(['blender', 'peanut', 'pocket']);
/** Whether a drawing is of a company, or of something with its name: a name that is one whole, or has a word of one that means nothing else. */
const isOfBrand = (name: string, nouns: Nouns): boolean =>
  (BRANDS.has(name) && !PLAIN.has(name)) ||
  name.split('-').some((w) => BRAND_WORDS.has(w) && !nouns.senses(w).some((s) => !nouns.proper(s)));

interface RawPart {
  readonly hex: string;
  readonly contours: Contour[];
}

const attribute = (tag: string, name: string): string | null =>
  new RegExp(`\\b${name}="([^"]*)"`).exec(tag)?.[1] ?? null;

/** A drawing as filled paths in document order, through a renderer's own simplification; null when it has more than that. */
function readDrawing(body: string, w: number, h: number): RawPart[] | null {
  const coloured = body.replaceAll('currentColor', '#202020');
  const plain = new Resvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}">${coloured}</svg>`,
  ).toString();
  if (/<(?:mask|clipPath|image|text|filter)\b/.test(plain)) return null;
  const stops = new Map<string, string>();
  for (const m of plain.matchAll(
    /<(?:linear|radial)Gradient[^>]*\bid="([^"]+)"[\s\S]*?<\/(?:linear|radial)Gradient>/g,
  )) {
    const hexes = [...m[0].matchAll(/stop-color="(#[0-9a-f]{6})"/gi)].map((s) => s[1]);
    if (hexes.length) stops.set(m[1], hexes[Math.floor(hexes.length / 2)]);
  }
  const out: RawPart[] = [];
  for (const m of plain.matchAll(/<path\b[^>]*>/g)) {
    const tag = m[0];
    if (attribute(tag, 'stroke') && attribute(tag, 'stroke') !== 'none') return null;
    const opacity = Number(attribute(tag, 'fill-opacity') ?? attribute(tag, 'opacity') ?? 1);
    if (opacity < 0.5) continue;
    const fill = attribute(tag, 'fill') ?? '#000000';
    const hex = fill.startsWith('url') ? stops.get(/#([^)]+)/.exec(fill)?.[1] ?? '') : fill;
    if (!hex || !/^#[0-9a-f]{6}$/i.test(hex)) continue;
    const t = attribute(tag, 'transform');
    const map = /matrix\(([^)]+)\)/
      .exec(t ?? '')?.[1]
      .split(/[\s,]+/)
      .map(Number);
    if (t && map?.length !== 6) return null;
    let contours = parsePath(attribute(tag, 'd')!);
    if (map) contours = contours.map((c) => mapContour(map as unknown as Affine, c));
    out.push({ hex, contours });
  }
  return out;
}

const areaOf = (c: Contour): number => signedArea(flatten(c, 0.05));

/** Mean lightness and share of the field for every tone, largest first, with the parts that have it. */
interface Compiled {
  readonly tones: number[];
  readonly parts: { tone: number; data: string }[];
}

const whole = (v: number): number => Math.round(v);

/** Path data in whole steps of the grid, relative, without what a step rounds away. */
function encode(contours: readonly Contour[]): string {
  let out = '';
  for (const c of contours) {
    let [x, y] = [whole(c.start[0]), whole(c.start[1])];
    out += `M${x} ${y}`;
    for (const s of c.segments) {
      const to = [whole(s.to[0]), whole(s.to[1])];
      if (s.kind === 'curve') {
        const d = [s.c1[0] - x, s.c1[1] - y, s.c2[0] - x, s.c2[1] - y, to[0] - x, to[1] - y].map(whole);
        if (d.every((v) => v === 0)) continue;
        out += `c${d.join(' ')}`;
      } else {
        if (to[0] === x && to[1] === y) continue;
        out += `l${to[0] - x} ${to[1] - y}`;
      }
      [x, y] = to;
    }
    out += 'z';
  }
  return out.replace(/ -/g, '-');
}

/** Merges near-equal fills into tones, drops what is too small, and fits the drawing into the grid. */
function compile(raw: readonly RawPart[], oneColour: boolean): Compiled | null {
  const all = raw.flatMap((p) => p.contours);
  if (!all.length) return null;
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const c of all) {
    const p = flatten(c, 0.05);
    for (let i = 0; i < p.length; i += 2) {
      x0 = Math.min(x0, p[i]);
      x1 = Math.max(x1, p[i]);
      y0 = Math.min(y0, p[i + 1]);
      y1 = Math.max(y1, p[i + 1]);
    }
  }
  const side = Math.max(x1 - x0, y1 - y0);
  if (!(side > 0)) return null;
  const scale = GRID / side;
  const map: Affine = [scale, 0, 0, scale, (GRID - (x0 + x1) * scale) / 2, (GRID - (y0 + y1) * scale) / 2];
  let parts = raw.map((p) => ({ hex: p.hex, contours: p.contours.map((c) => mapContour(map, c)) }));
  if (oneColour) {
    // One area with holes becomes the area without holes and, on it, what shows through.
    const inner: Contour[] = [];
    const outer: Contour[] = [];
    for (const part of parts) {
      const sign = Math.sign(
        part.contours.reduce((s, c) => s + (Math.abs(areaOf(c)) > Math.abs(s) ? areaOf(c) - s : 0), 0),
      );
      for (const c of part.contours) (Math.sign(areaOf(c)) === sign ? outer : inner).push(c);
    }
    parts = [{ hex: '#404040', contours: outer }, ...inner.map((c) => ({ hex: '#ffffff', contours: [c] }))];
  }
  const least = GRID * GRID * 0.0011;
  parts = parts
    .map((p) => ({ ...p, contours: p.contours.filter((c) => Math.abs(areaOf(c)) > least * 0.6) }))
    .filter((p) => p.contours.reduce((s, c) => s + Math.abs(areaOf(c)), 0) > least);
  if (!parts.length || parts.length > 60) return null;
  // Near-equal colours are one tone.
  const tones: { hex: string; L: number }[] = [];
  const toneOf = parts.map((p) => {
    const lab = hexToOklab(p.hex);
    let at = tones.findIndex((t) => oklabDistance(hexToOklab(t.hex), lab) < 0.085);
    if (at < 0) at = tones.push({ hex: p.hex, L: lab.L }) - 1;
    return at;
  });
  // What is seen of each tone.
  const side48 = 96;
  const label = new Int8Array(side48 * side48).fill(-1);
  const k = side48 / GRID;
  parts.forEach((p, i) => {
    const c = cover(
      p.contours.map((q) => flatten(mapContour([k, 0, 0, k, 0, 0], q), 0.05)),
      side48,
      side48,
    );
    if (!c) return;
    for (let y = 0; y < c.heightPx; y++)
      for (let x = 0; x < c.widthPx; x++)
        if (c.share[y * c.widthPx + x] > 0.5) label[(y + c.y0) * side48 + x + c.x0] = toneOf[i];
  });
  const seen = tones.map((_, t) => label.reduce((s, v) => s + (v === t ? 1 : 0), 0));
  const filled = label.reduce((s, v) => s + (v >= 0 ? 1 : 0), 0);
  if (filled < side48 * side48 * 0.06) return null;
  const order = tones.map((_, t) => t).sort((p, q) => seen[q] - seen[p]);
  const data = parts.map((p, i) => ({ tone: order.indexOf(toneOf[i]), data: encode(p.contours) }));
  const joined: { tone: number; data: string }[] = [];
  for (const d of data) {
    const last = joined[joined.length - 1];
    if (last && last.tone === d.tone && oneColour) last.data += d.data;
    else joined.push(d);
  }
  return { tones: order.map((t) => Math.round(tones[t].L * 100)), parts: joined };
}

const NEVER = new Set(
  (
    'dealer alert account alphabetic numeric multiple remove edit settings wifi database email cellphone message progress format refresh sync key-change percent download upload eject vibrate transfer ' +
    'arrow arrows align slash logo check plus minus up down left right simple x cross mark button sign-off brand input keycap oclock thirty symbol ' +
    'suit medical yen dollar euro pound banknote currency reading heart-suit penis anus condom vaginal cancer cannabis sex blood hiv genital uterus breasts breast feces poo urine latrine letrina ' +
    'chat file files folder folders list lists selection subtract git brackets frame dots vertical horizontal device devices gender kiss family couple surveilance surveillance prohibit question tab tabs window browser code scan signal forward rewind skip pause note cursor split intersect equals radical approximate line lines segment segments grid columns rows images image mobile insurance prescription policy gaps stent sonogram implant placeholder bounding positive neutral female male user status parking racetrack crosswalk cycle toll guard speed rumble cable power storage device card index cardholder inbox outbox tray record sim swatches stack pinching pushing leftwards rightwards raising clapping folded splayed malaria microbe outpatient inpatient hormonal contraceptive defibrillator endotracheal laryngoscope odontology chlamydia bacteria cochlear lymph ppe syringe sayana respirator oximeter slaughterhouse prison prisoner death coffin headstone skull insecticide hospice transfer surgery sling infusion intravenous oxygen pain cpap stitches benchmark hash highlighter face crying pouting kissing biohazard radiation nuclear bunker bomb missile spike tank military accessible activity attraction calm cast copy crop export empty memory natural network link flip exclude notches path pin placeholder portrait projector pulse referral regular finn psychic shelter social terminal timer triangle circle square hole clutch digit diamond diamonds die dice ' +
    'defecation swastika star-of-david gun pistol crossing manhole meter shutoff mosque church synagogue kaaba temple shrine prayer cigarette pregnant bikini briefs coffin urn ' +
    'amazon android ipod pac invaders vespa mac windows jeep popsicle fawkes ' +
    'japanese japan fuji tokyo american americas british moai liberty hindu khanda menorah kimono naira peso rupee ghana claus text chart bars number letters placard rdt reproductive toilet toilets diaper nappy iud tampon'
  ).split(' '),
);
/** Heads seen from the front, which mascots are made with. */
const FACES = /^(?:cat|dog|cow|horse|monkey|mouse|pig|rabbit|tiger|dragon) face$/;
/** Plain shapes that are things of their own, though their words stand in many names that are not. */
const SHAPES = new Set([
  'circle',
  'square',
  'triangle',
  'diamond',
  'dice',
  'link',
  'pin',
  'network',
  'map pin',
  'paper plane',
  'face mask',
  'skull',
  'cursor',
  'gift',
  'wave',
  'coin',
  'handshake',
  'musical note',
  'wood',
  'droplet',
  'thumbs up',
  'yoyo',
  'sparkles',
  'bullseye',
  'ticket',
  'camping',
  'dna',
  'dinosaur',
  'infinity',
  'corn',
  'pumpkin',
  'calendar',
  'wheat',
  'stew',
  'paella',
  'page',
  'table tennis',
  'bow and arrow',
  'teacher',
  'label',
  'receipt',
  'notebook',
  'church',
  'temple',
  'mosque',
  'badminton',
  'bowling',
  'tennis',
  'footprints',
  'puzzle piece',
  'safety pin',
  'hourglass',
  'magnifying glass',
  'plate',
]);
const BODY_ALLOWED = new Set(
  'heart eye ear hand foot brain tooth nose mouth bone skull lung lungs paw feather leg beard'.split(' '),
);
/** Lexicographer files of things that can be drawn: animal, artifact, body, food, object, person, phenomenon, plant, shape. */
const CONCRETE = new Set([5, 6, 8, 13, 17, 18, 19, 20, 25]);

interface Thing {
  readonly name: string;
  readonly synset: number;
  readonly exact: boolean;
  readonly drawings: Compiled[];
}

/** Keys whose plain name a rule does not find. */
const RENAMED: Readonly<Record<string, string>> = {
  'wrapped-gift': 'gift',
  'water-wave': 'wave',
  'ear-of-corn': 'corn',
  'ring-buoy': 'lifebuoy',
  't-rex': 'dinosaur',
  'jack-o-lantern': 'pumpkin',
  'roll-of-paper': 'roll',
  'leaf-fluttering-in-wind': 'leaves',
  'tear-off-calendar': 'calendar',
  'bottle-with-popping-cork': 'champagne bottle',
  'pot-of-food': 'stew',
  'shallow-pan-of-food': 'paella',
  'page-facing-up': 'page',
  'sheaf-of-rice': 'wheat',
  'ping-pong': 'table tennis',
  'drop-of-blood': 'drop',
  'magnifying-glass-tilted-left': 'magnifying glass',
  'hourglass-done': 'hourglass',
  'yo-yo': 'yoyo',
  'fork-and-knife-with-plate': 'plate',
};

const tidy = (raw: string): string =>
  RENAMED[raw] ??
  raw
    .replace(/-(fill|alt\d*|one|two|three|four|five|facing-right|facing-left|profile|duotone)$/g, '')
    .replace(/\d+$/, '')
    .replace(
      /^(animal|board|anatomical|red|vending|full|i|closed|open|locked-with|front-facing|person-in|tree|brown|grinning|man|beaming)-(?=[a-z])/,
      (m, p: string) => (['animal', 'board', 'anatomical', 'front-facing', 'brown', 'closed'].includes(p) ? '' : m),
    )
    .replace(/-(?:tilted-left|tilted-right|done|not-done|medium)$/, '')
    .replace(/-/g, ' ')
    .trim();

/** What has a name of one word and still looks too much like itself to stand for a broader word, or for one beside it. */
const STANDS_FOR_NOTHING = new Set('footer solid transit junction earth log chili wrap tablet creation turtle room trench joystick buffer ornament tag pump pyramid checkerboard location unicorn troll goblin angel fairy connection chalkboard floor furniture food capsule cherries fruits vegetables kite bullet wallet monument tools thread'.split(' ')); // prettier-ignore
/** A name of two words says which one of its kind it is: only these stand for the kind all the same. */
const STANDS_FOR_KIND = new Set('palm tree,kiwi fruit,police officer,truck driver,railway car,billed cap,ballet dancer,circular saw,hand saw,mouse trap,diving helmet,tropical drink,glass cocktail,post office,patio heater,mountain railway,grave stone,ginger root,christmas tree,paint brush,water bottle,fishing pole,swimming pool,wind turbine,sewing needle,picnic table'.split(',')); // prettier-ignore
const mayStandIn = (name: string): boolean => (name.includes(' ') ? STANDS_FOR_KIND.has(name) : !STANDS_FOR_NOTHING.has(name)); // prettier-ignore
/** How many steps up and down what is offered in place of a word may lie, and how many things are. */
const [BESIDE, OFFERED] = [3, 3];
/** What too much is a kind of for two of its kinds to be near. */
const VAGUE = new Set('entity object whole artifact organism person instrumentality matter substance device unit thing part location region structure covering abstraction group creation'.split(' ')); // prettier-ignore
/** How many steps up a broader term may be to stand for a word, by its file: what is further is not near. Plants are all of one habit or another. */
const REACH: Readonly<Record<number, number>> = { 5: 5, 6: 3, 8: 1, 13: 4, 17: 2, 18: 2, 19: 1, 20: 9, 25: 1 };
/** What stands for a plant of which nothing nearer can be drawn. */
const ANY_PLANT = 'potted plant';
/** Files of living things, which a word means before it means what is cooked or sawn of them. */
const LIVING = new Set([5, 20]);

/** The sense of a word that can be drawn, among the commonest; null when there is none. */
function chosenSense(lemma: string, nouns: Nouns, within: number, alive = false): number | null {
  const senses = nouns.senses(lemma).slice(0, within + 1);
  const fits = (s: number): boolean => CONCRETE.has(nouns.file(s)) && !nouns.proper(s);
  const first = senses.findIndex(fits);
  if (first < 0) return null;
  if (alive || nouns.file(senses[first]) === 13) {
    const living = nouns
      .senses(lemma)
      .slice(0, alive ? 7 : 3)
      .find((s) => LIVING.has(nouns.file(s)) && !nouns.proper(s));
    if (living !== undefined && (alive || nouns.file(senses[first]) === 13)) return living;
  }
  return senses[first];
}

/** The synset that a name stands for, and whether the whole name is a word of WordNet; null when it is nothing one can draw. */
function senseOf(name: string, nouns: Nouns, alive = false): { synset: number; exact: boolean } | null {
  const words = name.split(' ');
  if (SHAPES.has(name) || FACES.test(name)) return { synset: -1, exact: true };
  if (
    words.length > 3 ||
    /^(?:apple keyboard|nest thermostat|zip disk)/.test(name) ||
    words.some((w) => NEVER.has(w) || !/^[a-z]+$/.test(w) || w.length < 3)
  )
    return null;
  for (let from = 0; from < words.length; from++) {
    const lemma = words.slice(from).join('_');
    for (const form of [lemma, lemma.replace(/ies$/, 'y'), lemma.replace(/es$/, ''), lemma.replace(/s$/, '')]) {
      const synset = chosenSense(form, nouns, 5, alive);
      if (synset === null) continue;
      if (nouns.file(synset) === 8 && !BODY_ALLOWED.has(form)) continue;
      return { synset, exact: from === 0 };
    }
  }
  return null;
}

/** A drawing of a pack, compiled; null for one that cannot be. */
function compiledFrom(pack: Pack, key: string, oneColour: boolean): Compiled | null {
  const { body, width = pack.width ?? 16, height = pack.height ?? 16 } = pack.icons[key];
  try {
    const raw = readDrawing(body, width, height);
    return raw && compile(raw, oneColour);
  } catch {
    return null;
  }
}

/** Side of the grid on which outlines are compared. */
const LIKENESS_SIDE = 40;
/** Drawings of a thing at most. */
const MOST_DRAWINGS = 5;
/** Share of what two outlines cover together that both cover, above which they are one. */
const ALIKE = 0.68;

/** What a drawing covers, fitted into a square: its outline, as cells, and mirrored. */
function outlineCells(drawing: Compiled): readonly [Uint8Array, Uint8Array] {
  const k = LIKENESS_SIDE / GRID;
  const cells = (map: Affine): Uint8Array =>
    coveredCells(
      drawing.parts.map((p) => parsePath(p.data).map((q) => flatten(mapContour(map, q), 0.05))),
      LIKENESS_SIDE,
    );
  return [cells([k, 0, 0, k, 0, 0]), cells([-k, 0, 0, k, LIKENESS_SIDE, 0])];
}

/** Files of what marks are mostly of: animals, artifacts, food, objects, phenomena, plants. */
const COMMON = new Set([5, 6, 13, 17, 19, 20]);
/** Drawings that mean something else by that name. */
const MISNAMED: Readonly<Record<string, string>> = {
  'icon-park-solid':
    'anchor apple application bear-market blade bolt branch bridge bug cap column cone container copper crown-three cube dart diamond direction disk dot drone drum earth fan field filter fire-extinguisher fork grid hammer-and-anvil handle hook iron key knife lantern layers light line link local lock magnet map mark mask mirror mouse nail net nut pad palm pan paper park pen pin pipe plug point pot power press ring road rocket rope round ruler scale screen seat shield signal sleeves slide spanner stamp star stone street switch table tag target tie track trunk tub tube tunnel valve vase wave web wheel window wing wood world table mouse hospital badminton tennis share label shower school library infinity',
  'noto-v1': 'crab snail joystick package avocado tent',
  ph: 'mouse fish table satellite',
  maki: 'cricket',
  tabler: 'mouse table shower library',
  mdi: 'cricket badminton tennis mouse table share filter label hospital slide library abacus alpha bolt bridge bug cannon chip cube dolphin drawing fan feather fuse gate harddisk iron kettle lamp lan leak lumx mirror nail nut palm pan panda pipe pot ruler sail seal signal sitemap source stairs step table tank texture toolbox tower tray van vanish view wall web window',
};

/** Drawings that one would not know by their name, or that show only signs of it; by pack and key. */
const POOR = new Set(
  (
    'ph:robot-fill tabler:pizza-filled fluent-emoji-flat:honey-pot noto:honey-pot fluent-emoji-flat:handshake mdi:handshake noto:handshake noto-v1:handshake fluent-emoji-flat:sun temaki:bridge ph:mountains-fill tabler:toothbrush mdi:toothbrush ph:lighthouse-fill maki:lighthouse ph:cat-fill ph:dog-fill mdi:owl fluent-emoji-flat:eagle mdi:bee ph:mouse-fill mdi:pig tabler:windmill-filled fluent-emoji-flat:anatomical-heart mdi:pan mdi:violin ' +
    'temaki:clock ph:clock-fill temaki:compass fluent-emoji-flat:door ph:door-fill mdi:bowl mdi:cup temaki:dice noto:gorilla ph:seal-fill noto:worm mdi:vine fluent-emoji-flat:olive noto:olive noto:shower noto-v1:sushi mdi:needle mdi:donkey mdi:bench mdi:panda ph:shrimp-fill ph:boat-fill tabler:clock-filled mdi:turtle ph:fish-fill mdi:mouse ' +
    'temaki:beach temaki:cushion temaki:chimney temaki:tower temaki:saddle temaki:cloth temaki:elevator temaki:hedge mdi:pump mdi:satellite mdi:sprinkler mdi:sprinkler-variant mdi:brush ph:table-fill tabler:table-filled mdi:table icon-park-solid:table mdi:elevator maki:elevator mdi:doorbell maki:cricket fluent-emoji-flat:nest-with-eggs noto:nest-with-eggs ' +
    'fluent-emoji-flat:closed-umbrella fluent-emoji-flat:spiral-calendar noto:tear-off-calendar noto-v1:calendar fluent-emoji-flat:tear-off-calendar fluent-emoji-flat:calendar noto:calendar noto:spiral-calendar ph:jar-fill mdi:waterfall maki:waterfall maki:fence tabler:fence-filled mdi:wave tabler:melon-filled ph:handbag-fill tabler:satellite-filled healthicons:drone icon-park-solid:tower icon-park-solid:gate temaki:wheel mdi:magazine-rifle mdi:seal temaki:canoe mdi:beam ph:feather-fill mdi:feather ph:compass-fill ph:tooth-fill tabler:feather-filled fluent-emoji-flat:mountain noto:bicycle ph:bicycle-fill mdi:bike tabler:bike-filled healthicons:bike fluent-emoji-flat:skis noto:skis noto-v1:skis'
  ).split(' '),
);

/** Things of which ours alone are drawn: those of the packs are signs, or something else by that name. */
/** Drawings that stand for nothing but what they are called: by the senses of their words they would stand for cloths, storms and boxes. */
const BY_NAME_ALONE = new Set([...Object.keys(HOME), ...Object.keys(TOOLS), 'bunting', 'dream catcher', 'feather duster', 'oven glove', 'phone box', 'tassel', 'stirrup', 'cocoon', 'pendulum', 'pipette', 'kiln', 'breastplate', 'couple', 'family', 'team', 'heart swans', 'spread eagle', 'washing line', 'bus stop', 'prison', 'lens', 'milk carton', 'bird bath', 'pompom']); // prettier-ignore
const OURS_ALONE = new Set(['battery', 'baguette', 'snowman', 'heart hands', 'cactus', 'sewing pin', 'street lamp', 'ghost', 'bathtub', 'crocodile', 'open book', 'pinecone', 'wheat', 'cheese', 'butter churn', 'milk bottle', 'stag beetle', 'sunrise', 'sunset', 'table', 'tower', 'bottle', 'beam', 'match', 'field', 'arch', 'column', 'galaxy', 'lake', 'nest with eggs', 'mortar and pestle', 'pipe', 'pearl', 'iceberg', 'ripples', 'plate', 'staff', 'wing', 'sign', 'matchbox', 'sword', 'needle', 'fishbowl', 'chimney', 'waterfall', 'saddle', 'pancakes', 'post', 'lotus', 'skateboard', 'cart', 'barrel', 'ski', 'snowboard', 'pyramid', 'barbell', 'hockey stick', 'mailbag', 'carabiner', 'circuit', 'toaster', 'toast', 'axe', 'boxing glove', 'rock', 'log', 'needle', 'piggy bank', 'coffee bean', 'smoke', 'pillow', 'aurora', 'pitchfork', 'sushi', 'carrot', 'canoe']); // prettier-ignore

/** More drawings of what can be drawn already, each with an outline of its own: a figure has several ideas. */
function addOthers(things: Map<string, Thing>, nouns: Nouns): void {
  const sources: [string, (key: string) => string | null, boolean][] = [
    ['noto', (n) => n, false],
    ['noto-v1', (n) => n, false],
    ['ph', (n) => (n.endsWith('-fill') ? n.slice(0, -5) : null), true],
    ['mdi', (n) => (isOfBrand(n, nouns) ? null : n.replace(/-variant$/, '')), true],
    ['icon-park-solid', (n) => n.replace(/-(?:one|two|three|four)$/, ''), true],
    ['tabler', (n) => (n.endsWith('-filled') ? n.slice(0, -7) : null), true],
    ['maki', (n) => n, true],
    ['temaki', (n) => n.replaceAll('_', '-'), true],
  ];
  const cells = new Map<string, (readonly [Uint8Array, Uint8Array])[]>();
  let added = 0;
  for (const [packName, nameOf, oneColour] of sources) {
    const pack = packOf(packName);
    const misnamed = new Set((MISNAMED[packName] ?? '').split(' '));
    for (const key of Object.keys(pack.icons)) {
      const named = nameOf(key);
      if (named === null || misnamed.has(named) || POOR.has(`${packName}:${key}`)) continue;
      const name = RENAMED[named] ?? named.replaceAll('-', ' ');
      const known = things.get(name);
      if (!known || known.drawings.length >= MOST_DRAWINGS || name.split(' ').length > 2) continue;
      if (known.synset >= 0 && !COMMON.has(nouns.file(known.synset))) continue;
      const compiled = compiledFrom(pack, key, oneColour);
      if (!compiled) continue;
      const have = cells.get(name) ?? known.drawings.map(outlineCells);
      cells.set(name, have);
      const own = outlineCells(compiled);
      if (have.some(([c]) => own.some((o) => intersectionOverUnion(c, o) > ALIKE))) continue;
      have.push(own);
      known.drawings.push(compiled);
      added++;
    }
  }
  console.log('others', added);
}

/** Words that nothing is drawn for, by what is offered in place of them: things of their kind, at most some steps up and down from them. */
function nearWords(list: readonly Thing[], nouns: Nouns, known: ReadonlySet<string>): Map<string, string[]> {
  const above = (level: readonly number[]): number[] => [...new Set(level.flatMap((s) => nouns.up(s)))];
  const below = new Map<number, { name: string; down: number }[]>();
  for (const { synset, exact, name } of list) {
    if (synset < 0 || !exact || name.includes(' ') || !mayStandIn(name)) continue;
    let level = [synset];
    for (let down = 1; down < BESIDE; down++) {
      level = above(level);
      for (const s of level) below.set(s, [...(below.get(s) ?? []), { name, down }]);
    }
  }
  const nearTo = (synset: number): string => {
    const out = new Set<string>();
    let level = [synset];
    for (let up = 1; up < BESIDE; up++) {
      level = above(level).filter((s) => !VAGUE.has(nouns.words(s)[0]));
      const found = level.flatMap((s) => below.get(s) ?? []).filter(({ down }) => up + down <= BESIDE);
      // The nearest first, and of those what has the plainest name.
      found.sort((p, q) => p.down - q.down || p.name.length - q.name.length || (p.name < q.name ? -1 : 1));
      for (const { name } of found) if (out.size < OFFERED) out.add(name);
    }
    return [...out].join('|');
  };
  const near = new Map<string, string[]>();
  for (const lemma of nouns.lemmas()) {
    if (!/^[a-z]{3,14}$/.test(lemma) || known.has(lemma) || NEVER.has(lemma)) continue;
    const sense = chosenSense(lemma, nouns, 1);
    const offered = sense === null ? '' : nearTo(sense);
    if (offered) near.set(offered, [...(near.get(offered) ?? []), lemma]);
  }
  return near;
}

function main(): void {
  const nouns = readNouns();
  const things = new Map<string, Thing>();
  const sources: [string, (n: string) => boolean, boolean][] = [
    [
      'fluent-emoji-flat',
      (n) =>
        !/-(?:light|medium|dark)$|-(?:light|medium|dark)-|flag|^(?:man|woman|person|men|women|people)-|oclock|thirty|skin/.test(
          n,
        ),
      false,
    ],
    // What boards a bus is not the bus.
    ['temaki', (n) => !n.startsWith('board-'), true],
    ['ph', (n) => n.endsWith('-fill'), true],
    ['maki', (n) => !/-\d+$|-[a-z]{2}$/.test(n), true],
    ['healthicons', (n) => !/24px|outline|negative/.test(n), true],
    ['mdi', (n) => !/-(?:outline|off|variant|box|circle)\b/.test(n) && !isOfBrand(n, nouns), true],
    ['noto', (n) => !/-skin-tone|flag|^(?:man|woman|person|men|women|people)-|oclock|thirty/.test(n), false],
  ];
  for (const [packName, fits, oneColour] of sources) {
    const pack = packOf(packName);
    let used = 0;
    for (const key of Object.keys(pack.icons)) {
      if (!fits(key)) continue;
      const name = tidy(key);
      const sense = senseOf(name, nouns, ANIMALS_FIRST.has(name));
      if (!sense) continue;
      const known = things.get(name);
      if (POOR.has(`${packName}:${key}`)) continue;
      if (known && (known.drawings.length >= 2 || packName === 'noto' || packName === 'healthicons')) continue;
      const compiled = compiledFrom(pack, key, oneColour);
      if (!compiled) continue;
      if (known) known.drawings.push(compiled);
      else things.set(name, { name, ...sense, drawings: [compiled] });
      used++;
    }
    console.log(packName, used, things.size);
  }

  addOthers(things, nouns);

  // What is drawn by hand is a thing as well.
  for (const name of Object.keys(BY_HAND)) {
    const sense = things.get(name) ?? senseOf(name, nouns, ANIMALS_FIRST.has(name));
    things.set(name, {
      name,
      synset: BY_NAME_ALONE.has(name) ? -1 : (sense?.synset ?? -1),
      exact: true,
      drawings: OURS_ALONE.has(name) ? [] : (things.get(name)?.drawings ?? []),
    });
  }
  const list = [...things.values()].sort((p, q) => (p.name < q.name ? -1 : 1));
  const bySynset = new Map<number, number>();
  list.forEach((t, i) => {
    if (t.exact && t.synset >= 0 && (!bySynset.has(t.synset) || Object.hasOwn(BY_HAND, t.name)))
      bySynset.set(t.synset, i);
  });
  list.forEach((t, i) => {
    const rival = bySynset.get(t.synset);
    if (
      !t.exact &&
      t.synset >= 0 &&
      (rival === undefined || (!list[rival].exact && list[rival].name.length > t.name.length))
    )
      bySynset.set(t.synset, i);
  });
  const nearBelow = new Map<number, number>();
  for (const [synset, i] of bySynset)
    for (const up of nouns.up(synset)) {
      if (!nearBelow.has(up) || list[nearBelow.get(up)!].name.length > list[i].name.length) nearBelow.set(up, i);
    }
  const TOO_BROAD = new Set([
    'entity',
    'object',
    'whole',
    'artifact',
    'living thing',
    'organism',
    'person',
    'instrumentality',
    'matter',
    'substance',
    'causal agent',
    'physical entity',
    'structure',
    'device',
    'unit',
    'thing',
    'part',
    'body part',
    'location',
    'region',
    'commodity',
    'covering',
    'abstraction',
    'group',
    'way',
    'surface',
    'equipment',
    'implement',
  ]);
  const broad = (synset: number): boolean => nouns.words(synset).some((w) => TOO_BROAD.has(w));
  const reach = (synset: number): number | null => {
    let level = [synset];
    const file = nouns.file(synset);
    for (let depth = 0; depth <= (REACH[file] ?? 1) && level.length; depth++) {
      for (const s of level) if (bySynset.has(s) && !broad(s)) return bySynset.get(s)!;
      // Another animal or plant of its kind is near; another thing or trade of its kind is not.
      if (depth === 1 && LIVING.has(file))
        for (const s of level) if (nearBelow.has(s) && !broad(s)) return nearBelow.get(s)!;
      level = [...new Set(level.filter((s) => !broad(s)).flatMap((s) => nouns.up(s)))];
    }
    return null;
  };
  const direct: Record<number, string[]> = {};
  const broader: Record<number, string[]> = {};
  const taken = new Set(list.map((t) => t.name));
  const later: [string, number, boolean][] = [];
  for (const lemma of nouns.lemmas()) {
    const words = lemma.split('_');
    if (words.length > 2 || !/^[a-z]+(?:_[a-z]+)?$/.test(lemma) || lemma.length < 3 || taken.has(words.join(' ')))
      continue;
    const sense = chosenSense(lemma, nouns, 1);
    if (sense === null || words.some((w) => NEVER.has(w))) continue;
    const isPlant = nouns.file(sense) === 20 && words.length === 1;
    const thing = reach(sense) ?? (isPlant ? list.findIndex((t) => t.name === ANY_PLANT) : null);
    if (thing === null || thing < 0) continue;
    const same = bySynset.get(sense) === thing && list[thing].exact;
    // What means just the same, drawn in one of its kinds, is as near as can be.
    if (!same && bySynset.get(sense) !== thing && !mayStandIn(list[thing].name)) continue;
    if (words.length === 1) (same ? direct : broader)[thing] = [...((same ? direct : broader)[thing] ?? []), lemma];
    else later.push([lemma, thing, same]);
  }
  const single = new Map<string, number>();
  for (const group of [direct, broader])
    for (const [i, lemmas] of Object.entries(group)) for (const l of lemmas) single.set(l, Number(i));
  list.forEach((t, i) => single.set(t.name, i));
  for (const [lemma, thing, same] of later) {
    const head = lemma.split('_')[1];
    if (single.get(head) === thing) continue;
    const group = same ? direct : broader;
    group[thing] = [...(group[thing] ?? []), lemma.replace('_', ' ')];
  }
  const near = nearWords(list, nouns, new Set([...single.keys(), ...later.map(([lemma]) => lemma)]));
  mkdirSync('core/engine/data', { recursive: true });
  writeFileSync(
    'core/engine/data/things.json',
    '[\n' +
      list
        .map((t) =>
          JSON.stringify([t.name, t.drawings.map((d) => [d.tones, d.parts.map((p) => `${p.tone}${p.data}`)])]),
        )
        .join(',\n') +
      '\n]\n',
  );
  const told = (group: Record<number, string[]>): Record<string, string> =>
    Object.fromEntries(Object.entries(group).map(([i, lemmas]) => [list[Number(i)].name, lemmas.sort().join(',')]));
  writeFileSync(
    'core/engine/data/words.json',
    JSON.stringify(
      {
        synonyms: told(direct),
        broader: told(broader),
        near: Object.fromEntries([...near].map(([offered, lemmas]) => [offered, lemmas.sort().join(',')])),
      },
      null,
      0,
    ).replace(/","/g, '",\n"') + '\n',
  );
  console.log(
    list.length,
    'things;',
    Object.values(direct).flat().length,
    'synonyms;',
    Object.values(broader).flat().length,
    'narrower words;',
    [...near.values()].flat().length,
    'words with something beside them',
  );
}

main();
