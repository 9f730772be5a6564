/** The families that ship: what kind each is, and what it feels like. Weights, scripts and licences are read from their packages. */

export const CLASSES = ['serif', 'slab', 'grotesque', 'geometric', 'humanist', 'rounded', 'condensed', 'script', 'blackletter', 'stencil', 'display', 'typewriter'] as const; // prettier-ignore
export type FaceClass = (typeof CLASSES)[number];

export interface CatalogueEntry {
  /** As in the names of its files. */
  readonly id: string;
  /** Its file has axes, its weight among them. */
  readonly isVariable: boolean;
  readonly class: FaceClass;
  /** Words for what it feels like. */
  readonly moods: readonly string[];
}

const of = (kind: FaceClass, isVariable: boolean, list: Readonly<Record<string, string>>): CatalogueEntry[] =>
  Object.entries(list).map(([id, moods]) => ({ id, isVariable, class: kind, moods: moods.split(' ') }));

export const CATALOGUE: readonly CatalogueEntry[] = [
  ...of('serif', true, {
    fraunces: 'warm soft old-style friendly crafted editorial',
    'playfair-display': 'elegant fashionable high-contrast literary romantic',
    lora: 'calm literary warm readable trustworthy',
    'eb-garamond': 'classic scholarly quiet old-style literary refined',
    'source-serif-4': 'sober clear institutional quiet readable',
    'bodoni-moda': 'elegant fashionable luxurious high-contrast cool',
    literata: 'literary calm readable bookish',
    'crimson-pro': 'bookish classic quiet literary',
    cinzel: 'roman monumental luxurious classical ceremonial',
  }),
  ...of('serif', false, {
    'libre-baskerville': 'classic trustworthy institutional literary english',
    'dm-serif-display': 'confident elegant editorial high-contrast',
    'young-serif': 'warm heavy old-style friendly crafted',
    amiri: 'classical calligraphic literary arabic',
    'tiro-devanagari-hindi': 'literary classic devanagari',
  }),
  ...of('slab', true, {
    'roboto-slab': 'sturdy technical plain modern',
    bitter: 'sturdy readable warm honest',
    rokkitt: 'geometric sturdy retro industrial',
    aleo: 'friendly sturdy modern readable',
    'josefin-slab': 'geometric light vintage typewriter elegant',
  }),
  ...of('slab', false, {
    'zilla-slab': 'sturdy punctual technical friendly honest',
    'alfa-slab-one': 'loud heavy poster strong playful',
    rye: 'western wooden poster rustic vintage',
  }),
  ...of('grotesque', true, {
    inter: 'neutral plain technical modern clear',
    'work-sans': 'plain honest modern friendly',
    archivo: 'strong plain sporty modern',
    'schibsted-grotesk': 'editorial plain modern confident',
    'bricolage-grotesque': 'quirky crafted lively editorial',
    'space-grotesk': 'technical quirky futuristic digital',
    'hanken-grotesk': 'neutral quiet clear modern',
    'public-sans': 'plain neutral institutional clear punctual',
    'noto-sans-jp': 'neutral clear modern japanese',
  }),
  ...of('geometric', true, {
    jost: 'geometric modernist clear punctual quiet',
    outfit: 'geometric clean friendly modern start-up',
    montserrat: 'geometric urban confident modern',
    urbanist: 'geometric clean minimal modern light',
    'league-spartan': 'geometric bold confident compact',
    lexend: 'geometric readable open friendly',
    'josefin-sans': 'geometric elegant vintage nineteen-twenties light',
    syne: 'artistic wide quirky avant-garde',
  }),
  ...of('geometric', false, {
    poppins: 'geometric friendly clean modern',
  }),
  ...of('humanist', true, {
    'open-sans': 'neutral friendly readable open',
    'nunito-sans': 'friendly open soft readable',
    'source-sans-3': 'clear neutral institutional readable',
    cabin: 'humanist warm plain english',
    figtree: 'friendly clean simple modern',
    commissioner: 'humanist clear versatile modern',
    'noto-sans-devanagari': 'neutral clear devanagari',
    'noto-sans-hebrew': 'neutral clear hebrew',
    'noto-sans-thai': 'neutral clear thai',
    'noto-sans-arabic': 'neutral clear arabic',
    cairo: 'modern geometric urban arabic',
    heebo: 'neutral modern hebrew',
  }),
  ...of('humanist', false, { kanit: 'sporty modern square thai' }),
  ...of('rounded', true, {
    nunito: 'soft friendly round gentle children',
    quicksand: 'soft light geometric gentle round',
    fredoka: 'playful round children soft cheerful',
    'baloo-2': 'playful round heavy cheerful',
    comfortaa: 'round geometric futuristic soft',
    rubik: 'round sturdy friendly modern',
  }),
  ...of('rounded', false, { 'varela-round': 'soft friendly round plain' }),
  ...of('condensed', true, {
    oswald: 'narrow strong news poster',
    'league-gothic': 'narrow tall news poster vintage',
    antonio: 'narrow tall strong refined',
  }),
  ...of('condensed', false, {
    'barlow-condensed': 'narrow technical road-sign plain industrial',
    'bebas-neue': 'narrow tall strong poster sporty',
  }),
  ...of('script', true, {
    caveat: 'handwritten casual personal quick friendly',
    'dancing-script': 'lively casual handwritten romantic',
  }),
  ...of('script', false, {
    pacifico: 'casual surf brush cheerful vintage',
    'great-vibes': 'formal wedding romantic elegant calligraphic',
    lobster: 'bold vintage sign casual nineteen-fifties',
    sacramento: 'light casual handwritten monoline romantic',
    'kaushan-script': 'brush energetic casual bold',
  }),
  ...of('blackletter', true, { 'grenze-gotisch': 'gothic medieval sharp beer historic' }),
  ...of('blackletter', false, {
    'pirata-one': 'gothic medieval pirate beer historic',
    unifrakturcook: 'gothic heavy medieval german historic',
  }),
  ...of('stencil', true, { 'big-shoulders-stencil': 'stencil narrow industrial crate strong' }),
  ...of('stencil', false, {
    'allerta-stencil': 'stencil technical sign modern',
    'saira-stencil-one': 'stencil technical sporty modern',
  }),
  ...of('display', false, {
    federo: 'nineteen-hundreds elegant vintage jugendstil',
    limelight: 'nineteen-twenties cinema glamorous high-contrast',
    'poiret-one': 'nineteen-twenties thin elegant geometric',
    monoton: 'neon nineteen-seventies lines club',
    bungee: 'sign loud urban chunky',
    'abril-fatface': 'heavy elegant poster high-contrast editorial',
    audiowide: 'futuristic nineteen-eighties technical wide',
    shrikhand: 'bold cursive heavy cheerful nineteen-seventies',
    'dela-gothic-one': 'heavy loud poster japanese',
  }),
  ...of('typewriter', true, { 'jetbrains-mono': 'technical code even typewriter digital' }),
];

