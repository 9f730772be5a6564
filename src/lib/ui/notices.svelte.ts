import { sentenceOf } from '$lib/workers/told';

/** Short sentences about what happened, shown below the top bar and read out. */
export interface Notice {
  readonly id: string;
  readonly text: string;
  readonly grave: boolean;
  readonly action?: { readonly label: string; readonly run: () => void };
}

const SHOWN_MS = 6000;

class Notices {
  list = $state.raw<readonly Notice[]>([]);
  private count = 0;

  /** Shows a notice; one with the same id is replaced. Grave ones, and those with an action, stay until they are put away. */
  tell(text: string, options: Partial<Omit<Notice, 'text'>> = {}): void {
    const notice: Notice = { id: `notice-${++this.count}`, grave: false, ...options, text };
    this.list = [...this.list.filter((n) => n.id !== notice.id), notice].slice(-3);
    if (!notice.grave && !notice.action) setTimeout(() => this.dropExact(notice), SHOWN_MS);
  }

  /** Shows what an error says. */
  fail(error: unknown, action?: Notice['action']): void {
    this.tell(sentenceOf(error), { grave: true, ...(action ? { action } : {}) });
  }

  drop(id: string): void {
    this.list = this.list.filter((n) => n.id !== id);
  }

  private dropExact(notice: Notice): void {
    this.list = this.list.filter((n) => n !== notice);
  }
}

export const notices = new Notices();
