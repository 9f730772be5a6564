import type { Round } from '$lib/contract/answers';

/** A round that is being written. */
export interface RoundDraft {
  prompt: string;
  leaveOut: string;
  leeway: number;
  ratio: string;
  colours: number | null;
  count: number;
}

const FRESH: RoundDraft = { prompt: '', leaveOut: '', leeway: 35, ratio: '1:1', colours: null, count: 4 };

/** A draft that starts where a round was. */
export function draftFrom(round: Round | null): RoundDraft {
  if (!round) return { ...FRESH };
  const { prompt, leaveOut, leeway, ratio, colours, count } = round;
  return { prompt, leaveOut, leeway, ratio, colours, count };
}

const place = (commissionId: string) => `odd-quill-draft-${commissionId}`;

/** The draft that was being written in this browser, if there was one. */
export function keptDraft(commissionId: string): RoundDraft | null {
  try {
    const text = localStorage.getItem(place(commissionId));
    return text ? { ...FRESH, ...(JSON.parse(text) as RoundDraft) } : null;
  } catch {
    return null;
  }
}

export function keepDraft(commissionId: string, draft: RoundDraft): void {
  try {
    localStorage.setItem(place(commissionId), JSON.stringify(draft));
  } catch {
    // A browser without storage loses a draft at a reload, and nothing else.
  }
}