/** What is known of a family beside that, from its package. */
export interface FamilyFacts extends CatalogueEntry {
  readonly name: string;
  readonly weights: readonly number[];
  readonly hasItalic: boolean;
  readonly scripts: readonly string[];
  readonly licence: string;
  /** Where the licence's text is. */
  readonly licenceUrl: string;
  readonly attribution: string;
}

/** Licences that let one use a face in a logo for business. */
export const LICENCES: ReadonlySet<string> = new Set(['OFL-1.1', 'Apache-2.0', 'UFL-1.0']);

/** Letters and digits alone, so that "Nineteen twenties" finds "nineteen-twenties". */
export const lettersOf = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** Families by how well their moods, class and name fit some words, the best first; those that no word fits are left out. No words give all. */
export function facesFor<F extends CatalogueEntry & { readonly name?: string }>(
  faces: readonly F[],
  words: string,
): { face: F; because: string[] }[] {
  const wanted = words.split(/[\s,]+/).map(lettersOf).filter(Boolean); // prettier-ignore
  if (!wanted.length) return faces.map((face) => ({ face, because: [] }));
  const found = faces.map((face) => {
    const own = [...face.moods, face.class, ...(face.name ?? face.id).split(/\s+/)];
    const because = wanted.flatMap((w) => {
      const hit = own.find((o) => lettersOf(o) === w) ?? own.find((o) => w.length > 3 && (lettersOf(o).startsWith(w) || w.startsWith(lettersOf(o)) && lettersOf(o).length > 3)); // prettier-ignore
      return hit ? [hit] : [];
    });
    return { face, because: [...new Set(because)] };
  });
  return found.filter((f) => f.because.length > 0).sort((p, q) => q.because.length - p.because.length);
}
