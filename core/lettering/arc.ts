/** Text on a circle, to be read from outside above and below. */
import type { PlacedGlyph, SetLine, SetText } from './set';

export interface ArcOptions {
  /** Of the circle that the baseline is, in px. */
  readonly radiusPx: number;
  /** Above, letters stand on the outside of the circle; below, they stand on it from inside, so that both are read from left to right. */
  readonly side: 'above' | 'below';
  /** At which height letters have the space that they have on a straight line: at the baseline, at their tops, or half-way. */
  readonly evenAt?: 'baseline' | 'outside' | 'middle';
}

/** Text that has no room on its circle, in a sentence. */
export class ArcError extends Error {
  override readonly name = 'ArcError';
}

/** A line set on a circle about 0, 0, its middle at the top or the bottom: each glyph's origin lies on it, turned as the circle is under its middle. Throws an ArcError. */
export function onArc(line: SetLine, { xHeightPx }: Pick<SetText, 'xHeightPx'>, options: ArcOptions): PlacedGlyph[] {
  const { radiusPx, side, evenAt = 'baseline' } = options;
  if (!(radiusPx > 0)) throw new ArcError('a radius above 0 px is needed');
  const height = { baseline: 0, middle: 0.5, outside: 1 }[evenAt] * xHeightPx;
  // Above, tops are further out than the baseline; below, nearer to the middle.
  const even = side === 'above' ? radiusPx + height : radiusPx - height;
  if (!(even > 0))
    throw new ArcError(`a radius of ${Number(radiusPx.toFixed(2))} px is less than the letters are high`);
  const whole = line.widthPx / even;
  if (whole > 2 * Math.PI)
    throw new ArcError(
      `this text needs a radius of ${Math.ceil(radiusPx + line.widthPx / (2 * Math.PI) - even)} px or more: on ${Number(radiusPx.toFixed(2))} px it would run into itself`,
    );
  const first = line.glyphs[0]?.x ?? 0;
  return line.glyphs.map((g): PlacedGlyph => {
    const at = (g.x - first) / even - whole / 2;
    // Turned as at the middle of the letter, standing where its origin is.
    const turn = at + g.advance / even / 2;
    return side === 'above'
      ? { ...g, x: radiusPx * Math.sin(at), y: -radiusPx * Math.cos(at), turnDeg: (turn * 180) / Math.PI }
      : { ...g, x: radiusPx * Math.sin(at), y: radiusPx * Math.cos(at), turnDeg: (-turn * 180) / Math.PI };
  });
}
