/** A prompt's figures in one picture. */
import { mascotOf } from './mascots';
import { gerundOf, nounKind, type PromptFigure } from '../prompt';
import { asDrawn } from './as-drawn';
import { boundsOf, box } from './area';
import { intersect, stroked, union } from '../path';
import { drawingCount } from './build';
import { dressFrom, isCut } from './creature';
import { hasHands, isBird, isCreature } from './built';
import { onField, recoloured } from './field';
import { outlineOf, placed, type Figure } from './figure';
import { fitLayers, scaled, type Layer } from './layer';
import {
  inBothHands,
  isBundle,
  inHand,
  inHands,
  isHeadgear,
  isPaired,
  severalAsOne,
  sideBySide,
  swapped,
  uprightOf,
  WEARER,
  wornOn,
} from './pairings';
import { byDusk, inSnow } from './pairings-aloft';
import { pulledOut, trio } from './pairings-told';
import { asHouse, asMoon } from './pairings-parts';
import { isInVase, rises, standsInVase, TREES } from './pairings-places';
import { BEARING, charged, laden, seated } from './pairings-riders';
import { mascotFigure } from './mascot';
import {isAtBothSides, canBeHeld, goesRound, GROWS, HEAPING, isSprinkled, isYoung, PLAIN, PRINTED_ON, SEATS, SPRAYING, TIES, TOWED, waysFor } from './pairs'; // prettier-ignore
import { isScene } from './grounds';
import { scene } from './scene';
import { goingRound, GOING_ROUND, hung, interlinked, LINKED, several, skein, twoAlike } from './several';
import {
  counterchanged,
  cropped,
  IDEAS,
  ideasFor,
  otherBuild,
  peeking,
  risen,
  plain,
  single,
  WHOLE,
  type Single,
  sunk,
  waterlined,
} from './single';
import {
  thingFor,
  arrangement,
  banned,
  clear,
  figureFor,
  finished,
  FORMS,
  isAtDusk,
  isInSnow,
  isAtNight,
  isOfLines,
  standingOf,
  type Stage,
  solid,
  form,
} from './stage';
import { isThing } from './things';
import { hasPlace, withThird } from './third';

/** Three lines behind what moves, each up to where it is at that height. */
function withSpeed(stage: Stage, layers: Layer[]): Layer[] {
  const all = union(...layers.filter((l) => l.isFigure).map((l) => l.area));
  const b = boundsOf(all);
  if (!(b.width > 0)) return layers;
  const lines = [[0.3, 15], [0.52, 24], [0.74, 13]].map(([at, length]) => {
    const y = b.y + at * b.height;
    const row = boundsOf(intersect(all, box(b.x - 1, y - 2, b.width + 2, 4)));
    const x = (row.width > 0 ? row.x : b.x) - 4;
    return [x - length, y, x, y];
  }); // prettier-ignore
  const ink = swapped(stage)[0];
  return fitLayers([...layers, ...solid(stage, stroked(lines, 2.8, false), ink)], 90); // prettier-ignore
}

/** Whether a plant, food or some other thing can have a face, arms and legs; what is drawn with a face of its own has no second one. */
const canLive = ({ word, drawn }: PromptFigure): boolean =>
  !isCreature(drawn) && (['food', 'plant'].includes(nounKind(word) ?? '') || /^(?:robot|egg|tooth|star|cloud|sun|moon|heart|cup|teapot|pencil|book|ball|battery|light bulb|drop|brain|cactus|house|clock|bell|lamp|candle|sock|box|bottle|camera|car|rocket|planet|leaf|tree|mountain|cookie|toaster|guitar|envelope|kettle|mug|coffee cup)$/.test(drawn)); // prettier-ignore

/** What a thing is said to do that only somebody does; null where it does nothing. */
const livelyPose = (f: PromptFigure): string | null =>
  canLive(f) ? ([f.pose ?? '', ...f.modifiers].find((m) => /^(?:waving|dancing|running|jumping|walking|cheering|skating|flexing)$/.test(m)) ?? null) : null; // prettier-ignore

