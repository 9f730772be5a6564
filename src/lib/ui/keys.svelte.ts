import { untrack } from 'svelte';

/** One key of a screen, as the list of keys shows it. */
export interface Key {
  /** As in "k", "Shift+ArrowLeft", "Mod+z"; Mod is Ctrl, or Command on a Mac. */
  readonly press: string;
  readonly label: string;
  readonly run: () => void;
}

/** Keys of the screens that are open, the latest last. */
class Keys {
  groups = $state.raw<readonly (readonly Key[])[]>([]);

  /** Adds keys until the function it gives is called. */
  add(keys: readonly Key[]): () => void {
    // Whoever adds keys in an effect does not wish to hear when others do.
    this.groups = [...untrack(() => this.groups), keys];
    return () => {
      this.groups = this.groups.filter((g) => g !== keys);
    };
  }

  private find(press: string): Key | undefined {
    for (let i = this.groups.length - 1; i >= 0; i--) {
      const key = this.groups[i].find((k) => k.press === press);
      if (key) return key;
    }
    return undefined;
  }

  /** Runs the key that an event is; letters are left to fields that one types in, and arrows to controls that use them. */
  handle(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    const typing = target.matches(
      'input:not([type=checkbox]):not([type=radio]):not([type=color]), textarea, select, [contenteditable]',
    );
    const mod = event.ctrlKey || event.metaKey;
    if (event.defaultPrevented || event.isComposing || event.altKey) return;
    if (typing && event.key === 'Escape') {
      // Out of the field, to where the keys of the screen are heard.
      target.blur();
      document.querySelector<HTMLElement>('main')?.focus({ preventScroll: true });
    }
    if (typing && !(mod && event.key === 'Enter')) return;
    if (event.key.startsWith('Arrow') && target.matches('[role=slider], [role=radio]')) return;
    if ((event.key === 'Enter' || event.key === ' ') && !mod && target.matches('button, a, summary')) return;
    const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    // Signs such as "?" need Shift on some keyboards and not on others.
    const shifted = event.shiftKey && (event.key.length > 1 || /[a-z]/i.test(event.key));
    const key = this.find(`${mod ? 'Mod+' : ''}${shifted ? 'Shift+' : ''}${name}`);
    if (!key) return;
    event.preventDefault();
    key.run();
  }
}

export const keys = new Keys();

/** The key as it is printed on a keyboard. */
export const keyLabel = (press: string): string =>
  press
    .replace('Mod+', 'Ctrl ')
    .replace('Shift+', 'Shift ')
    .replace(/Arrow(Left|Right|Up|Down)/, (_, side: string) => ({ Left: '←', Right: '→', Up: '↑', Down: '↓' })[side]!)
    .replace(/\b[a-z]$/, (c) => c.toUpperCase());
