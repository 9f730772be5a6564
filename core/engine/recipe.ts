import type { Kind } from '../prompt';
import type { Descent } from './knobs';

/** How one candidate was made; with the same references it can be drawn again at any size, and grown from. Plain data. */
export interface Recipe {
  readonly version: 1;
  readonly prompt: string;
  readonly leaveOut: string;
  readonly usualColours?: string;
  readonly leeway: number;
  readonly ratio: string;
  readonly colours: number | null;
  readonly finish: string | null;
  readonly kind: Kind | null;
  readonly detail: number | null;
  readonly flaws: number;
  readonly descent: readonly Descent[];
  readonly position: number;
  readonly closeness: readonly number[];
  readonly balance: number | null;
  /** Areas were made again since: it cannot be drawn from the recipe alone. */
  readonly mended: boolean;
}
