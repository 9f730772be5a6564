/** A prompt as sentences: noun phrases become figures, what stands between them says how they stand to one another. */
import {
  isAdjective,
  isAdverb,
  isKnownWord,
  gerundOf,
  isCompound,
  isPlural,
  nounKind,
  participleOf,
  presentOf,
} from './classes';
import { BODY_PARTS, EXPRESSION_NOUNS, EXPRESSIONS, FILLERS, PLACES, POSE_WORDS, SETTINGS, STYLE_NOUNS, STYLE_WORDS, TRADE_NOUNS, WEATHER } from './manner'; // prettier-ignore
import { Cast, draftOf, pendingOf, type Draft, type Pending } from './cast';
import { isContainer, MOST, readPhrase, type Phrase } from './phrase';
import { phraseAt, verbLink, type Link } from './relations';
import { numberOf } from './units';
import { Cursor, POSSESSIVES, SIDES, type Place } from './cursor';
import type { Token, WordPart } from './reading';
import type { Kind, Lexicon } from './words';

const CLOSES = /^[-,;:.!?()/\u2013\u2014]$/;
const OBJECT = /^(?:an?|the|its|his|her|their|two|three|four|some)$/;
const PRONOUNS = /^(?:it|them|him|her|itself|themselves|each|one)$/;
const AND = /^(?:and|or|&|\+|plus|nor)$/;
/** Where what stands there is seen from the whole picture. */
const STANDING: Readonly<Record<string, Link>> = {
  background: { relation: 'behind' },
  distance: { relation: 'behind' },
  foreground: { relation: 'in front of' },
  middle: { relation: 'inside' },
  centre: { relation: 'inside' },
  center: { relation: 'inside' },
};

/** What one does at something, and takes from it. */
const FEEDS = /^(?:drinking|sipping|eating|feeding|pecking|grazing|nibbling|picking)\b/;

/** What belongs to what it rises from. */
const RISING = /^(?:steam|smoke|foam|froth|flames?|fire|exhaust|light)$/;

/** What one is in, or at, while doing it. */
const ACTIONS: Readonly<Record<string, string>> = { flight: 'flying', motion: 'running', gallop: 'galloping', stride: 'running' }; // prettier-ignore

/** From where something is seen. */
const SEEN_FROM = /^(?:side|front|back|behind|above|below|top|afar|rear)$/;

/** Animals that have wings of their own. */
const WINGED =
  /(?:bird|eagle|hawk|falcon|swan|goose|geese|duck|mallard|crow|raven|magpie|dove|pigeon|swallow|sparrow|heron|crane|stork|seagull|gull|fly|flies|moth|beetle|wasp|hornet|bee|dragon|phoenix|griffin|gryphon|pegasus|parrot|macaw|cockatoo|penguin|puffin|albatross|rooster|peacock|turkey|pheasant|partridge|vulture|condor|osprey|kingfisher|robin|finch|thrush|nightingale|lark|starling|woodpecker|toucan|pelican|flamingo|ostrich|insect|ladybug|cicada|locust|grasshopper|chicken|owl)s?$|^(?:bat|hen|jay|kite|ibis|tern|emu|wren|quail|cricket|swift|chick|cockerel|tit)s?$/;
/** Parts that everybody has, of which only the colour is said: "with green eyes". */
const COLOURED =
  /^(?:eyes?|nose|ears?|cheeks?|paws?|feet|legs?|beak|bill|belly|fur|teeth|tongue|lips|spots|wings?|tail|mane|hair|beard|moustache|horns?|antlers?|shell)$/;
/** What has a shell of its own. */
const SHELLED = /^(?:snail|turtle|tortoise|crab|hermit crab)s?$/;
/** Parts that something else can stand for by name: "with button eyes". */
const STOOD_FOR =
  /^(?:eyes?|ears?|wings?|horns?|antlers?|tail|mane|teeth|tusks|legs|nose|spikes|spines|hands|scales|petals|shell)$/;
/** What one has many of, that can turn into something else. */
const GROWN = /^(?:stripes|spots|feathers|roots|branches|leaves|hair|beard|quills|fins|claws|steam|smoke|flames?)$/;
/** How one thing is said to go over into another. */
const BECOMING = /^(?:turn|grow|morph|chang|becom|transform|shaped|form|like$)/;
/** Where a trade is at home, after what it deals in: a tea house. */
const PREMISES = /^(?:house|inn|room|works|shed|yard|mill|kitchen|corner)$/;
/** What is printed: named by itself after what is on it, it says what for and not what. */
const PRINTED = /^(?:poster|postcard|sticker|flyer|leaflet|print|cover)$/;
/** What an animal or somebody builds, larger than that one can be held. */
const BUILT_BY = /^(?:webs?|nests?|holes?|dams?|burrows?|houses?|snowm[ae]n|sandcastles?|bridges?|fires?|campfires?|music|ropes?)$/; // prettier-ignore
/** How much of somebody is shown, said by itself. */
const SHOWN = /^(?:portrait|bust|close-?up|head ?shot)$/;
/** Who makes or sells what stands before. */
const MAKERS =
  /^(?:makers?|sellers?|growers?|merchants?|dealers?|suppl(?:y|ies|iers?)|importers?|producers?|repairs?|rentals?)$/;

