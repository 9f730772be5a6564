import { LEEWAY_DEFAULT, REFERENCE_LIMIT } from '$core/credit';
import type { Kind } from '$core/prompt';
import type { Candidate, Round } from '$lib/contract/answers';
import { keep, kept } from '../kept';

/** A picture given with the prompt that is being written. */
export interface DraftReference {
  pictureId: string;
  closeness: number;
}

/** The candidates that a round grows from. */
export type DraftWay =
  | { kind: 'offshoot'; candidateId: string; label: string; pictureId: string; drift: number }
  | {
      kind: 'crossing';
      candidateIds: [string, string];
      labels: [string, string];
      pictureIds: [string, string];
      balance: number;
    };

/** A round that is being written. */
export interface RoundDraft {
  prompt: string;
  leaveOut: string;
  leeway: number;
  ratio: string;
  colours: number | null;
  count: number;
  finish: string | null;
  kind: Kind | null;
  detail: number | null;
  references: DraftReference[];
  way: DraftWay | null;
}

const FRESH: RoundDraft = {
  prompt: '',
  leaveOut: '',
  leeway: LEEWAY_DEFAULT,
  ratio: '1:1',
  colours: null,
  count: 4,
  finish: null,
  kind: null,
  detail: null,
  references: [],
  way: null,
};

/** A draft that starts where a round was; what it grew from stays behind. */
export function draftFrom(round: Round | null): RoundDraft {
  if (!round) return { ...FRESH, references: [] };
  const { prompt, leaveOut, leeway, ratio, colours, count, finish, kind, detail } = round;
  const own = round.way.kind === 'prompt' ? round.references : [];
  return {
    ...FRESH,
    prompt,
    leaveOut,
    leeway,
    ratio: RATIOS.includes(ratio) ? ratio : '1:1',
    colours,
    count: round.way.kind === 'redo' || round.way.kind === 'enlarge' ? FRESH.count : count,
    finish,
    kind,
    detail,
    references: own.map(({ pictureId, closeness }) => ({ pictureId, closeness })),
  };
}

export const RATIOS = ['1:1', '3:2', '2:3', '4:3', '16:9', '9:16'];

/** The draft grown from a candidate: its words stay as they are until they are changed. */
export const offshootOf = (draft: RoundDraft, candidate: Candidate, round: Round | null): RoundDraft => ({
  ...draft,
  ...(round
    ? {
        prompt: round.prompt,
        leaveOut: round.leaveOut,
        colours: round.colours,
        finish: round.finish,
        kind: round.kind,
        detail: round.detail,
      }
    : {}),
  references: [],
  way: {
    kind: 'offshoot',
    candidateId: candidate.id,
    label: candidate.label,
    pictureId: candidate.pictureId,
    drift: draft.way?.kind === 'offshoot' ? draft.way.drift : 25,
  },
});

export const crossingOf = (draft: RoundDraft, first: Candidate, second: Candidate): RoundDraft => ({
  ...draft,
  prompt: '',
  references: [],
  way: {
    kind: 'crossing',
    candidateIds: [first.id, second.id],
    labels: [first.label, second.label],
    pictureIds: [first.pictureId, second.pictureId],
    balance: 50,
  },
});

/** What is sent for a draft. */
export function requestOf({ way, ...rest }: RoundDraft): Record<string, unknown> {
  if (way === null) return { ...rest, way: null };
  return {
    ...rest,
    way:
      way.kind === 'offshoot'
        ? { kind: 'offshoot', candidateId: way.candidateId, drift: way.drift }
        : { kind: 'crossing', candidateIds: way.candidateIds, balance: way.balance },
  };
}

/** Whether there is anything to go by. */
export const canAsk = (draft: RoundDraft): boolean =>
  draft.prompt.trim().length > 0 || draft.references.length > 0 || draft.way !== null;

const place = (commissionId: string) => `odd-quill-draft-${commissionId}`;

/** The draft that was being written in this browser, if there was one. */
export const keptDraft = (commissionId: string): RoundDraft | null => kept(place(commissionId), FRESH);

export const keepDraft = (commissionId: string, draft: RoundDraft): void => keep(place(commissionId), draft);

/** The page that shows a wall hears of a reference that came late by this event. */
export const GIVEN = 'odd-quill-given';

/** Gives a picture, which waited in this browser until the server had it, with the prompt it was meant for. */
export function giveLater(commissionId: string, pictureId: string): void {
  const draft = keptDraft(commissionId) ?? draftFrom(null);
  if (draft.references.some((r) => r.pictureId === pictureId) || draft.references.length >= REFERENCE_LIMIT) return;
  keepDraft(commissionId, { ...draft, way: null, references: [...draft.references, { pictureId, closeness: 70 }] });
  window.dispatchEvent(new CustomEvent(GIVEN, { detail: commissionId }));
}

/** Puts words into the prompt that is being written, wherever that is shown; gives the draft there was. */
export function putPrompt(commissionId: string, words: Partial<Pick<RoundDraft, 'prompt' | 'leaveOut'>>): RoundDraft {
  const before = keptDraft(commissionId) ?? draftFrom(null);
  keepDraft(commissionId, { ...before, ...words, way: null });
  window.dispatchEvent(new CustomEvent(GIVEN, { detail: commissionId }));
  return before;
}
