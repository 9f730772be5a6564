/** An image engine with every fault that one can have, for tests. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { drawCandidate } from '../core/engine';
import { encodePng } from '../node/pictures';

export type Fault =
  | 'none'
  | 'slow'
  | 'failing'
  | 'dropping'
  | 'garbled'
  | 'refusing'
  | 'fails-midway'
  | 'forgets'
  | 'forgets-pictures'
  | 'bad-picture';

export interface FakeEngine {
  readonly address: string;
  fault: Fault;
  /** Rounds that were asked for, by request id. */
  readonly asked: Map<string, number>;
  /** The last request, as it came. */
  last: Record<string, unknown>;
  readonly cancelled: string[];
  /** Charged in all. */
  charged: number;
  /** Progress of rounds, 0..1; at 1 they are done. */
  progress: number;
  close: () => void;
}

const PARTS = {
  settled: [],
  gradient: null,
  mood: null,
  noShading: false,
  shape: null,
  figures: [],
  kind: null,
  role: null,
  finish: null,
  detail: null,
  colours: [],
  colourCount: null,
  ground: null,
  lettering: [],
  leaveOut: [],
  rows: null,
  columns: null,
  manner: [],
  settings: [],
  words: [],
  notUnderstood: [],
};

const RECIPE = { version: 1, prompt: 'an owl', leaveOut: '', leeway: 35, ratio: '1:1', mended: false };

export async function startFakeEngine(): Promise<FakeEngine> {
  const png = await encodePng(drawCandidate({ prompt: 'owl, navy', sizePx: 128 }, 0).picture);
  const rounds = new Map<string, { requestId: string; count: number; revision: number }>();
  let forgotten = false;

  const server: Server = createServer(async (request, response) => {
    let text = '';
    for await (const chunk of request) text += chunk as string;
    const json = (status: number, body: unknown) => {
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(JSON.stringify(body));
    };
    if (engine.fault === 'slow') return;
    if (engine.fault === 'failing') return json(500, { error: { code: 'oops', message: 'inner details' } });
    if (engine.fault === 'garbled') return void response.end('<html>not json');
    if (engine.fault === 'refusing')
      return json(422, { error: { code: 'no_figure', message: 'No figure was found in the prompt' } });
    if (engine.fault === 'dropping') {
      response.writeHead(200, { 'content-type': 'application/json', 'content-length': '5000' });
      response.write('{"id":"cut');
      return void setTimeout(() => response.destroy(), 10);
    }
    const [, , , id, part] = new URL(request.url!, 'http://x').pathname.split('/');
    const answer = (key: string) => {
      const round = rounds.get(key)!;
      round.revision++;
      const state = engine.fault === 'fails-midway' ? 'failed' : engine.progress >= 1 ? 'done' : 'drawing';
      if (state === 'done') engine.charged += round.count;
      return {
        id: key,
        revision: round.revision,
        state,
        progress: engine.progress,
        candidates:
          state === 'done'
            ? Array.from({ length: round.count }, (_, position) => ({
                position,
                seed: position + 1,
                widthPx: 128,
                heightPx: 128,
                recipe: { ...RECIPE, descent: [{ seed: position, drift: 1 }] },
                sketch: null,
              }))
            : [],
        figures: [],
        parts: PARTS,
        credits: state === 'done' ? round.count : 0,
        error:
          state === 'failed'
            ? { code: 'engine_failed', message: 'The image engine could not finish this round' }
            : null,
      };
    };
    if (request.method === 'POST') {
      engine.last = JSON.parse(text) as Record<string, unknown>;
      const { requestId, count } = engine.last as { requestId: string; count: number };
      engine.asked.set(requestId, (engine.asked.get(requestId) ?? 0) + 1);
      rounds.set(requestId, { requestId, count, revision: 0 });
      return json(202, answer(requestId));
    }
    if (!rounds.has(id)) return json(404, { error: { code: 'unknown_round', message: 'unknown' } });
    if (request.method === 'DELETE') {
      engine.cancelled.push(id);
      return json(200, answer(id));
    }
    if (part === 'candidates') {
      if (engine.fault === 'forgets-pictures' && engine.asked.get(id) === 1) {
        rounds.delete(id);
        return json(404, { error: { code: 'unknown_round', message: 'unknown' } });
      }
      response.writeHead(200, { 'content-type': 'image/png' });
      return void response.end(engine.fault === 'bad-picture' ? png.subarray(0, 200) : png);
    }
    if (engine.fault === 'forgets' && !forgotten) {
      forgotten = true;
      rounds.delete(id);
      return json(404, { error: { code: 'unknown_round', message: 'unknown' } });
    }
    // A long poll that takes no time would be asked again at once.
    setTimeout(() => json(200, answer(id)), engine.progress < 1 ? 50 : 0);
  });

  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const engine: FakeEngine = {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    fault: 'none',
    asked: new Map(),
    last: {},
    cancelled: [],
    charged: 0,
    progress: 1,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
  return engine;
}