export class Sentence extends Cursor {
  readonly cast: Cast;
  readonly fromTrade: Draft[] = [];
  readonly notUnderstood: string[] = [];
  readonly settings: string[] = [];
  readonly manner: string[] = [];
  /** Things that cannot be seen: drawn only where nothing else is. */
  readonly abstract: string[] = [];
  role: string | null = null;
  private pending: Pending | null = null;
  private joined = false;
  /** What a part of somebody's own was said with, for another one. */
  private again: Pending | null = null;
  /** What is being said of whom the client is. */
  private inTrade = false;

  constructor(
    tokens: readonly Token[],
    private readonly lexicon: Lexicon,
    private readonly kind: Kind | null,
  ) {
    super(tokens);
    this.cast = new Cast(kind);
    this.markPostures();
    while (this.end < tokens.length) {
      let to = this.end;
      while (to < tokens.length && !CLOSES.test(tokens[to].text)) to++;
      this.i = this.end;
      this.end = to;
      this.segment();
      if (to < tokens.length) tokens[to].part ??= 'filler';
      this.inTrade = false;
      this.end = to + 1;
    }
  }

  private segment(): void {
    this.pending = null;
    this.joined = false;
    this.start = this.i;
    while (this.i < this.end) {
      const at = this.i;
      if (this.posture() || this.tokens[at].part !== null || this.clause()) {
        if (this.i === at) this.i++;
        continue;
      }
      this.other();
    }
  }

  /** "Back to back", "side by side", "holding hands": how two stand to one another, which is no name and no relation; its words, or 0. */
  private postureAt(at: number): number {
    const [what, by, again] = [0, 1, 2].map((k) => this.tokens[at + k]?.text ?? '');
    if (what === 'holding' && /^(?:hands|paws)$/.test(by)) return 2;
    const isOne = again === what && /^(?:to|by|in)$/.test(by) && /^(?:back|face|side|head|nose|beak|cheek|tail|hand|arm|paw|wing)$/.test(what); // prettier-ignore
    return isOne ? 3 : 0;
  }

  /** Postures are found before the names that they stand after, which would take their first word in. */
  private markPostures(): void {
    this.tokens.forEach((token, at) => {
      if (token.part === null) this.mark(at, at + this.postureAt(at), 'modifier');
    });
  }

  private posture(): boolean {
    const length = this.tokens[this.i].part === 'modifier' ? this.postureAt(this.i) : 0;
    if (!length) return false;
    this.cast.latest?.modifiers.push(this.tokens.slice(this.i, this.i + length).map((t) => t.text).join(' ')); // prettier-ignore
    this.i += length;
    return true;
  }

  /** Tries what can stand here, most binding first; false where none does. */
  private clause(): boolean {
    const word = this.word(this.i);
    if (AND.test(word)) return this.and();
    if (word === 'for') return this.purpose();
    if (word === 'whose' && this.cast.last !== null) return this.whose();
    if (/^(?:that|which|who|it|he|she|they)$/.test(word) && this.cast.last !== null && this.i + 1 < this.end && this.verbAt(this.i + 1, true)) return this.step('filler'); // prettier-ignore
    if (/^(?:is|are)$/.test(word) && this.cast.last !== null) return this.is();
    if (word === 'of') return this.of();
    if (this.doesFirst(word)) return this.verb();
    if (this.ofThem() || this.ofWhose() || this.ofUs()) return true;
    return this.instead() || this.relation() || this.setting() || this.phrase() || this.verb();
  }

  /** "A hand pouring water": after a name a gerund is what is done; after a comma only what is held, worn or ridden. */
  private doesFirst(word: string): boolean {
    if (this.cast.last === null || this.pending || this.joined || phraseAt(this.openWords(this.i))) return false;
    if (this.i > this.start && word.endsWith('s') && this.verbAt(this.i) && phraseAt(this.openWords(this.i + 1)))
      return true;
    if (this.i > this.start && this.isSubject(this.i - 1) && this.verbAt(this.i, true)) return true;
    const verb = gerundOf(word);
    return verb !== null && (this.i > this.start || (OBJECT.test(this.word(this.i + 1)) && ['holding', 'wearing', 'riding'].includes(verbLink(verb).relation))); // prettier-ignore
  }

  private and(): boolean {
    this.joined = true;
    // "With arms and legs".
    this.pending ??= this.again;
    this.again = null;
    return this.step('filler');
  }

  /** "For a bakery", and "with a pencil for a beak". */
  private purpose(): boolean {
    const place = this.placeAt(this.i + 1) ?? this.partAt(this.i + 1);
    if (place && this.cast.last !== null && this.cast.last !== this.cast.root) return this.standsFor(this.i + 1, place);
    // "Reaching for a fish".
    if (this.cast.last !== null && this.i > this.start && gerundOf(this.tokens[this.i - 1].text)) {
      this.pending = pendingOf({ relation: 'toward' }, `${this.tokens[this.i - 1].text} for`, this.pending?.from ?? this.cast.root); // prettier-ignore
      return this.step('relation');
    }
    this.inTrade = true;
    this.pending = null;
    return this.step('filler');
  }

  /** "With stars instead of smoke". */
  private instead(): boolean {
    const [first, second, third] = this.openWords(this.i);
    const length = first === 'instead' && second === 'of' ? 2 : first === 'in' && /^(?:place|lieu)$/.test(second) && third === 'of' ? 3 : 0; // prettier-ignore
    if (!length || this.cast.last === null || this.cast.last === this.cast.root) return false;
    const phrase = readPhrase(this.tokens, this.i + length, this.end, this.lexicon);
    return phrase !== null && this.standsFor(this.i + length, { to: phrase.to, word: phrase.head });
  }

