/** Many designers at once, each from a brief to a package. */
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { drawCandidate } from '../../core/engine';
import { trace } from '../../core/trace';
import type { ActsAnswer, Commission, Delivery, Round, Wall, WorkState } from '../../src/lib/contract/answers';
import { quantile } from '../../bench/quantile';
import { bringInPicture, keepTrace } from '../made';
import { clientOf } from './client';

const PICTURE = drawCandidate({ prompt: 'a bat over a moon', sizePx: 128 }, 0).picture;
const TRACED = trace(PICTURE);

interface Timed {
  readonly what: string;
  readonly ms: number;
}

/** The whole path, as fast as the server answers; gives how long each step took. */
async function path(address: string): Promise<{ times: Timed[]; faults: readonly string[] }> {
  const client = clientOf(() => address);
  const times: Timed[] = [];
  const timed = async <T>(what: string, work: () => Promise<T>): Promise<T> => {
    const since = performance.now();
    const result = await work();
    times.push({ what, ms: performance.now() - since });
    return result;
  };
  const until = async <T extends { state: string }>(address: string): Promise<T> => {
    for (;;) {
      const now = await client.ask<T>('GET', address);
      if (now.state === 'done') return now;
      if (now.state === 'failed') throw new Error(`${address} failed: ${JSON.stringify(now)}`);
      await pause(120);
    }
  };
  const { id } = await timed('small', () =>
    client.ask<Commission>('POST', '/api/commissions', { name: `Designer ${randomUUID()}` }),
  );
  await timed('small', () => client.ask('PATCH', `/api/commissions/${id}`, { mood: 'calm', seen: { mood: '' } }));
  const own = await timed('picture', () => bringInPicture(client.ask, id, PICTURE));
  const round = await timed('small', () =>
    client.ask<Round>('POST', `/api/commissions/${id}/rounds`, { requestKey: randomUUID(), prompt: 'an owl' }),
  );
  await timed('round', () => until<Round>(`/api/rounds/${round.id}`));
  const wall = await timed('small', () => client.ask<Wall>('GET', `/api/commissions/${id}/rounds`));
  if (wall.rounds[0].candidates.length !== 4) throw new Error('a round did not give four candidates');
  await timed('small', () => client.ask('PATCH', `/api/candidates/${own.id}`, { decision: 'kept' }));
  const work = await timed('artwork', () => keepTrace(client.ask, own.id, TRACED));
  let { head } = await client.ask<WorkState>('GET', `/api/works/${work.id}`);
  for (let n = 0; n < 8; n++) {
    const edits = [
      { kind: 'ink-colour', inkId: TRACED.artwork.inks[0].id, hex: `#AA00${(16 + n).toString(16).toUpperCase()}` },
    ];
    const acts = [{ kind: 'edit', key: randomUUID(), edits }];
    head = (await timed('small', () => client.ask<ActsAnswer>('POST', `/api/works/${work.id}/acts`, { head, acts })))
      .head;
  }
  const delivery = await timed('small', () =>
    client.ask<Delivery>('POST', `/api/works/${work.id}/deliveries`, {
      requestKey: randomUUID(),
      head,
      rows: [{ workId: work.id, head, look: 'master', for: ['web', 'developers'] }],
    }),
  );
  await timed('delivery', () => until<Delivery>(`/api/deliveries/${delivery.id}`));
  return { times, faults: client.faults };
}

export interface DesignersReport {
  readonly designers: number;
  readonly finished: number;
  readonly failed: readonly string[];
  readonly faults: readonly string[];
  readonly seconds: number;
  /** Milliseconds by kind of request: median, 95 %, most; and the median for one designer alone in the same run. */
  readonly ms: Readonly<
    Record<string, { readonly median: number; readonly p95: number; readonly most: number; readonly alone: number }>
  >;
}

export async function designersAtOnce(address: string, designers = 50): Promise<DesignersReport> {
  const alone = (await path(address)).times;
  const since = performance.now();
  const all = await Promise.allSettled(Array.from({ length: designers }, () => path(address)));
  const seconds = (performance.now() - since) / 1000;
  const done = all.flatMap((r) => (r.status === 'fulfilled' ? [r.value] : []));
  const times = done.flatMap((d) => d.times);
  const of = (list: readonly Timed[], what: string) => list.filter((t) => t.what === what).map((t) => t.ms);
  const kinds = [...new Set(times.map((t) => t.what))];
  return {
    designers,
    finished: done.length,
    failed: all.flatMap((r) => (r.status === 'rejected' ? [String(r.reason)] : [])),
    faults: done.flatMap((d) => d.faults),
    seconds,
    ms: Object.fromEntries(
      kinds.map((k) => {
        const values = of(times, k);
        return [
          k,
          {
            median: quantile(values, 0.5),
            p95: quantile(values, 0.95),
            most: Math.max(...values),
            alone: quantile(of(alone, k), 0.5),
          },
        ];
      }),
    ),
  };
}
