import { cmykOf, type Cmyk } from '../../colour';

/** What an ink is on a press, where that was given: its shares, or a spot ink's name. */
export interface PressInk {
  /** 0..100 each. */
  readonly cmyk?: readonly [number, number, number, number];
  /** The name of a spot ink: its own plate. */
  readonly spot?: string;
}

/** 'rgb' for screens and offices, 'cmyk' for four-colour printing, 'plates' with a plate of its own for every ink. */
export type PrintColours = 'rgb' | 'cmyk' | 'plates';

/** More ink than this, in percent of all four together, does not dry. */
export const MOST_INK_PERCENT = 300;

/** What the conversion of `cmykOf` is called in documents. */
export const CMYK_STATED =
  'sRGB to CMYK without a profile: common grey is printed with black alone (c = (1 - r - k) / (1 - k), k = 1 - max(r, g, b)); under 300% ink in all';

/** An ink's shares as they go to the press: as given, or by the stated conversion. */
export const pressShares = (hex: string, { cmyk }: PressInk = {}): Cmyk =>
  cmyk ? (cmyk.map((v) => Math.max(0, Math.min(1, v / 100))) as unknown as Cmyk) : cmykOf(hex);

/** All ink of some shares together, in percent. */
export const totalInk = (shares: Cmyk): number => 100 * shares.reduce((sum, v) => sum + v, 0);
