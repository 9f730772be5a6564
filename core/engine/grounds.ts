/** Which prompts ask for a landscape: a figure that is ground or water, and others that are in it, over it or behind it. */
import { nounKind, type PromptFigure, type Relation } from '../prompt';

export type Ground = 'field' | 'hills' | 'water' | 'river' | 'road' | 'dunes' | 'woods';

/** What a word for ground or water is drawn as. */
const GROUNDS: readonly (readonly [RegExp, Ground])[] = [
  [/^(?:fields?|farmland|farm|vineyard|cornfield)$/, 'field'],
  [/^(?:hills?|meadow|pasture|prairie|lawn|moor|savanna|tundra|valley|grassland|park)$/, 'hills'],
  [/^(?:lake|pond|sea|ocean|lagoon|bay|fjord|harbou?r|water|waters|waves)$/, 'water'],
  [/^(?:river|stream|creek|brook)$/, 'river'],
  [/^(?:road|path|trail|highway|track)$/, 'road'],
  [/^(?:desert|dunes?|beach|sand)$/, 'dunes'],
  [/^(?:forest|woods|woodland)$/, 'woods'],
];
const groundOf = (figure: PromptFigure): Ground | null =>
  GROUNDS.find(([words]) => words.test(figure.word))?.[1] ?? (cropOf(figure) ? 'field' : null);

/** The crop of a field whose name tells it; null for others, of which one plays on some. */
export function cropOf({ word }: PromptFigure): string | null {
  const crop = /^([a-z]+) ?fields?$/.exec(word)?.[1] ?? '';
  return ['plant', 'food'].includes(nounKind(crop) ?? '') ? crop : null;
}

/** What is seen in the sky. */
const SKY = /^(?:sun|moon|crescent moon|full moon|star|stars|cloud|rainbow|planet|lightning|snowflake)$/;
/** What stands far off, as broad as the window. */
const BACKDROP = /^(?:mountains?|mountain range|volcano|city|pyramids?|island)$/;
/** What is on water, or in it. */
export const SWIMS =
  /^(?:boat|canoe|ship|sailboat|viking ship|raft|kayak|ferry|duck|swan|goose|loon|otter|beaver|whale|dolphin|fish)$/;
/** How figures may stand to one another that are in a landscape. */
const OUTDOORS: readonly (Relation | null)[] = [null, 'inside', 'on', 'beside', 'with', 'riding', 'holding', 'over', 'under', 'behind', 'in front of', 'through', 'toward', 'around', 'between']; // prettier-ignore

/** The figures of a prompt that are in one landscape, by their places; null where they are not. */
export function castOf(figures: readonly PromptFigure[]): { ground: Ground; at: number; sky: number[]; back: number[]; actors: number[] } | null {
  const at = figures.findIndex((f) => groundOf(f) !== null);
  if (at < 0 || figures.length < 2 || figures.length > 4 || !figures.every((f) => OUTDOORS.includes(f.relation) && f.place === null)) return null;
  const rest = figures.map((_, i) => i).filter((i) => i !== at);
  if (rest.some((i) => groundOf(figures[i]) !== null)) return null;
  // A forest in a bottle is in that, a mountain that a lake mirrors is twice, and water that is poured is no sea.
  const ground = figures[at];
  if (at === 0 && rest.some((i) => !figures[i].turned && ['inside', 'on'].includes(figures[i].relation ?? ''))) return null;
  if (ground.turned && ['inside', 'around'].includes(ground.relation ?? '')) return null;
  if (figures.some((f) => /^(?:reflect|mirror|pour|drip|splash|spray|spout)/.test([f.said ?? '', ...f.modifiers].join(' ')))) return null;
  if (/^waters?$/.test(ground.word) && !['inside', 'on', 'over', 'under'].includes(ground.relation ?? '')) return null;
  // Waves are one where something swims on them; by themselves, or under the sun, they are what is drawn.
  if (ground.word === 'waves' && !rest.some((i) => SWIMS.test(figures[i].drawn))) return null;
  const is = (kind: RegExp) => (i: number): boolean => kind.test(figures[i].drawn);
  const sky = rest.filter(is(SKY));
  const back = rest.filter(is(BACKDROP));
  const actors = rest.filter((i) => !sky.includes(i) && !back.includes(i));
  return actors.length > 2 || sky.length > 1 || back.length > 1 ? null : { ground: groundOf(figures[at])!, at, sky, back, actors };
} // prettier-ignore

/** What a landscape's colours go by: water is blue, by itself or in green land, grass green, sand neither. */
export type Land = 'wet' | 'stream' | 'green' | 'dry';

/** The land of a prompt's figures; null where they are in none. */
export function landIn(figures: readonly PromptFigure[]): Land | null {
  const ground = castOf(figures)?.ground;
  return !ground ? null : ground === 'water' ? 'wet' : ground === 'river' ? 'stream' : ground === 'dunes' || ground === 'road' ? 'dry' : 'green'; // prettier-ignore
}

/** Whether a prompt's figures are drawn as a landscape. */
export const isScene = (figures: readonly PromptFigure[]): boolean => castOf(figures) !== null;
