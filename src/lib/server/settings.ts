/** What the environment settles; read when it is needed, so that tests can set it first. */
import { join } from 'node:path';

const text = (name: string): string | undefined => process.env[name]?.trim() || undefined;

export const settings = {
  databaseUrl: (): string => {
    const url = text('ODD_QUILL_DATABASE_URL');
    if (!url) throw new Error('ODD_QUILL_DATABASE_URL is not set; `npm start` sets it');
    return url;
  },
  engineUrl: (): string => text('ODD_QUILL_ENGINE_URL') ?? 'http://127.0.0.1:4711',
  engineToken: (): string | undefined => text('ODD_QUILL_ENGINE_TOKEN'),
  /** How long the engine may take to answer one request. */
  engineTimeoutMs: (): number => Number(text('ODD_QUILL_ENGINE_TIMEOUT_MS') ?? 15_000),
  /** How long an engine that does not answer is waited for before a round fails. */
  engineAwayMs: (): number => Number(text('ODD_QUILL_ENGINE_AWAY_MS') ?? 20_000),
  /** How long a round may take in all. */
  roundTimeoutMs: (): number => Number(text('ODD_QUILL_ROUND_TIMEOUT_MS') ?? 180_000),
  /** How long what is computed on request may take, its wait included. */
  computeTimeoutMs: (): number => Number(text('ODD_QUILL_COMPUTE_TIMEOUT_MS') ?? 60_000),
  /** Whether the lettering of new candidates is read by itself, or only where somebody looks at it. */
  readsByItself: (): boolean => text('ODD_QUILL_READING') !== 'asked',
  /** Names by which the application may be called, besides loopback's. */
  hostNames: (): string[] => (text('ODD_QUILL_HOST_NAMES') ?? '').split(',').filter(Boolean),
  root: (): string => text('ODD_QUILL_ROOT') ?? process.cwd(),
  threadFile: (): string => join(settings.root(), 'node/thread.mjs'),
};
