import type { WatchEvent } from '../contract/answers';
import { watch } from './events';

const HEARTBEAT_MS = 15_000;

/** Server-sent events: what happens to one commission, from now on. The first event says that the reader should look once. */
export function eventStream(commissionId: string): Response {
  const encoder = new TextEncoder();
  let stop = (): void => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (event: WatchEvent) => controller.enqueue(encoder.encode(`data: ${JSON.stringify(event)}\n\n`));
      const beat = setInterval(() => controller.enqueue(encoder.encode(': here\n\n')), HEARTBEAT_MS);
      const unwatch = watch((event) => {
        if (event.commissionId === commissionId || event.subject === 'everything') send(event);
      });
      stop = () => {
        clearInterval(beat);
        unwatch();
      };
      controller.enqueue(encoder.encode('retry: 1000\n\n'));
      send({ subject: 'everything', id: '', commissionId });
    },
    cancel: () => stop(),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
}
