// Sets and maps here are looked things up in, and never shown.
/* eslint-disable svelte/prefer-svelte-reactivity */
import { browser } from '$app/environment';
import { editedLockup, LockupError, type Lockup, type LockupEdit } from '$core/lockup';
import { editedListBy, ListEditError, type ListEdit, type Retouched } from '$core/retouch';
import { applyEdits, EditError, type Artwork, type Edit } from '$core/vector';
import type { ActsAnswer, WorkState } from '$lib/contract/answers';
import { ApiError, ask, untilAnswered } from '../api';
import { notices } from '../notices.svelte';
import { reload } from '../reload';
import type { Undoing } from '../shell/undo.svelte';
import { freshKey } from '../tab';
import { adopt, keepWaiting, type Act } from './waiting';

/** How many acts go in one request. */
const TOGETHER = 50;

/** Heads that acts of this page led to: what is heard of them is no news. */
const ownHeads = new Set<string>();
export const isOwnHead = (head: string | undefined): boolean => head !== undefined && ownHeads.has(head);

/** How edits change works of a kind. */
interface LineKind<State, E> {
  /** The state after edits that belong together; throws what `isRefusal` knows where they do not fit it. */
  readonly apply: (state: State, edits: readonly E[]) => State;
  readonly isRefusal: (error: unknown) => boolean;
}

const ARTWORK: LineKind<Artwork, Edit> = {
  apply: (state, edits) => applyEdits(state, edits).artwork,
  isRefusal: (error) => error instanceof EditError,
};

const RETOUCHED: LineKind<Retouched, ListEdit> = {
  apply: (state, edits) => editedListBy(state, edits).state,
  isRefusal: (error) => error instanceof ListEditError,
};

const LOCKUP: LineKind<Lockup, LockupEdit> = {
  apply: (state, edits) => editedLockup(state, edits).state,
  isRefusal: (error) => error instanceof LockupError,
};

/** A state with the edits of acts on top. Undo takes back the edit before it; one that goes further back is seen once the server answers. */
function withActs<State, E>(kind: LineKind<State, E>, state: State, acts: readonly Act[]): State {
  const states = [state];
  for (const act of acts) {
    if (act.kind === 'undo') {
      if (states.length > 1) states.pop();
    } else if (act.kind === 'edit') {
      try {
        states.push(kind.apply(states[states.length - 1], act.edits as E[]));
      } catch (error) {
        // Kept by a page of before, and made against another state: the server will say so.
        if (!kind.isRefusal(error)) throw error;
      }
    }
  }
  return states[states.length - 1];
}

/**
 * A work as the page has it: the newest state heard of, acts that wait to be answered on top of it, and an edit that is being tried out. Acts show at once,
 * are sent in their order, several together where they come fast, and are kept in the browser until they are answered, so that neither a network that goes
 * away nor a closed tab loses one.
 */
export class WorkLine<State = Artwork, E = Edit> {
  /** The newest state heard of. */
  state = $state.raw() as WorkState<State>;
  private acts = $state.raw<readonly Act[]>([]);
  /** Edits that are being tried out, while a control moves. */
  tried = $state.raw<E | readonly E[] | null>(null);

  /** Whether acts wait to be kept. */
  get isWaiting(): boolean {
    return this.acts.length > 0;
  }

  /**
   * What is to be shown. Worked out when it is asked for, and remembered by whoever shows it: a derived value of this class would belong to the page that
   * made it first, and end with that.
   */
  get drawing(): State {
    const drawing = this.kept;
    try {
      return this.tried ? this.kind.apply(drawing, [this.tried].flat() as E[]) : drawing;
    } catch {
      return drawing;
    }
  }

  /** The same without what is being tried out. */
  get kept(): State {
    return withActs(this.kind, this.state.drawing, this.acts);
  }

  private sending: Promise<void> | null = null;

  constructor(
    state: WorkState<State>,
    private readonly kind: LineKind<State, E>,
  ) {
    this.state = this.fromPage = state;
    if (browser)
      void adopt(state.id).then((left) => {
        const own = new Set(this.acts.map((a) => a.key));
        const acts = left?.acts.filter((a) => !own.has(a.key)) ?? [];
        if (acts.length) {
          this.base ??= left!.head;
          this.add(acts);
        }
        // Acts of before this tab had a name, under which they are kept.
        else if (own.size) this.keep(this.acts);
      });
  }

  /** The head that the first waiting act builds on. */
  private base: string | null = null;

  /** A state that came with the page's data; while acts wait, their answer tells better. */
  hear(state: WorkState<State>): void {
    // The same data again, with other data of the page that is new: this line knows better by now.
    if (state === this.fromPage) return;
    this.fromPage = state;
    if (!this.acts.length) this.state = state;
  }
  private fromPage: WorkState<State>;

