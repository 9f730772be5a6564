export const ROOT: string;
export const DATA: string;
export const isRoot: boolean;
export class SetupError extends Error {}
export function chromiumPath(): string | null;
export function postgresPrograms(): string | null;
export function ensureBuild(): boolean;
export function freePort(): Promise<number>;
export function ensurePackages(options?: { browser?: boolean; renderers?: boolean }): void;
