/** What is being written, kept in this browser so that it outlives a reload and a closed tab. Without storage nothing is kept, and nothing else fails. */

/** What was kept at a place, laid over what is there to begin with; null when nothing was, or it cannot be read. */
export function kept<T extends object>(place: string, fresh: T): T | null {
  try {
    const text = localStorage.getItem(place);
    const read = text ? (JSON.parse(text) as T | null) : null;
    return read && typeof read === 'object' && !Array.isArray(read) ? { ...fresh, ...read } : null;
  } catch {
    return null;
  }
}

export function keep(place: string, value: object): void {
  try {
    localStorage.setItem(place, JSON.stringify(value));
  } catch {
    // A browser without storage, or a full one, loses it at a reload.
  }
}

export function forget(place: string): void {
  try {
    localStorage.removeItem(place);
  } catch {
    // Then there was nothing.
  }
}