  /** "For wheels": a thing by itself at the end, where something is with something. */
  private partAt(from: number): Place | null {
    const at = /^(?:an?|the|its)$/.test(this.word(from)) ? from + 1 : from;
    const word = this.word(at);
    const isPart =
      this.cast.last !== null && this.cast.figures[this.cast.last].relation === 'with' && !this.word(at + 1);
    return isPart && (RISING.test(word) || BODY_PARTS.test(word) || ['artifact', 'garment', 'plant', 'food', 'body'].includes(nounKind(word) ?? '')) && !TRADE_NOUNS.has(word) ? { to: at + 1, word } : null; // prettier-ignore
  }

  private standsFor(placeFrom: number, place: Place): true {
    this.cast.standFor(place.word, this.tokens[this.i].text);
    this.mark(this.i, placeFrom, 'relation');
    this.mark(placeFrom, place.to, 'place');
    this.i = place.to;
    return true;
  }

  /** "Whose lens is a flower". */
  private whose(): boolean {
    const owner = this.cast.last!;
    this.mark(this.i, this.i + 1, 'relation');
    let k = this.i + 1;
    const from = k;
    while (this.word(k) && !/^(?:is|are|as)$/.test(this.word(k)) && !(k > from && this.isFinite(k))) k++;
    if (!this.word(k)) {
      // Nothing is said of it: it is looked at as any other figure.
      this.i = from;
      this.pending = pendingOf({ relation: 'with' }, 'whose', owner);
      return true;
    }
    this.mark(from, k, 'place');
    const place = this.tokens[k - 1].text;
    const verb = /^(?:is|are|as)$/.test(this.word(k)) ? { link: { relation: 'as' as const }, to: k + 1 } : this.verbAt(k, true)!; // prettier-ignore
    this.mark(k, verb.to, 'relation');
    this.i = verb.to;
    const phrase = phraseAt(this.openWords(this.i));
    const isAs = verb.link.relation === 'as' || phrase?.link.relation === 'as' || (BECOMING.test(this.tokens[verb.to - 1].text) && this.word(this.i) === 'into'); // prettier-ignore
    if (phrase) this.step('relation', phrase.length);
    this.pending = pendingOf(isAs ? { relation: 'as', turned: true } : (phrase?.link ?? verb.link), `whose ${place}`, owner, isAs ? place : null); // prettier-ignore
    return true;
  }

  /** Whether a verb stands here in a form that a sentence has: "forms", "hold" after several. */
  private isFinite(at: number): boolean {
    const word = this.word(at);
    return word.endsWith('s') ? presentOf(word) !== null && nounKind(this.word(at + 1)) === null : gerundOf(word) !== null || participleOf(word) !== null || (isPlural(this.word(at - 1)) && presentOf(word) !== null); // prettier-ignore
  }

  /** "A heart that is a leaf"; before a participle it says nothing, but where that begins a name: "is watering can". */
  private is(): boolean {
    this.step('filler');
    const thing = `${this.word(this.i)} ${this.word(this.i + 1)}`;
    const isThing = isCompound(thing) && this.lexicon.findFigure(thing)?.via === 'name';
    if (isThing || /^(?:an?|the|two|three)$/.test(this.word(this.i)))
      this.pending = pendingOf({ relation: 'as' }, 'is', this.cast.last);
    return true;
  }

  /** "A bottle of oil", "a crown of leaves", "a tower of a castle". */
  private of(): boolean {
    this.step('filler');
    if (this.inTrade || this.cast.last === null) return true;
    const owner = this.cast.latest!;
    const isOne = /^(?:an?|the|its|his|her|their|my)$/.test(this.word(this.i));
    this.pending = pendingOf(isContainer(owner.phrase.head) ? { relation: 'inside', turned: true } : { relation: isOne ? 'with' : 'made of' }, 'of', this.cast.last); // prettier-ignore
    return true;
  }

  /** The first place from one on that is no colour. */
  private pastColours(from: number): number {
    let at = from;
    const isOfColours = ({ part, text }: Token): boolean => part === 'colour' || (part === 'filler' && text === 'and');
    while (at < this.end && isOfColours(this.tokens[at])) at++;
    return at;
  }