/** What one does with a thing in the hand that no thing does of itself. */
const HANDLING = /^(?:holding|playing|reading|carrying|drinking|eating|waving|writing|painting|lifting|throwing|hugging|sipping|cooking|knitting|stirring|juggling)/; // prettier-ignore

/** A figure with a face, arms and legs of its own, and a thing in its hand where it has one; who follows a trade is the mascot of that. */
const onLegs = (stage: Stage, { drawn, expression, modifiers }: PromptFigure, pose: string | null, prop: PromptFigure | null = null): Layer[] =>
  finished(stage, placed(stage.parts.role === null ? mascotFigure(drawn, { ...stage, idea: undefined, pose, expression, modifiers, dress: {}, prop: prop && thingFor(stage, prop), crop: 'whole' }) : mascotOf(stage, stage.parts.role), WHOLE)); // prettier-ignore

/** One figure: in one of its drawings, or, where there are too few of them, in one of the ideas for it. */
function oneFigure(stage: Stage, asked: PromptFigure): Layer[] {
  const lively = stage.given ? null : livelyPose(asked);
  if (lively !== null) return onLegs(stage, asked, lively);
  // A thing that follows a trade is somebody.
  if (!stage.given && stage.parts.role !== null && !isCreature(asked.drawn) && asked.count === 1) return onLegs(stage, asked, asked.pose); // prettier-ignore
  // What has legs stands on them, or runs.
  if (!isCreature(asked.drawn) && asked.modifiers.some((m) => /^(?:legs|feet|arms)$/.test(m))) return onLegs(stage, asked, asked.modifiers.find((m) => gerundOf(m) !== null) ?? asked.pose); // prettier-ignore
  const drawings = Math.min(stage.ideas, drawingCount(asked.drawn, asked, stage.knobs));
  const more = stage.ideas >= IDEAS ? Math.max(0, IDEAS - drawings) : 0;
  const at = stage.idea % Math.max(1, drawings + more);
  if (stage.given || asked.count > 1 || stage.parts.shape || at < drawings)
    return single(stage, groupFor({ ...stage, idea: at }, asked, 0));
  const figure = figureFor({ ...stage, idea: 0 }, asked, 0);
  const b = boundsOf(outlineOf(figure));
  // What a form holds already is not seen through another; a ring leaves no room for two halves, and of lines or something slim too little is seen in them.
  const isLines = isOfLines(stage);
  const isOut = (idea: Single): boolean =>
    // A face is seen once, and whole.
    (idea !== otherBuild && asked.expression !== null) ||
    ((idea === peeking || idea === sunk) && (stage.isHeld !== undefined || isLines)) ||
    ((idea === risen || idea === waterlined) && (stage.isHeld !== undefined || (isLines && idea === waterlined))) ||
    (idea === cropped && isLines) ||
    (idea === counterchanged && (stage.isHeld === 'ring' || isLines || b.height > 1.7 * b.width));
  const ideas = ideasFor(figure).filter((idea) => !isOut(idea));
  return (ideas[(at - drawings) % Math.max(1, ideas.length)] ?? plain)(stage, figure);
}

/** A figure as often as it is asked for; made of many, one drawing of it is enough. */
function groupFor(stage: Stage, figure: PromptFigure, index: number): Figure {
  // What one is in, or comes out of, is as its first drawing has it: open at the top.
  const { figures } = stage.parts;
  const isIn = (f: PromptFigure | undefined, turned: boolean): boolean => f !== undefined && f.turned === turned && ['inside', 'coming out of'].includes(f.relation ?? ''); // prettier-ignore
  const isOpen = index === 1 ? isIn(figure, false) : index === 0 && isIn(figures[1], true) && !isCreature(figure.drawn);
  const one = figureFor(isOpen ? { ...stage, idea: 0 } : stage, figure, index);
  const isFixed = index === 0 && stage.given !== undefined;
  return figure.count < 2 || isFixed || figure.drawn.startsWith('crossed ') || isPutTwice(stage, figure, index)
    ? one
    : severalAsOne(one, figure.count, standingOf(figure.modifiers));
}

