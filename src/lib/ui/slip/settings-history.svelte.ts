const REST_MS = 350;

/** One change of settings, and what it is called. */
interface Step<S> {
  readonly before: S;
  readonly after: S;
  readonly told: string;
}

/**
 * What was set on a screen, so that it can be taken back: settings that change while a control moves are one step once they rest. The settings themselves stay
 * with the screen, which hears what to set.
 */
export class SettingsHistory<S extends object> {
  private past = $state.raw<readonly Step<S>[]>([]);
  private future = $state.raw<readonly Step<S>[]>([]);
  private now: S;
  private pending: S | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** `tell` says what changed in a few words; `set` makes settings hold. */
  constructor(
    first: S,
    private readonly tell: (before: S, after: S) => string,
    private readonly set: (settings: S) => void,
  ) {
    this.now = first;
  }

  get undo(): string | null {
    return this.past[this.past.length - 1]?.told ?? null;
  }
  get redo(): string | null {
    return this.future[this.future.length - 1]?.told ?? null;
  }

  /** Hears of settings as they are now; gives whether they are any others than at the beginning, or were. */
  hear(settings: S): boolean {
    clearTimeout(this.timer);
    const isChanged = JSON.stringify(settings) !== JSON.stringify(this.now);
    this.pending = isChanged ? settings : null;
    if (isChanged) this.timer = setTimeout(() => this.rest(), REST_MS);
    return isChanged || this.past.length > 0 || this.future.length > 0;
  }

  /** Makes a step of what was being set. */
  private rest(): void {
    clearTimeout(this.timer);
    if (!this.pending) return;
    const step = { before: this.now, after: this.pending, told: this.tell(this.now, this.pending) };
    this.past = [...this.past, step];
    this.future = [];
    this.now = this.pending;
    this.pending = null;
  }

  takeBack(): void {
    this.rest();
    const step = this.past[this.past.length - 1];
    if (!step) return;
    this.past = this.past.slice(0, -1);
    this.future = [...this.future, step];
    this.now = step.before;
    this.set(step.before);
  }

  doAgain(): void {
    this.rest();
    const step = this.future[this.future.length - 1];
    if (!step) return;
    this.future = this.future.slice(0, -1);
    this.past = [...this.past, step];
    this.now = step.after;
    this.set(step.after);
  }
}