  /** A preposition or a participle that does as one. */
  private relation(): boolean {
    const words = this.openWords(this.i);
    const found = phraseAt(words);
    if (!found) return false;
    const { link, length } = found;
    // "Round" is mostly a form.
    if (words[0] === 'round' && (this.cast.last === null || !/^(?:an?|the|its|his|her|their)$/.test(words[1] ?? ''))) return false; // prettier-ignore
    const after = this.i + length;
    const said = words.slice(0, length).join(' ');
    // "A fox making pancakes": somebody has made what it is, and is not it.
    const made = /^(?:making|creating)$/.test(said) ? readPhrase(this.tokens, after, this.end, this.lexicon) : null;
    const maker = this.cast.root === null ? null : this.cast.figures[this.cast.root];
    if (made && maker && this.cast.last === this.cast.root && maker.count === 1 && this.cast.isLive(this.cast.root!) && !isPlural(maker.word) && !/^hands?$/.test(maker.phrase.head) && !/^(?:hearts?|circles?|rings?|stars?|loops?|letters?|knots?|shapes?)$/.test(made.head)) {
      maker.pose ??= said;
      this.pending = pendingOf({ relation: BUILT_BY.test(made.head) ? 'with' : 'holding' }, said, this.cast.root);
      return this.step('relation', length);
    } // prettier-ignore
    if (this.inTrade && !/^(?:with|featuring|including|showing)$/.test(words[0])) {
      this.step('trade', length);
      return true;
    }
    this.inTrade = false;
    // "In flight", "at full gallop": what one does.
    const doing = this.word(after) === 'full' || this.word(after) === 'mid' ? after + 1 : after;
    const action = /^(?:in|at)$/.test(said) ? ACTIONS[this.word(doing)] : undefined;
    if (action && this.cast.latest && this.cast.isLive(this.cast.last!)) {
      this.cast.latest.pose ??= action;
      return this.step('pose', doing + 1 - this.i);
    }
    // "From the side": how it is seen.
    const view = this.word(after) === 'the' ? after + 1 : after;
    if (
      said === 'from' &&
      SEEN_FROM.test(this.word(view)) &&
      this.word(view + 1) !== 'of' &&
      !this.nounFollows(view + 1)
    ) {
      this.manner.push(['from', ...this.openWords(after).slice(0, view + 1 - after)].join(' '));
      return this.step('manner', view + 1 - this.i);
    }
    if (this.where(after, link, said)) return true;
    // "On the handle of a spade": it is the spade that is drawn.
    const at = /^(?:an?|the)$/.test(this.word(after)) ? after + 1 : after;
    if (
      PLACES.has(this.word(at)) &&
      this.word(at + 1) === 'of' &&
      this.cast.last !== null &&
      link.relation !== 'with'
    ) {
      this.pending = pendingOf(link, this.pending ? `${this.pending.said} ${said}` : said, this.pending?.from ?? null, this.word(at)); // prettier-ignore
      this.mark(this.i, at, 'relation');
      this.mark(at, at + 1, 'place');
      this.mark(at + 1, at + 2, 'filler');
      this.i = at + 2;
      return true;
    }
    if (this.settingAt(after)) {
      const to = this.settingAt(after)!;
      this.settings.push(this.tokens[to - 1].text);
      return this.step('setting', to - this.i);
    }
    const earlier = this.pending;
    // Whoever drinks from a flower is before it and not in it.
    const isFed = link.relation === 'coming out of' && earlier !== null && FEEDS.test(earlier.said);
    this.pending = pendingOf(isFed ? { relation: 'toward' } : link, earlier ? `${earlier.said} ${said}` : said, earlier?.from ?? null); // prettier-ignore
    return this.step('relation', length);
  }