/** Whether an arrangement itself puts a figure where its several are, or as often as it has room for. */
function isPutTwice(stage: Stage, figure: PromptFigure, index: number): boolean {
  const relation = figure.relation ?? '';
  if (relation === 'made of' || relation === 'between') return true;
  if (isAtBothSides(figure)) return true;
  if (figure.drawn === 'candle' && stage.parts.figures.some((f) => f.drawn === 'layer cake')) return true;
  const [first, second] = stage.parts.figures;
  if (index === 1 && ((relation === 'as' && isPaired(figure.place)) || (relation === 'coming out of' && (figure.turned || GROWS.test(figure.drawn))) || isSprinkled(first, figure))) return true; // prettier-ignore
  if (index === 0 && isInVase(first, second)) return true;
  if (index === 1 && /^(?:numbers?|numerals?|hours?|digits?)$/.test(figure.place ?? '')) return true;
  if (index === 1 && first.count === 1 && ((!figure.place && rises(figure)) || standsInVase(first, figure))) return true; // prettier-ignore
  if (index === 1 && isCreature(first.drawn) && isYoung(figure.word) && figure.to === 0) return true;
  if (index === 1 && /^(?:antlers?|horns?|branch|branches)$/.test(figure.place ?? '')) return true;
  if (index === 1 && (SPRAYING.test(figure.said ?? '') || TOWED.test(figure.said ?? ''))) return true;
  if (index === 1 && first.drawn === 'hand' && /balloon|kite/.test(figure.drawn)) return true;
  if (index === 0 && TIES.test(second?.drawn ?? '') && isBundle(figure)) return true;
  if (index === 1 && HEAPING.test(first.drawn) && relation === 'inside' && figure.turned) return true;
  if (index === 1 && TREES.test(first.drawn) && ['with', 'holding'].includes(relation)) return true;
  if (index === 1 && /^(?:octopus|squid)$/.test(first.drawn) && ['with', 'holding'].includes(relation)) return true;
  if (index === 1 && isHeadgear(first.drawn) && ['with', 'beside'].includes(relation))
    return !figure.modifiers.includes('crossed');
  if (index === 0 && second?.relation === 'as' && !second.turned && PLAIN.test(second.drawn)) return true;
  if (index === 0 && second?.relation === 'around' && !second.turned && goesRound(figure, second)) return true;
  if (index === 1 && figure.count === 2 && isCreature(first.drawn) && ['with', 'holding', 'wearing'].includes(relation) && canBeHeld(figure.drawn) && !/balloon|kite/.test(figure.drawn)) return !figure.modifiers.includes('crossed'); // prettier-ignore
  if (figure.count !== 2) return false;
  if (index === 0 && second?.drawn === 'heart' && isCreature(first.drawn) && ['as', 'made of', 'with', 'beside'].includes(second.relation ?? '')) return true; // prettier-ignore
  if (index === 0 && first.drawn === 'hand') return true;
  if (index === 0)
    return (
      ['around', 'toward', 'holding'].includes(second?.relation ?? '') &&
      !second.turned &&
      !/^shar/.test(second.said ?? '')
    );
  if (index > 1) return false;
  return ['beside', 'with'].includes(relation) && !figure.modifiers.includes('crossed') && !isCreature(first.drawn);
}

/** How somebody dressed stands with a thing in the hand. */
const STANCES = ['standing', 'running', 'sitting'] as const;

