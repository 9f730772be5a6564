/** What crowds a prompt, or contradicts itself in it, and a shorter one. */
import type { PromptFigure, PromptParts } from '../prompt';
import { withArticle } from './article';

/** Something noticed about a prompt: in words, with its figure. */
export interface Blunt {
  readonly told: string;
  /** Words of the prompt that the shorter one does without. */
  readonly without: readonly string[];
}

export interface Sharpened {
  readonly noticed: readonly Blunt[];
  /** Null where there is nothing to shorten. */
  readonly shorter: string | null;
}

/** Figures, colours and manners that one mark carries. */
const MOST = { figures: 3, colours: 3, manners: 2 } as const;
const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

function phraseOf(figure: PromptFigure): string {
  const said = [figure.expression, figure.pose, ...figure.modifiers.slice(0, 1), figure.word].filter((w, i, all) => w && all.indexOf(w) === i); // prettier-ignore
  return figure.count > 1 ? `${figure.count} ${said.join(' ')}` : withArticle(said.join(' '));
}

/** Looks a prompt's parts over; what is not understood or not drawn is told of where it stands. A sheet of icons has as many figures as it has cells. */
export function sharpen(parts: PromptParts): Sharpened {
  const noticed: Blunt[] = [];
  const isSheet = parts.kind === 'icon sheet' || (parts.rows ?? 0) * (parts.columns ?? 0) > 1;
  const drawn = parts.figures.filter((f) => f.via !== 'none');
  const kept = isSheet ? drawn : drawn.slice(0, MOST.figures);
  if (kept.length < drawn.length) noticed.push({ told: `${count(drawn.length, 'figure')} crowd one mark: ${MOST.figures} can be told apart small`, without: drawn.slice(kept.length).map((f) => f.word) }); // prettier-ignore
  const colours = parts.colours.slice(0, MOST.colours);
  if (colours.length < parts.colours.length) noticed.push({ told: `${count(parts.colours.length, 'colour')}: a mark that must hold in one holds in ${MOST.colours}`, without: parts.colours.slice(MOST.colours).map((c) => c.word) }); // prettier-ignore
  const manner = parts.manner.slice(0, MOST.manners);
  if (manner.length < parts.manner.length) noticed.push({ told: `${count(parts.manner.length, 'manner')} at once: ${parts.manner.join(', ')}`, without: parts.manner.slice(MOST.manners) }); // prettier-ignore
  for (const { kept: won, dropped } of parts.settled) noticed.push({ told: `${dropped} and ${won} cannot both be: ${won} is taken`, without: [dropped] }); // prettier-ignore
  if ((parts.detail ?? 0) >= 75 && kept.length > 1) noticed.push({ told: `many details on ${count(kept.length, 'figure')} fill in when small`, without: ['many details'] }); // prettier-ignore
  if (!noticed.length || (!kept.length && !parts.lettering.length)) return { noticed, shorter: null };
  const figures = kept.map((f, i) => (i === 0 ? phraseOf(f) : `${joint(f, kept)} ${phraseOf(f)}`)).join(' ');
  const shorter = [
    [parts.kind && parts.kind !== 'pictorial' ? parts.kind : '', figures].filter(Boolean).join(parts.kind === 'mascot' || parts.kind === 'app icon' || parts.kind === 'emblem' ? ', ' : ' '), // prettier-ignore
    ...parts.lettering.map((l) => `“${l}”`),
    parts.finish ?? '',
    ...manner,
    parts.shape ? `in a ${parts.shape}` : '',
    parts.gradient ? `gradient from ${parts.gradient[0].word} to ${parts.gradient[1].word}` : colours.map((c) => c.word).join(' and '), // prettier-ignore
    parts.ground ? `on ${parts.ground.word}` : '',
    ...parts.leaveOut.map((o) => `no ${o}`),
  ];
  return { noticed, shorter: [...new Set(shorter.filter(Boolean))].join(', ') };
}

/** How a figure stands to the one before it, as one says it. */
function joint(figure: PromptFigure, kept: readonly PromptFigure[]): string {
  if (figure.relation === null || (figure.to !== null && figure.to >= kept.length)) return 'and';
  if (figure.said && !figure.turned) return figure.said;
  return figure.turned ? 'with' : figure.relation;
}
