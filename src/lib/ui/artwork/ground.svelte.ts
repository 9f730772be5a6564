import { clearestGround } from '$core/judge';
import type { GroundColour } from '$lib/contract/answers';

/** What is known of a work that is shown: its inks, and the ground of the picture that it was made from. */
interface Shown {
  readonly groundHex: string | null;
  readonly drawing: { readonly inks: readonly { readonly hex: string }[] };
}

/** The ground that an artwork is shown on: one of the commission's, the picture's own, or none. It begins with the one on which its inks show best. */
export class OnGround {
  /** Which of the grounds; past the last is none. */
  at = $state(0);

  constructor(
    private readonly given: () => readonly GroundColour[],
    private readonly artwork: () => Shown,
  ) {
    this.at = clearestGround(
      given().map((g) => g.hex),
      artwork().drawing.inks.map((i) => i.hex),
    );
  }

  get grounds(): readonly GroundColour[] {
    const { groundHex } = this.artwork();
    const given = this.given();
    const isNew = groundHex && !given.some((g) => g.hex === groundHex);
    return isNew ? [...given, { name: "the picture's ground", hex: groundHex }] : given;
  }

  /** Its colour; null for none. */
  get hex(): string | null {
    return this.grounds[this.at]?.hex ?? null;
  }

  shift(by: number): void {
    const count = this.grounds.length + 1;
    this.at = (this.at + by + count) % count;
  }
}