/** The figures of a prompt in one picture; two or more in the form that is asked for. */
export function together(asked: Stage): Layer[] {
  const stage = asDrawn(asked);
  const { shape, figures } = stage.parts;
  const [alone] = figures;
  // Two that are linked go through one another.
  if (
    alone?.count === 2 &&
    LINKED.test(alone.modifiers.join(' ')) &&
    figures.slice(1).every((f) => f.relation === 'as')
  )
    return interlinked(stage, figureFor(stage, alone, 0));
  if (
    alone &&
    !figures[1] &&
    (alone.count > 1 || (shape === 'circle' && GOING_ROUND.test(alone.pose ?? ''))) &&
    (shape === 'circle' || shape === null) &&
    ([alone.pose ?? '', ...alone.modifiers].some((m) => GOING_ROUND.test(m) && (shape !== null || m === 'circling')) ||
      (shape === 'circle' && alone.count > 2 && alone.count < 9 && isCreature(alone.drawn)) ||
      stage.parts.words.some((w) => w.part === 'shape' && /^(?:forming|arranged)$/.test(w.word)))
  )
    // prettier-ignore
    return fitLayers(finished(stage, goingRound(figureFor({ ...stage, idea: 0 }, alone, 0), alone.count)), 88);
  // Two curled into a ring go round its middle.
  if (alone && alone.count > 1 && !figures[1] && alone.modifiers.includes('in a ring') && !stage.given)
    return fitLayers(finished(stage, goingRound(figureFor({ ...stage, idea: 0 }, { ...alone, pose: 'sleeping' }, 0), alone.count)), 88); // prettier-ignore
  if (!shape || shape === 'banner' || figures.length < 2 || stage.given) return figuresOf(stage);
  const [field] = stage.palette.inks;
  const hull = FORMS[shape](45);
  const inner = recoloured({ ...stage, parts: { ...stage.parts, shape: null } }, field, onField(stage, field));
  const layers = scaled(figuresOf(inner), shape === 'triangle' || shape === 'diamond' ? 0.52 : 0.7, 0, shape === 'triangle' ? 10 : shape === 'shield' ? -3 : 0); // prettier-ignore
  return [...form(stage, hull, field), ...layers.map((l) => ({ ...l, clip: l.clip ? intersect(l.clip, hull) : hull }))];
}

/** Things that hang side by side. */
const isHung = ({ drawn, count, pose, modifiers }: PromptFigure): boolean =>
  count > 2 && count < 8 && !isCreature(drawn) && [pose ?? '', ...modifiers].some((m) => /^(?:hanging|hung|dangling|suspended)$/.test(m)); // prettier-ignore

/** Birds that fly together, three of them or more. */
const isSkein = ({ drawn, count, pose, modifiers }: PromptFigure): boolean =>
  count > 2 && count < 10 && isBird(drawn) && [pose ?? '', ...modifiers].some((m) => /^(?:fly|migrat|soar)/.test(m)); // prettier-ignore

