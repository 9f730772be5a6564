export interface Identity {
  readonly pid: number;
  readonly began: string | null;
}
export function identityOf(pid: number): Identity;
export function isAlive(identity: Identity | null | undefined): boolean;
export function wordsOf(pid: number): string[];
export function endProcess(identity: Identity, options?: { signal?: string; waitMs?: number }): Promise<void>;
