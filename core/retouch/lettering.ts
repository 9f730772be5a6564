/** Lettering that was read in a picture, as what is worth a look. */
import type { FoundLine } from '../reading';
import type { Noticed } from './noticed';
import type { RetouchStep } from './steps';

/** How much further than the letters what is mended goes, in pixels of a picture of 1024 px: for what is soft about them. */
const GROWN_SHARE = 4 / 1024;

const said = (lines: readonly FoundLine[]): string => lines.flatMap((l) => l.words.map((w) => w.text)).join(' ');

/** The step that mends lines of lettering, as one area. */
export function mendLettering(lines: readonly FoundLine[], longerSidePx: number): RetouchStep & { kind: 'mend' } {
  return {
    kind: 'mend',
    areas: lines.map(({ outline }) => ({ by: 'outline', outline })),
    growPx: Math.max(3, Math.round(GROWN_SHARE * longerSidePx)),
    how: null,
    seed: 1,
    what: said(lines).slice(0, 80),
  };
}

/** Lettering that reads wrong, and lettering that nobody asked for. */
export function letteringNoticed(lines: readonly FoundLine[], asked: string, longerSidePx: number): Noticed[] {
  const wrong = lines.filter((l) => !l.isRight && l.asked !== null);
  const unasked = lines.filter((l) => l.asked === null && (asked === '' || !l.isRight));
  const one = (some: readonly FoundLine[], kind: Noticed['kind'], told: string): Noticed[] =>
    some.length
      ? [
          {
            kind,
            told,
            boxes: some.flatMap((l) => l.words.map((w) => w.box)),
            step: mendLettering(some, longerSidePx),
            isSmall: false,
          },
        ]
      : [];
  return [
    ...one(wrong, 'lettering', `reads ${said(wrong)}, asked ${wrong.map((l) => l.asked).join(' ')}`),
    ...one(unasked, 'lettering-unasked', `lettering not asked for: ${said(unasked)}`),
  ];
}