/** Figures alone. */
function figuresOf(stage: Stage): Layer[] {
  const { figures, rows } = stage.parts;
  const [first, second, third] = figures;
  if (!first) return stage.given ? single(stage, stage.given.figure) : [];
  // A hat sits on a head that looks at us better than on one seen from the side.
  const head =
    second?.relation === 'wearing' && stage.idea % 2 === 0 && !isCreature(first.drawn) && isThing(`${first.drawn} face`)
      ? { ...first, drawn: `${first.drawn} face` }
      : first;
  // By night, or where the sun is low, one figure stands in that.
  const setting = isAtDusk(stage.parts)
    ? byDusk
    : isAtNight(stage.parts)
      ? asMoon
      : isInSnow(stage.parts) && !isOfLines(stage)
        ? inSnow
        : null;
  if (!second && setting && first.count === 1 && !stage.given && !stage.parts.shape && !stage.isHeld)
    return setting(stage, figureFor(stage, head, 0));
  if (!second)
    return first.count > 1 &&
      !first.drawn.startsWith('crossed ') &&
      !first.modifiers.includes('crossed') &&
      !stage.given?.fixed &&
      !stage.parts.shape
      ? standingOf(first.modifiers) === 'stacked' && rows === null
        ? fitLayers(finished(stage, severalAsOne(placed(figureFor(stage, head, 0), WHOLE), first.count, 'stacked')), 88)
        : isHung(first)
          ? hung(stage, figureFor(stage, head, 0), first.count)
          : isSkein(first)
            ? skein(stage, figureFor(stage, head, 0), first.count)
            : first.count === 2 && rows === null
              ? twoAlike(stage, figureFor(stage, head, 0), [...first.modifiers, first.pose ?? ''])
              : several(stage, figureFor(stage, head, 0), first.count, rows === 1 || first.count <= 3)
      : stage.parts.manner.includes('speed lines') && !stage.given && !stage.parts.shape
        ? withSpeed(stage, plain(stage, figureFor(stage, head, 0)))
        : oneFigure(stage, head);
  // Who wears one thing and holds another is dressed, and has it in the hand.
  if (!stage.given && isScene(figures) && !banned(stage, 'background', 'ground', 'circle', 'disc', 'shape'))
    return fitLayers(scene(stage), 88);
  const worn = figures.find((f) => f.to === 0 && f.relation === 'wearing');
  const had = figures.findIndex((f, i) => i > 0 && f !== worn && f.to === 0 && ['holding', 'with'].includes(f.relation ?? '')); // prettier-ignore
  if (worn && had > 0 && !stage.given && hasHands(first.drawn))
    return fitLayers((figures[had].count === 2 ? inBothHands : inHand)(STANCES[stage.idea % STANCES.length])(stage, figureFor(stage, first, 0), figureFor(stage, figures[had], had)), 88); // prettier-ignore
  // What has a door and windows is a house.
  if (third && !stage.given && !isCreature(first.drawn) && second.drawn === 'door' && third.drawn === 'window')
    return fitLayers(asHouse(stage, figureFor(stage, first, 0)), 88);
  // What has legs stands on them.
  if (
    !third &&
    !stage.given &&
    second.to === 0 &&
    !second.turned &&
    /^(?:legs?|feet|arms|hands)$/.test(second.word) &&
    ['with', 'wearing', 'holding'].includes(second.relation ?? '')
  )
    return onLegs(stage, first, first.pose);
  // A thing that does something with another has hands for it.
  if (!third && !stage.given && second.to === 0 && second.count === 1 && !second.turned && second.relation === 'holding' && HANDLING.test(second.said ?? '') && canLive(first) && canBeHeld(second.drawn) && !isThing(`${first.drawn} face`))
    return onLegs(stage, first, null, second); // prettier-ignore
  // Who reads in an armchair sits in it with the book.
  if (third && !figures[3] && !stage.given && SEATS.test(third.drawn) && third.to === 0 && ['inside', 'on'].includes(third.relation ?? '') && second.to === 0 && second.relation === 'holding' && hasHands(first.drawn))
    return fitLayers(seated(stage, figureFor(stage, first, 0), figureFor(stage, third, 2)), 88); // prettier-ignore
  // Of two things that somebody has, one is in each hand.
  const isHad = (f: PromptFigure): boolean => f.count === 1 && !f.turned && f.place === null && canBeHeld(f.drawn) && !isHeadgear(f.drawn); // prettier-ignore
  if (third && !figures[3] && !stage.given && hasHands(first.drawn) && second.to === 0 && third.to === 0 && [second, third].every(isHad) && ['holding', 'with'].includes(second.relation ?? '') && ['holding', 'with', 'beside'].includes(third.relation ?? ''))
    return fitLayers(inHands(stage, figureFor(stage, first, 0), figureFor(stage, second, 1), 'standing', figureFor(stage, third, 2)), 88); // prettier-ignore
  // Two things that one wears are both on.
  const areWorn = [second, third].every((f) => f?.to === 0 && f.relation === 'wearing');
  // On a thing as on somebody in boots, who is seen whole; of what there is a cut the dress has already.
  const isBooted = areWorn && [second, third!].some((f) => dressFrom(f.word).hasBoots);
  if (areWorn && !figures[3] && !stage.given && (isBooted || !isCreature(first.drawn))) {
    const own = figureFor(stage, first, 0);
    const upright = uprightOf(stage, own, 'standing');
    const big = placed(upright ?? own, WEARER);
    const worn = [second, third!].flatMap((f, i) => (upright && isCut(f.word) ? [] : wornOn(stage, big, figureFor(stage, f, i + 1)))); // prettier-ignore
    return fitLayers([...finished(stage, big), ...worn], 88);
  }
  if (areWorn && !figures[3] && !stage.given && isCreature(first.drawn) && isCut(third!.word))
    return fitLayers(waysFor(first, second)[0](stage, figureFor(stage, first, 0), figureFor(stage, second, 1)), 88);
  // A basket of eggs is held as one, a barrow of flowers pushed.
  if (third && !figures[3] && !stage.given && third.to === 1 && third.turned && third.relation === 'inside' && HEAPING.test(second.drawn) && second.to === 0 && !second.turned && isCreature(first.drawn))
    return fitLayers(waysFor(first, second)[0](stage, figureFor(stage, first, 0), laden(figureFor(stage, second, 1), figureFor(stage, third, 2))), 88); // prettier-ignore
  // Three things with nothing between them make one sign.
  const isFree = (f: PromptFigure): boolean => f.count === 1 && !f.turned && f.place === null && !isCreature(f.drawn) && f.drawn !== 'hand' && !hasPlace(f.drawn); // prettier-ignore
  if (third && !figures[3] && !stage.given && [first, second, third].every(isFree) && [second, third].every((f) => ['with', 'beside', 'around', null].includes(f.relation)) && ['with', 'beside'].includes(second.relation ?? '')) {
    const three = [first, second, third].map((f, i) => figureFor(stage, f, i));
    return fitLayers(trio(stage, three, third.relation === 'around' ? 2 : null), 90);
  } // prettier-ignore
  // What is on a shield, or a flag, is on its face, however that stands.
  if (third && !figures[3] && !stage.given && third.to === 1 && third.turned && third.relation === 'on' && (BEARING.test(second.drawn) || PRINTED_ON.test(second.drawn)) && second.to === 0)
    return fitLayers(waysFor(first, second)[0](stage, groupFor(stage, head, 0), charged(figureFor(stage, second, 1), figureFor(stage, third, 2))), 88); // prettier-ignore
  // A rabbit that a hand pulls out of a hat has the hand over it.
  if (third && !figures[3] && !stage.given && first.drawn === 'hand' && /^(?:pull|draw|lift|tak|conjur)/.test(second.said ?? '') && third.relation === 'coming out of')
    return pulledOut(stage, figureFor(stage, first, 0), figureFor(stage, second, 1), figureFor(stage, third.drawn === 'hat' ? { ...third, drawn: 'top hat' } : third, 2)); // prettier-ignore
  const a = groupFor(stage, head, 0);
  const b = groupFor(stage, second, 1);
  if (stage.given?.fixed) {
    const room = boundsOf(outlineOf(a));
    return [
      ...finished(stage, a),
      ...clear(
        stage,
        placed(b, { cx: room.x + room.width * 0.9, cy: room.y + 4, side: 26 }),
        stage.palette.groundHex,
        swapped(stage),
      ),
    ];
  }
  // What stands on a tray with another stands beside it.
  const isServed = third?.relation === 'on' && !third.turned && ['beside', 'with'].includes(second.relation ?? '');
  const ways = isServed ? [sideBySide] : waysFor(first, second);
  // With leeway enough, all of them, one after the other.
  const way = stage.ideas >= IDEAS ? ways[stage.idea % ways.length] : arrangement(stage, ways);
  // The second hand of a clock is on it already.
  const isOn = third?.relation === 'as' && third.to === 0 && second.relation === 'as' && /^(?:hands?|pointers?)$/.test(second.place ?? ''); // prettier-ignore
  const isLast = !third || isOn;
  const layers = fitLayers(way(stage, a, b), isLast ? 86 : 80);
  if (isLast) return layers;
  return withThird(stage, layers, third, figureFor(stage, third, 2));
}