  /** Makes edits that belong together. One that cannot be made is told, and nothing happens. */
  edit(...edits: readonly E[]): void {
    this.tried = null;
    try {
      this.kind.apply(this.kept, edits);
    } catch (error) {
      notices.fail(error);
      return;
    }
    this.add([{ kind: 'edit', key: freshKey(), edits: [...edits] as never[] }]);
  }
  undo(): void {
    this.add([{ kind: 'undo', key: freshKey() }]);
  }
  redo(): void {
    this.add([{ kind: 'redo', key: freshKey() }]);
  }
  returnTo(stepId: string): void {
    this.add([{ kind: 'return', key: freshKey(), stepId }]);
  }

  /** What an undo would take back, in words; null when nothing. */
  private get undoWords(): string | null {
    if (this.acts.at(-1)?.kind === 'edit') return 'the change just made';
    const { canUndo, head, steps } = this.state;
    return canUndo ? (steps.find((s) => s.id === head)?.told ?? 'the last change') : null;
  }

  /** The undo of a screen of this work. */
  get undoing(): Undoing {
    return {
      undo: this.undoWords,
      redo: this.state.canRedo ? 'the newest change after this' : null,
      onundo: () => this.undo(),
      onredo: () => this.redo(),
    };
  }

  /** Resolves when nothing waits any more. */
  async settled(): Promise<void> {
    while (this.sending) await this.sending;
  }

  private add(acts: readonly Act[]): void {
    if (!this.acts.length) this.base ??= this.state.head;
    this.keep([...this.acts, ...acts]);
    this.start();
  }

  private start(): void {
    this.sending ??= this.send().finally(() => {
      this.sending = null;
      // What was added while the last answer was being taken.
      if (this.acts.length) this.start();
    });
  }

  private keep(acts: readonly Act[]): void {
    this.acts = acts;
    if (!acts.length) this.base = null;
    keepWaiting(this.state.id, { head: this.base ?? this.state.head, acts });
  }

  private async send(): Promise<void> {
    // A moment for what belongs to the same turn of the page.
    await Promise.resolve();
    while (this.acts.length) {
      const sent = this.acts.slice(0, TOGETHER);
      const body = { head: this.base ?? this.state.head, acts: sent };
      try {
        this.take(
          await untilAnswered(() => ask<ActsAnswer<State>>('POST', `/api/works/${this.state.id}/acts`, body)),
          sent,
        );
      } catch (error) {
        await this.refused(error, sent);
      }
    }
    void reload('odd-quill:commission');
  }

  private take(answer: ActsAnswer<State>, sent: readonly Act[]): void {
    const { drawing, refused, added, head, version, canUndo, canRedo } = answer;
    ownHeads.add(head);
    const until = refused ? sent.findIndex((a) => a.key === refused.key) : sent.length;
    const after = drawing ?? withActs(this.kind, this.state.drawing, sent.slice(0, until));
    const known = new Set(added.map((s) => s.id));
    this.state = {
      ...this.state,
      head,
      version,
      canUndo,
      canRedo,
      drawing: after,
      steps: [...added, ...this.state.steps.filter((s) => !known.has(s.id))],
    };
    this.base = head;
    // What came after a refused act was never looked at: it is sent again, without that one.
    this.keep(this.acts.slice(refused ? until + 1 : until));
    if (refused) notices.fail(new ApiError(422, refused.code, refused.message));
  }

  /** The server does not do the first of what was sent: the rest is looked at again from its newest state. */
  private async refused(error: unknown, sent: readonly Act[]): Promise<void> {
    const look = () => ask<WorkState<State>>('GET', `/api/works/${this.state.id}`);
    const fresh = await untilAnswered(look).catch(() => null);
    if (!(error instanceof ApiError) || error.code !== 'changed_elsewhere') {
      notices.fail(error);
      if (fresh) this.state = fresh;
      this.base = this.state.head;
      this.keep(this.acts.slice(1));
      return;
    }
    const done = new Set((error.fields.done ?? '').split(','));
    const lost = this.acts.filter((a) => !done.has(a.key));
    const edits = lost.flatMap((a) => (a.kind === 'edit' ? [a.edits as E[]] : []));
    notices.fail(error, {
      label: 'Make my change',
      run: () =>
        edits.length
          ? edits.forEach((e) => this.edit(...e))
          : lost.slice(0, sent.length).forEach((a) => this.add([{ ...a, key: freshKey() }])),
    });
    if (fresh) this.state = fresh;
    this.keep([]);
  }
}

const lines = new Map<string, WorkLine<never, never>>();

/** The line of a work: one for as long as the page lives, so that what waits goes on being sent from any screen. */
function oneLine<State, E>(state: WorkState<State>, kind: LineKind<State, E>): WorkLine<State, E> {
  // On the server there is nothing to send, and nothing may be shared between requests.
  if (!browser) return new WorkLine(state, kind);
  let line = lines.get(state.id) as WorkLine<State, E> | undefined;
  if (!line) lines.set(state.id, (line = new WorkLine(state, kind)) as never);
  return line;
}

export const lineOf = (state: WorkState): WorkLine => oneLine(state, ARTWORK);
export const retouchingLineOf = (state: WorkState<Retouched>): WorkLine<Retouched, ListEdit> =>
  oneLine(state, RETOUCHED);
export const lockupLineOf = (state: WorkState<Lockup>): WorkLine<Lockup, LockupEdit> => oneLine(state, LOCKUP);