  /** "On its nose", "inside", "above it", "in the background": of the figure named last. False where what follows is a figure. */
  private where(after: number, link: Link, said: string): boolean {
    const figure = this.cast.latest;
    const isLater = figure !== null && this.cast.last !== this.cast.root;
    const next = this.word(after);
    const isBare = figure !== null && isLater && BODY_PARTS.test(next) && !this.nounFollows(after + 1);
    const isCounted = /^(?:one|two|both|all|four)$/.test(next) && BODY_PARTS.test(this.word(after + 1)) && figure !== null && this.cast.isLive(this.cast.last!); // prettier-ignore
    const place = isCounted ? { to: after + 2, word: this.word(after + 1) } : isBare ? { to: after + 1, word: next } : POSSESSIVES.test(next) || (next === 'the' && isLater && SIDES.test(this.word(after + 1)) && PLACES.has(this.word(after + 2)) && this.word(after + 3) !== 'of') || (next === 'the' && isLater && PLACES.has(this.word(after + 1)) && this.word(after + 2) !== 'of' && !STANDING[this.word(after + 1)]) ? this.placeAt(after) : null; // prettier-ignore
    const isPart =
      place !== null &&
      (PLACES.has(place.word) ||
        BODY_PARTS.test(place.word) ||
        nounKind(place.word) === 'body' ||
        (isLater && figure.to !== null && !this.cast.isLive(figure.to)));
    if (place && figure && (link.relation === 'as' || isPart)) {
      if (link.relation === 'as' && isLater) return this.standsFor(after, place);
      this.mark(this.i, after, 'relation');
      this.mark(after, place.to, 'place');
      this.i = place.to;
      if ((this.pending && this.pending.from !== this.cast.last) || !isLater)
        figure.modifiers.push(`${said} ${place.word}`);
      else this.cast.put(link, said, place.word);
      // What comes next is there: "wearing on its head a hat".
      return true;
    }
    // "With antlers turning into branches": the branches stand for the antlers.
    if (figure && link.relation === 'as' && isLater && figure.relation === 'with' && BECOMING.test(said) && !(/^form/.test(said) && RISING.test(figure.word)) && (STOOD_FOR.test(figure.word) || GROWN.test(figure.word)) && this.cast.root !== null) {
      const at = this.cast.takeBack();
      for (const t of this.tokens) if (t.figure === at) Object.assign(t, { figure: null, part: 'place' });
      this.mark(this.i, after, 'relation');
      this.i = after;
      this.pending = pendingOf({ relation: 'as', turned: true }, `whose ${figure.word}`, this.cast.root, figure.word);
      return true;
    } // prettier-ignore
    if (
      figure &&
      link.relation === 'as' &&
      isLater &&
      figure.relation === 'with' &&
      !(/shape|form/.test(said) && /^an?$/.test(next))
    ) {
      // "With books as leaves".
      const at = next === 'the' ? after + 1 : after;
      const isBarePart = !this.word(at + 1) && (RISING.test(next) || ((at > after || isPlural(next)) && ['plant', 'body', 'artifact', 'food', 'garment'].includes(nounKind(this.word(at)) ?? ''))); // prettier-ignore
      const part = this.placeAt(after) ?? (isBarePart ? { to: at + 1, word: this.word(at) } : null);
      if (part && !this.word(part.to)) return this.standsFor(after, part);
    }
    if (figure && /^(?:both|either|each|all)$/.test(next) && PLACES.has(this.word(after + 1))) {
      figure.modifiers.push(`${said} ${next} ${this.word(after + 1)}`);
      this.pending = null;
      return this.step('modifier', after + 2 - this.i);
    }
    // "Rolled into a ball": how somebody lies.
    const owner = this.cast.figures[this.pending?.from ?? this.cast.last ?? 0];
    const isRolled = [owner?.pose ?? '', said].some((m) => /^(?:rolled|curled|coiled|tucked)/.test(m));
    if (owner && isRolled && /^an?$/.test(next) && /^(?:ball|ring|circle|loop)$/.test(this.word(after + 1))) {
      owner.pose = 'curled';
      if (this.word(after + 1) !== 'ball') owner.modifiers.push('in a ring');
      this.pending = null;
      return this.step('modifier', after + 2 - this.i);
    }
    // "Standing on one leg": how somebody stands.
    if (figure && /^(?:one|two|both|all|hind|four)$/.test(next)) {
      const limb = after + (this.word(after + 1) === 'hind' || this.word(after + 1) === 'four' ? 2 : 1);
      if (BODY_PARTS.test(this.word(limb)) && this.cast.isLive(this.pending?.from ?? this.cast.last!)) {
        owner.modifiers.push([said, ...this.openWords(after).slice(0, limb + 1 - after)].join(' '));
        this.pending = null;
        return this.step('modifier', limb + 1 - this.i);
      }
    }
    const standing = STANDING[/^(?:the|its)$/.test(next) ? this.word(after + 1) : next];
    if (standing && !this.word(after + (/^(?:the|its)$/.test(next) ? 2 : 1)).startsWith('of')) {
      const to = after + (/^(?:the|its)$/.test(next) ? 2 : 1);
      if (isLater && !this.pending) this.cast.put(standing, `${said} the ${this.tokens[to - 1].text}`, null);
      return this.step('relation', to - this.i);
    }
    const isOnTop = said === 'on' && next === 'top' && this.word(after + 1) !== 'of';
    const ends = isOnTop
      ? after + 1
      : PRONOUNS.test(next) &&
          !(next === 'one' && this.nounFollows(after + 1)) &&
          !this.word(after + 1).match(/^(?:of)$/)
        ? after + 1
        : after;
    const following = this.word(ends);
    const isOpen = ends < this.end && this.tokens[ends].part !== null && this.tokens[ends].part !== 'filler';
    const isEnd = ends > after || (!isOpen && (following === '' || AND.test(following) || phraseAt([following]) !== null)); // prettier-ignore
    if (!isEnd || link.relation === 'with') return false;
    const isPhrase = ends === after && phraseAt(this.openWords(ends)) !== null;
    // "Out over", "up on": two words for one relation.
    if (isPhrase) return false;
    this.mark(this.i, ends, 'relation');
    this.i = ends;
    if (figure && isLater) {
      this.cast.put(link, said, null);
      if (next === 'it') this.cast.meansOne();
    } else if (figure) figure.modifiers.push(said);
    this.pending = null;
    return true;
  }

  private settingAt(at: number): number | null {
    const k = /^(?:the|a|an|early|late)$/.test(this.word(at)) ? at + 1 : at;
    const word = this.word(k);
    const isBare = k === at || this.word(at) !== 'a';
    // "With rain inside": it is drawn.
    if (WEATHER.has(word) && /^(?:inside|under|underneath|below|beneath|falling|pouring)$/.test(this.word(k + 1)))
      return null;
    if (isBare && (SETTINGS.has(word) || WEATHER.has(word)) && !this.nounFollows(k + 1)) return k + 1;
    return null;
  }

  /** A time of day or year that is said by itself. */
  private setting(): boolean {
    const word = this.word(this.i);
    if (!SETTINGS.has(word) || this.nounFollows(this.i + 1) || this.pending) return false;
    this.settings.push(word);
    return this.step('setting');
  }

  /** "Swallows on a wire, four of them": how many there are of what was named first, or last of several. */
  private ofThem(): boolean {
    const count = numberOf(this.word(this.i));
    if (count === null || this.word(this.i + 1) !== 'of' || !/^(?:them|these|those)$/.test(this.word(this.i + 2))) return false; // prettier-ignore
    const figure = this.cast.figures.find((f) => isPlural(f.phrase.head)) ?? this.cast.latest;
    if (!figure) return false;
    figure.count = Math.max(1, Math.min(MOST, count));
    return this.step('count', 3);
  }

