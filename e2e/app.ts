/** The built application with an engine and a database of its own, as `npm start` would run it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ROOT } from '../scripts/setup.mjs';
import { freshDatabase } from './database';

export interface App {
  readonly address: string;
  readonly databaseUrl: string;
  /** Starts the server again on the same port and database, after `kill`. */
  start: () => Promise<void>;
  /** Ends the server as a power cut would. */
  kill: () => Promise<void>;
  stop: () => Promise<void>;
}

interface Program {
  readonly child: ChildProcess;
  readonly address: string;
}

async function launch(args: string[], env: NodeJS.ProcessEnv): Promise<Program> {
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  const address = await new Promise<string>((done, fail) => {
    const hear = (chunk: Buffer) => {
      text += chunk.toString();
      const found = /at (http:\S+)/.exec(text);
      if (found) done(found[1]);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', (chunk: Buffer) => {
      hear(chunk);
      process.stderr.write(chunk);
    });
    child.once('exit', (code) => fail(new Error(`${args.join(' ')} ended with ${code}: ${text}`)));
  });
  return { child, address };
}

const gone = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<void>((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done();
    child.once('exit', () => done());
    child.kill(signal);
  });

export const startEngine = (env: NodeJS.ProcessEnv = {}): Promise<Program> =>
  launch(['--import', 'tsx', join(ROOT, 'engine/main.ts')], { ODD_QUILL_ENGINE_PORT: '0', ...env });

/** Starts the application; with `engineUrl` it uses that engine, else it starts the stand-in. */
export async function startApp(
  options: { engineUrl?: string; serverUrl?: string; env?: NodeJS.ProcessEnv } = {},
): Promise<App> {
  if (!ensureBuild()) throw new Error('the application could not be built');
  const database = await freshDatabase(options.serverUrl);
  const engine = options.engineUrl ? null : await startEngine();
  const env = {
    ODD_QUILL_DATABASE_URL: database.url,
    ODD_QUILL_ENGINE_URL: options.engineUrl ?? engine!.address,
    ODD_QUILL_ROOT: ROOT,
    NODE_ENV: 'production',
    ODD_QUILL_PORT: '0',
    // But for the tests of it, reading what nobody asks for would only take time from the others.
    ODD_QUILL_READING: 'asked',
    ...options.env,
  };
  let server = await launch([join(ROOT, 'serve.mjs')], env);
  const { address } = server;
  return {
    address,
    databaseUrl: database.url,
    kill: () => gone(server.child, 'SIGKILL'),
    start: async () => {
      server = await launch([join(ROOT, 'serve.mjs')], { ...env, ODD_QUILL_PORT: new URL(address).port });
    },
    stop: async () => {
      await gone(server.child, 'SIGTERM');
      if (engine) await gone(engine.child, 'SIGTERM');
      await database.drop().catch(() => {});
    },
  };
}

/** JSON requests to an application, as a program other than a browser makes them. */
export const apiOf =
  (address: string) =>
  async <T>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<{ status: number; body: T; headers: Headers }> => {
    const bytes = body instanceof Uint8Array;
    const response = await fetch(address + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': bytes ? 'application/octet-stream' : 'application/json' }),
        ...headers,
      },
      body: body === undefined ? undefined : bytes ? new Uint8Array(body) : JSON.stringify(body),
    });
    const type = response.headers.get('content-type') ?? '';
    const answer: unknown = type.includes('json') ? await response.json() : await response.arrayBuffer();
    return { status: response.status, body: answer as T, headers: response.headers };
  };

/** Asks again until there is an answer that is neither null nor false. */
export async function until<T>(what: () => Promise<T | false | null | undefined>, ms = 30_000): Promise<T> {
  for (const end = Date.now() + ms; Date.now() < end;) {
    const got = await what().catch(() => null);
    if (got) return got;
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  throw new Error(`waited longer than ${ms} ms: ${what.toString()}`);
}

/** The bodies of what an application answers; a refusal is an error. */
export const bodiesOf =
  (call: ReturnType<typeof apiOf>) =>
  async <T>(method: string, path: string, body?: unknown): Promise<T> => {
    const answer = await call<T>(method, path, body);
    if (answer.status >= 400) throw new Error(`${method} ${path} was answered ${answer.status}`);
    return answer.body;
  };
