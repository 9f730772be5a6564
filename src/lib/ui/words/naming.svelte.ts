import type { Name } from '$core/naming';
import type { ClientName, Commission, DecisionState } from '$lib/contract/answers';
import { ask } from '../api';
import { keep, kept } from '../kept';
import { notices } from '../notices.svelte';
import { outbox } from '../outbox.svelte';
import { reload } from '../reload';

/** What names are made from. */
export interface Asked {
  trade: string;
  place: string;
  mood: string;
  audience: string;
}

const NONE: Asked = { trade: '', place: '', mood: '', audience: '' };

/** Names being found for a client: what they are made of, those that were made, and what was decided about them. */
export class Naming {
  readonly fields: readonly { readonly id: keyof Asked; readonly label: string }[] = [
    { id: 'trade', label: 'What the client does' },
    { id: 'place', label: 'Place' },
    { id: 'mood', label: 'Mood' },
    { id: 'audience', label: 'For whom' },
  ];
  asked = $state<Asked>({ ...NONE });
  made = $state.raw<readonly Name[]>([]);
  like = $state.raw<Name | ClientName | null>(null);
  busy = $state(false);
  #seed = 0;
  readonly #commission: Commission;
  readonly #decided: () => readonly ClientName[];

  constructor(commission: Commission, decided: () => readonly ClientName[]) {
    this.#commission = commission;
    this.#decided = decided;
    const { trade, mood, audience } = commission;
    const place = `odd-quill-naming-${commission.id}`;
    this.asked = kept(place, NONE) ?? { trade, place: '', mood, audience };
    $effect(() => keep(place, $state.snapshot(this.asked)));
  }

  get decided(): readonly ClientName[] {
    return this.#decided();
  }

  decisionOf(name: string): DecisionState {
    return this.#decided().find((n) => n.name === name)?.decision ?? 'undecided';
  }

  /** Names that were decided about stand above; here are the others. */
  get fresh(): readonly Name[] {
    return this.made.filter((n) => this.decisionOf(n.name) === 'undecided');
  }

  async make(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    try {
      const earlier = [...this.#decided().map((n) => n.name)];
      const { like } = this;
      this.made = await ask<Name[]>('POST', '/api/names', {
        ...$state.snapshot(this.asked),
        earlier,
        like: like ? { name: like.name, way: like.way, of: like.of } : null,
        count: 50,
        seed: ++this.#seed,
      });
    } catch (error) {
      notices.fail(error);
    } finally {
      this.busy = false;
    }
  }

  moreLike(name: Name | ClientName | null): void {
    this.like = name;
    void this.make();
  }

  async decide(name: Name | ClientName, decision: DecisionState): Promise<void> {
    const now = this.decisionOf(name.name);
    const to = now === decision ? 'undecided' : decision;
    const { way, of, told } = name;
    try {
      await outbox.send({
        method: 'POST',
        path: `/api/commissions/${this.#commission.id}/names`,
        body: { name: name.name, way, of, told, decision: to },
        what: `${name.name} ${{ kept: 'kept', aside: 'set aside', undecided: 'undecided again' }[to]}`,
        settle: () => reload('odd-quill:commission'),
      });
    } catch (error) {
      notices.fail(error);
    }
  }
}
