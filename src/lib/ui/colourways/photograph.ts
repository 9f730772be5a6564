import type { GroundColour } from '$lib/contract/answers';

/** A street at dusk, out of focus, as no camera took it: dark, light and coloured behind one mark. */
const SKY = ['#7C93B2', '#D8B394'] as const;
const SHAPES: readonly { readonly d: string; readonly hex: string }[] = [
  { d: 'M-20 70 60 62 60 160-20 160Z', hex: '#3C434F' },
  { d: 'M58 40 104 44 104 160 58 160Z', hex: '#55505A' },
  { d: 'M104 82 168 76 168 160 104 160Z', hex: '#2E3540' },
  { d: 'M160 54 250 46 250 160 160 160Z', hex: '#6D5F58' },
  { d: 'M-20 122 250 116 250 170-20 170Z', hex: '#4A4B50' },
];
const LIGHTS: readonly (readonly [number, number, number, string])[] = [
  [34, 92, 9, '#F4D28A'],
  [84, 70, 7, '#F2E3C0'],
  [122, 104, 11, '#E7A26B'],
  [150, 92, 6, '#C7DDE8'],
  [196, 84, 10, '#F4D28A'],
  [214, 118, 8, '#C9665B'],
];

/** The colours that a mark on it lies on. */
const HEXES = [...SKY, ...SHAPES.map((s) => s.hex), ...LIGHTS.map((l) => l[3])];

function pictureOf(seen: (hex: string) => string): string {
  const stops = SKY.map((hex, k) => `<stop offset="${k}" stop-color="${seen(hex)}"/>`).join('');
  const shapes = SHAPES.map(({ d, hex }) => `<path d="${d}" fill="${seen(hex)}"/>`).join('');
  const lights = LIGHTS.map(
    ([x, y, r, hex]) => `<circle cx="${x}" cy="${y}" r="${r}" fill="${seen(hex)}" fill-opacity=".8"/>`,
  ).join('');
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 240 150" width="240" height="150" preserveAspectRatio="xMidYMid slice"><defs><linearGradient id="s" x1="0" y1="0" x2="0" y2="1">${stops}</linearGradient>` +
    `<filter id="f" x="-20%" y="-20%" width="140%" height="140%"><feGaussianBlur stdDeviation="5"/></filter><filter id="l" x="-40%" y="-40%" width="180%" height="180%"><feGaussianBlur stdDeviation="1"/></filter></defs>` +
    `<rect width="240" height="150" fill="url(#s)"/><g filter="url(#f)">${shapes}</g><g filter="url(#l)">${lights}</g></svg>`;
  return `data:image/svg+xml,${encodeURIComponent(svg)}`;
}

const pictures = new Map<string, string>();

/** A ground: one colour, or a picture with the colours in it. */
export interface Ground extends GroundColour {
  /** One that no other ground has: names may be given twice. */
  readonly key: string;
  readonly hexes: readonly string[];
  /** Its picture as others see it, for CSS; none of a colour. */
  readonly picture?: (seen: (hex: string) => string, as: string) => string;
}

export const plainGround = (ground: GroundColour, k: number): Ground => ({ ...ground, key: `${k} ${ground.hex}`, hexes: [ground.hex] }); // prettier-ignore

export const PHOTOGRAPH: Ground = {
  key: 'photograph',
  name: 'photograph',
  hex: '#6D5F58',
  hexes: HEXES,
  picture(seen, as) {
    let picture = pictures.get(as);
    if (!picture) pictures.set(as, (picture = pictureOf(seen)));
    return picture;
  },
};