  /** "A dog walker's logo": somebody whose mark it is, where more is said than that. */
  private ofWhose(): boolean {
    if (this.cast.figures.length || this.i !== this.start) return false;
    for (let k = this.i; k < Math.min(this.i + 4, this.end) && this.tokens[k].part === null; k++) {
      const owner = /^(.+)['’]s?$/.exec(this.tokens[k].text)?.[1];
      if (!owner || this.tokens[k + 1]?.part !== 'kind') continue;
      return nounKind(owner) === 'person' && this.isFollowed(k + 1) && this.step('trade', k + 1 - this.i);
    }
    return false;
  }

  /** "We are a small cidery and want": who asks, up to what is asked for. */
  private ofUs(): boolean {
    if (this.cast.figures.length || this.i !== this.start) return false;
    if (!/^(?:we are|we're|we run|i am|i'm|i run|(?:our|my|the) client (?:is|runs)) /.test(`${this.openWords(this.i).join(' ')} `)) return false; // prettier-ignore
    let to = this.i;
    while (to < this.end && !/^(?:want|wants|need|needs|like|seek|seeking|wanting)$/.test(this.tokens[to].text)) to++;
    return this.step('trade', Math.min(to + 1, this.end) - this.i);
  }

  /** Whether anything is left to be read after a place. */
  private isFollowed(at: number): boolean {
    return this.tokens.slice(at).some((t) => t.part === null && !FILLERS.has(t.text) && /\p{L}/u.test(t.text));
  }

  /** "Tea shop logo", "coffee roaster badge": whose mark it is, where the trade stands before the kind of mark. */
  private saysWhose(found: Phrase): boolean {
    if (this.tokens[found.to]?.part !== 'kind' || this.cast.figures.length > 0) return false;
    const isFollowed = this.isFollowed(found.to);
    const isIcon = /^(?:icons?|symbols?|pictograms?)$/.test(this.word(found.to));
    const isSaid = found.word.includes(' ') || found.modifiers.length > 0 || (isFollowed && !(found.hasArticle && isIcon)); // prettier-ignore
    // A tea house is a trade, a red house is none.
    const isHouse = PREMISES.test(found.head) && isFollowed && ['food', 'substance', 'plant'].includes(nounKind(found.word.split(' ')[0]) ?? '') && found.word.includes(' '); // prettier-ignore
    const isMaker = /(?:er|or|ist)s?$/.test(found.head) && nounKind(found.head) === 'person';
    return isHouse || (isSaid && (TRADE_NOUNS.has(found.head) || (isMaker && !found.found && isFollowed)));
  }

  /** What a trade can be drawn by: of a tea shop the tea. */
  private tradeDraft(found: Phrase): Draft | null {
    const what = found.attributive.join(' ');
    const drawn = what && TRADE_NOUNS.has(found.head) && found.found?.via !== 'name' ? this.lexicon.findFigure(what) : null; // prettier-ignore
    if (drawn) return { ...draftOf(found), word: what, drawn: drawn.drawn, via: drawn.via };
    return found.found || found.suffix ? draftOf(found) : null;
  }

  private phrase(): boolean {
    const found = readPhrase(this.tokens, this.i, this.end, this.lexicon);
    if (!found) return false;
    const from = this.i;
    found.marks.forEach(([at, part]) => this.mark(at, at + 1, part));
    found.manner.forEach((m) => this.manner.push(m));
    found.unknown.forEach((w) => this.notUnderstood.push(w));
    this.i = found.to;
    const { head } = found;
    const isAlone =
      from === this.start && (this.i >= this.end || (this.tokens[this.i]?.part === 'kind' && !this.isFollowed(this.i)));
    const governor = this.cast.last === null ? null : this.cast.governor(this.pending, found, this.joined);
    const owner = governor === null ? null : this.cast.figures[governor];
    const asWhole = (part: WordPart): true => {
      this.markOver(found, part);
      this.pending = null;
      this.joined = false;
      return true;
    };
    const isFaced = head === 'face' && found.word === head && !found.expression && !found.modifiers.length && this.pending?.relation === 'with'; // prettier-ignore
    const face = isFaced ? 'smiling' : head === 'face' && found.word === head && found.expression ? found.expression : Object.hasOwn(EXPRESSION_NOUNS, head) ? EXPRESSION_NOUNS[head] : null; // prettier-ignore
    if (!found.attributive.length && face && owner && (this.pending?.relation ?? 'with') === 'with') {
      owner.expression ??= face;
      return asWhole('expression');
    } // prettier-ignore
    const isPrinted = PRINTED.test(head) && from === this.start && this.i >= this.end && !found.hasArticle && this.cast.figures.length > 0; // prettier-ignore
    // A paint palette is a thing, by a name of two words.
    const isByName = found.word.includes(' ') && this.lexicon.findFigure(found.word)?.via === 'synonym';
    // A weight that is lifted is a thing.
    const isLifted = /^weights?$/.test(head) && this.pending?.relation === 'holding';
    if ((STYLE_NOUNS.has(head) && !found.isNamed && !isByName && !isLifted) || isPrinted) {
      this.manner.push(this.told(found));
      return asWhole('manner');
    }
    // "An old sailor with a pipe, portrait": of who is named first the head.
    if (SHOWN.test(head) && !found.attributive.length && this.cast.root !== null && (from === this.start || /^(?:in|as)$/.test(this.pending?.said ?? ''))) {
      this.cast.figures[this.cast.root].modifiers.push('portrait');
      return asWhole('modifier');
    } // prettier-ignore
    // "Weather icons: sun, rain": what they are about.
    if (this.kind === 'icon sheet' && this.tokens[found.to]?.part === 'kind' && this.tokens.slice(found.to).some((t) => t.text === ':')) return asWhole('trade'); // prettier-ignore
    const isMaker = found.attributive.length > 0 && !found.hasAnimal && (MAKERS.test(head) || (PREMISES.test(head) && found.found?.via !== 'name' && this.tokens[this.i]?.part === 'kind')); // prettier-ignore
    const isTrade = ((TRADE_NOUNS.has(head) || isMaker) && !found.isNamed && isAlone && this.cast.figures.length > 0) || this.saysWhose(found); // prettier-ignore
    if (this.inTrade || isTrade) {
      const draft = this.tradeDraft(found);
      if (draft) this.fromTrade.push(draft);
      return asWhole('trade');
    }
    if (SETTINGS.has(head) && !found.hasArticle && !found.attributive.length && this.cast.figures.length) {
      this.settings.push(head);
      return asWhole('setting');
    }
    // "With clock eyes": what stands before the part stands for it.
    const standIn = found.attributive.length ? found.attributive.join(' ') : null;
    const stood = standIn && STOOD_FOR.test(head) && this.pending?.relation === 'with' && nounKind(standIn) !== 'animal' ? this.lexicon.findFigure(standIn) : null; // prettier-ignore
    if (owner && stood && ['name', 'synonym'].includes(stood.via) && this.cast.isLive(governor!)) {
      const place = this.cast.figures.length;
      const part = pendingOf({ relation: 'as', turned: true }, `with ${head}`, governor, head);
      this.cast.add({ ...found, word: standIn!, head: standIn!, attributive: [], found: stood, suffix: null, isGarment: false }, part, false); // prettier-ignore
      this.pending = null;
      this.joined = false;
      for (const [at] of found.marks) this.tokens[at].figure = place;
      return true;
    }
    // "With spread wings": its own parts, and how they are.
    if (
      owner &&
      (this.pending?.relation === 'with' || (from === this.start && !this.pending && !this.joined)) &&
      ((BODY_PARTS.test(head) && !/^(?:wheat|barley|corn|rye|oat|oats|grain) /.test(found.word)) || (head === 'shell' && SHELLED.test(owner.phrase.head))) && this.cast.isLive(governor!) && !(/^wings?$/.test(head) && nounKind(owner.phrase.head) === 'animal' && !WINGED.test(owner.phrase.head)) && (found.modifiers.length || (/^(?:beard|moustache|mustache)$/.test(head) && /^(?:person|animal)$/.test(nounKind(owner.phrase.head) ?? '')) || ((found.attributive.length === 1 || found.isNamed) && nounKind(found.word.split(' ')[0]) === null) || (COLOURED.test(head) && this.tokens.slice(Math.max(0, from - 1), found.to).some((t) => t.part === 'colour')) || /^(?:one|two|both|no)$/.test(this.tokens[from].text) || this.trailing() || (this.kind === 'mascot' && /^(?:arms?|legs?|hands?|feet|eyes?|face)$/.test(head)))) {
      owner.modifiers.push(this.told(found));
      this.again = this.pending;
      asWhole('modifier');
      if (this.trailing()) {
        owner.modifiers.push(this.word(this.i));
        this.step('modifier');
      }
      return true;
    } // prettier-ignore
    // A mane that nothing draws is how its owner looks, and so is a bite.
    if (
      owner &&
      (!found.found || (this.word(found.to) === 'of' && this.cast.isLive(governor!))) &&
      !found.attributive.length &&
      !found.owner &&
      (BODY_PARTS.test(head) || head === 'bite') &&
      this.pending?.relation === 'with'
    ) {
      owner.modifiers.push(this.told(found));
      this.again = this.pending;
      asWhole('modifier');
      // "A mane of flames": what it is of stands for it.
      if (this.word(this.i) === 'of' && BODY_PARTS.test(head)) {
        this.step('filler');
        this.pending = pendingOf({ relation: 'as', turned: true }, `with ${head} of`, governor, head);
      }
      return true;
    }
    if (found.role) this.role ??= found.role;
    if (this.kind === 'mascot' && this.lexicon.isRole(head) && !found.hasAnimal && (this.cast.figures.length > 0 || this.animalAhead())) {
      this.role ??= head;
      return asWhole('role');
    } // prettier-ignore
    if (found.isAbstract && this.kind !== 'icon sheet') {
      this.abstract.push(this.told(found));
      if (owner) owner.modifiers.push(this.told(found));
      return asWhole('modifier');
    }
    const place = this.cast.figures.length;
    this.cast.add(found, this.pending, this.joined);
    this.pending = null;
    this.joined = false;
    for (const [at] of found.marks) this.tokens[at].figure = place;
    return true;
  }

  /** Whether an animal comes that what was just read is the trade of; one that somebody has, or has to do with, has none. */
  private animalAhead(): boolean {
    const rest = this.tokens.slice(this.i).filter((t) => t.part === null);
    const animal = rest.findIndex((t) => nounKind(t.text) === 'animal');
    const had = rest.findIndex(
      (t) => /^(?:with|and|on|by|beside|from|of)$/.test(t.text) || participleOf(t.text) !== null,
    );
    return animal >= 0 && (had < 0 || animal < had);
  }

  /** A participle that says how what was named is: "wings spread". */
  private trailing(): boolean {
    const word = this.word(this.i);
    return (
      word !== '' &&
      (participleOf(word) !== null || isAdjective(word)) &&
      (this.i + 1 >= this.end || this.word(this.i + 1) === '')
    );
  }

  private told(found: Phrase): string {
    return [...found.modifiers, ...found.attributive, found.head].join(' ');
  }

  private markOver(found: Phrase, part: WordPart): void {
    for (const [at, was] of found.marks)
      if (was === 'figure' || was === 'modifier' || was === 'pose' || was === 'expression') this.tokens[at].part = part;
  }

  /** Whether what stands here stands for what was named before: "that", "it". */
  private isSubject(at: number): boolean {
    return /^(?:that|which|who|it|he|she|they)$/.test(this.tokens[at]?.text ?? '');
  }

  /** A verb that says what somebody does, with what it says of its object. */
  private verbAt(
    at: number,
    isFinite = false,
  ): { readonly link: Link; readonly to: number; readonly verb: string } | null {
    const word = this.word(at);
    if (!word) return null;
    const verb = gerundOf(word) ?? participleOf(word) ?? (isFinite || /^(?:an?|the|its|his|her|their|two|three)$/.test(this.word(at + 1)) || (word.endsWith('s') && nounKind(this.tokens[at - 1]?.text ?? '') === 'animal') ? presentOf(word) : null); // prettier-ignore
    return verb ? { link: verbLink(verb), to: at + 1, verb } : null;
  }

  private verb(): boolean {
    const found = this.verbAt(this.i, this.isSubject(this.i - 1));
    if (!found || this.cast.last === null) return false;
    const word = this.word(this.i);
    const isActive = participleOf(word) === null || gerundOf(word) !== null;
    const next = this.word(found.to);
    // Who does it: the one that the sentence is about where it is alive, else the one named last.
    // What is held, worn or ridden, and what is said after a comma, is of the one it is about in any case.
    const holds = ['holding', 'wearing', 'riding'].includes(found.link.relation) && !this.cast.isLive(this.cast.last);
    // A letter tied with string: what is done to something is said of what stands before it.
    const isDone = !isActive && this.i !== this.start && nounKind(this.tokens[this.i - 1]?.text ?? '') !== null;
    const actor =
      !isDone && (this.cast.isLive(this.cast.root!) || holds || this.i === this.start)
        ? this.cast.root!
        : this.cast.last;
    const figure = this.cast.figures[actor];
    this.joined = false;
    const isOwn = POSSESSIVES.test(next) || (BODY_PARTS.test(next) && next.endsWith('s') && this.cast.isLive(actor));
    if (isOwn && this.ownPart(found.to, actor, word)) return true;
    // "Wearing red boots": past the colours that are said of it.
    const at = this.pastColours(found.to);
    const object = this.word(at);
    const hasObject = isActive && object !== '' && phraseAt(this.openWords(at)) === null && !AND.test(object) && !isAdverb(object) && readPhrase(this.tokens, at, this.end, this.lexicon) !== null; // prettier-ignore
    if (EXPRESSIONS.has(word) && !hasObject) {
      figure.expression ??= word;
      return this.step('expression');
    }
    if (hasObject) {
      if (this.cast.isLive(actor) && gerundOf(word)) figure.pose ??= word;
      this.pending = pendingOf(found.link, word, actor);
      return this.step('relation');
    }
    if (this.cast.isLive(actor)) figure.pose ??= word;
    else figure.modifiers.push(word);
    this.tokens[this.i].figure = actor;
    this.step(this.cast.isLive(actor) ? 'pose' : 'modifier');
    while (isAdverb(this.word(this.i)) && phraseAt(this.openWords(this.i)) === null) {
      figure.modifiers.push(this.word(this.i));
      this.step('modifier');
    }
    // What follows is where the same one does it.
    if (phraseAt(this.openWords(this.i))) this.pending = pendingOf({ relation: 'with' }, word, actor);
    return true;
  }

  /** "Brushing its teeth", "with wings wrapped around": what somebody does with a part of their own. */
  private ownPart(at: number, actor: number, verb: string): boolean {
    const place = this.placeAt(at);
    if (!place || !BODY_PARTS.test(place.word)) return false;
    const figure = this.cast.figures[actor];
    if (this.cast.isLive(actor)) figure.pose ??= verb;
    figure.modifiers.push(this.tokens.slice(this.i, place.to).map((t) => t.text).join(' ')); // prettier-ignore
    this.mark(this.i, place.to, 'modifier');
    this.i = place.to;
    this.pending = phraseAt(this.openWords(this.i)) ? pendingOf({ relation: 'with' }, verb, actor) : null;
    return true;
  }

  /** Words that are none of these. */
  private other(): void {
    const word = this.word(this.i);
    const figure = this.cast.latest;
    if (POSE_WORDS.has(word) && figure) {
      figure.pose ??= word;
      return void this.step('pose');
    }
    if (EXPRESSIONS.has(word) && figure) {
      figure.expression ??= word;
      return void this.step('expression');
    }
    if (STYLE_WORDS.has(word) || STYLE_NOUNS.has(word)) {
      this.manner.push(word);
      return void this.step('manner');
    }
    if (this.inTrade && !FILLERS.has(word)) return void this.step('trade');
    if (word === 'whose') return void this.step('relation');
    if (FILLERS.has(word) || /^[^\p{L}\p{N}]+$/u.test(word)) return void this.step('filler');
    if (/^\d+$/.test(word)) return void this.step('count');
    if (!isKnownWord(word)) {
      this.notUnderstood.push(word);
      return void this.step('not understood');
    }
    if (figure) figure.modifiers.push(word);
    else this.manner.push(word);
    this.step(figure ? 'modifier' : 'manner');
  }
}
