/** Words that say how figures stand to one another: prepositions, participles, verbs. */

export const RELATION_NAMES = [
  'with',
  'beside',
  'over',
  'under',
  'behind',
  'in front of',
  'inside',
  'on',
  'around',
  'between',
  'through',
  'toward',
  'holding',
  'wearing',
  'riding',
  'coming out of',
  'made of',
  'as',
  'in the manner of',
] as const;
export type Relation = (typeof RELATION_NAMES)[number];

/** How what comes next stands to what came before; turned round where the next one is the one that stands so: "topped with". */
export interface Link {
  readonly relation: Relation;
  readonly turned?: boolean;
}

const link = (relation: Relation, turned = false): Link => ({ relation, turned });
const listed = (relation: Relation, phrases: string, turned = false): [string, Link][] =>
  phrases.split(', ').map((phrase) => [phrase, link(relation, turned)]);

/** Prepositions, and phrases that do as such. The longest that matches counts. */
const PHRASES: readonly [string, Link][] = [
  ...listed('with', 'with, including, featuring, plus, along with, together with, accompanied by, has, have, having, bearing'),
  ...listed('beside', 'next to, beside, alongside, near, close to, by, by the side of, at the foot of, at the base of, joined to, joined with, attached to, tied to, linked to, leaning against, leaning on, at, about'),
  ...listed('on', 'on top of, on, upon, atop, onto, on the back of, on the side of, on the edge of, at the edge of, at the top of, at the end of, on the end of, astride, across, along, up, down'),
  ...listed('over', 'over, above, past'),
  ...listed('under', 'under, below, beneath, underneath, at the bottom of'),
  ...listed('behind', 'behind, in back of'),
  ...listed('in front of', 'in front of, before, against'),
  ...listed('inside', 'inside, inside of, in, within, into, amid, amidst, among, amongst, in the middle of, in the centre of, in the center of, at the heart of, at the centre of, at the center of, wrapped in, framed in, enclosed in, set in, trapped in, hidden in, dipped in, dipped into'),
  ...listed('around', 'around, round, all around, surrounding, encircling'),
  ...listed('between', 'between, in between'),
  ...listed('through', 'through, out through'),
  ...listed('toward', 'toward, towards, to, facing, looking at, up at, after'),
  ...listed('coming out of', 'out of, from, coming out of, off, out from, from under, from behind, from inside'),
  ...listed('made of', 'made of, made from, made out of, made up of, made with, built of, built from, built out of, composed of, formed of, formed from, formed by, formed with, formed out of, woven from, woven of, woven out of, carved from, carved out of, cut from, consisting of, constructed from, constructed of, created from, drawn with, out of many, folded from'),
  ...listed('as', 'as, like, as if it were, in the shape of, in the form of, in form of, shaped like, shaped as, shaped into, formed like, formed into, disguised as, doubling as, that looks like, that look like, looking like, turned into, turning into, growing into, morphing into, becoming, forming, making, creating, spelling, acting as, serving as, used as, drawn as, seen as, bent into, folded into, twisted into, curled into, styled as, resembling, that doubles as, that is also, transforming into, merging into, blending into, arranged as, arranged into, built like, carved as, carved like, carved into'),
  ...listed('in the manner of', 'in the manner of, in the style of'),
  // Turned round: the next one is in, on, around what came before.
  ...listed('inside', 'filled with, full of, stuffed with, packed with, containing, filled by', true),
  ...listed('on', 'topped with, topped by, crowned with, crowned by, capped with, capped by, covered in, covered with, covered by, decorated with, adorned with, draped in, draped with, studded with', true),
  ...listed('around', 'surrounded by, framed by, framed with, encircled by, wreathed in, wreathed by, ringed by, wrapped with, wrapped by, entwined with, flanked by, enclosed by, bordered by, hung with', true),
  ...listed('between', 'flanked by', true),
  ...listed('through', 'pierced by, crossed by, split by, struck by', true),
  ...listed('holding', 'held by, carried by, supported by, clutched by', true),
  ...listed('riding', 'ridden by, driven by', true),
  ...listed('wearing', 'worn by', true),
  ...listed('wearing', 'dressed in, clad in, dressed up in, wrapped up in'),
]; // prettier-ignore

const byFirst = new Map<string, { readonly words: readonly string[]; readonly link: Link }[]>();
for (const [phrase, one] of PHRASES) {
  const words = phrase.split(' ');
  byFirst.set(words[0], [...(byFirst.get(words[0]) ?? []), { words, link: one }]);
}
for (const list of byFirst.values()) list.sort((p, q) => q.words.length - p.words.length);

/** The longest phrase of a relation at the beginning of these words, with how many words it has. */
export function phraseAt(words: readonly string[]): { readonly link: Link; readonly length: number } | null {
  const found = byFirst.get(words[0])?.find((p) => p.words.every((w, i) => words[i] === w));
  return found ? { link: found.link, length: found.words.length } : null;
}

const verbs = (relation: Relation, list: string, turned = false): [string, Link][] =>
  list.split(' ').map((verb) => [verb, link(relation, turned)]);

/** What a verb says of its object. */
const VERBS: ReadonlyMap<string, Link> = new Map([
  ...verbs('holding', 'hold hide bury carry plant clutch grip grasp lift raise play read eat drink sip hug embrace cradle wield wave brandish use push pull drag bring deliver offer present give lick bite chew munch nibble smoke swing throw toss juggle catch write paint knit sew stir pour cook bake water fly walk bear support steal sell serve shake blow toot beat strum bang bounce kick peel taste count lead guide haul tow grab seize hoist roast toast spin twirl dangle thread open inspect examine study tend polish keep share'),
  ...verbs('wearing', 'wear don sport'),
  ...verbs('riding', 'ride drive steer pilot row paddle surf'),
  ...verbs('as', 'form become make create spell resemble replace'),
  ...verbs('on', 'climb top cover mount straddle'),
  ...verbs('over', 'cross jump leap vault overlook hop overlap'),
  ...verbs('around', 'circle orbit encircle surround frame ring enclose wrap entwine hug twine'),
  ...verbs('through', 'pierce cut split break tear'),
  ...verbs('coming out of', 'leave escape exit'),
  ...verbs('inside', 'enter fill inhabit'),
  ...verbs('inside', 'contain', true),
  ...verbs('in front of', 'guard block protect eclipse'),
  ...verbs('coming out of', 'rain drip spout spill spray breathe leak shed pour erupt spew emit belch', true),
  ...verbs('with', 'have feature include grow show'),
]); // prettier-ignore

/** How what a verb does stands to its object; verbs that are not listed are directed at it. */
export const verbLink = (verb: string): Link => VERBS.get(verb) ?? link('toward');
