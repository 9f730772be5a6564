/** What can be taken back and done again on a screen, in words; null where there is nothing. */
export interface Undoing {
  readonly undo: string | null;
  readonly redo: string | null;
  readonly onundo: () => void;
  readonly onredo: () => void;
}

/** The undo of the screen that is open: it takes back what one sees there, and nothing else. */
class UndoPlace {
  current = $state.raw<Undoing | null>(null);

  /** Puts a screen's own undo in the top bar, until the function it gives is called. */
  put(undoing: Undoing): () => void {
    this.current = undoing;
    return () => {
      if (this.current === undoing) this.current = null;
    };
  }
}

export const undoPlace = new UndoPlace();
