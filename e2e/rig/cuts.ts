/** Connections between pages and server that break at any moment, in either direction. */
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';
import { clientOf } from './client';
import { write } from './writers';
import type { App } from '../app';

export interface Cutter {
  readonly address: string;
  readonly cuts: () => number;
  /** From now on nothing is cut. */
  calm: () => void;
  close: () => void;
}

/** A way to a server on which a share of what is sent breaks off, before it arrives or before its answer does. */
export async function cutter(target: string, share = 0.15): Promise<Cutter> {
  const { hostname, port } = new URL(target);
  let cuts = 0;
  let cutting = true;
  const sockets = new Set<Socket>();
  const server = createServer((near) => {
    const far = connect(Number(port), hostname);
    for (const socket of [near, far]) {
      sockets.add(socket);
      socket.on('error', () => {});
      socket.on('close', () => {
        sockets.delete(socket);
        near.destroy();
        far.destroy();
      });
    }
    const pass = (from: Socket, to: Socket) =>
      from.on('data', (chunk: Buffer) => {
        if (cutting && Math.random() < share) {
          cuts++;
          // Part of it arrives: the rest never does.
          to.write(chunk.subarray(0, Math.floor(chunk.length * Math.random())), () => near.destroy());
        } else to.write(chunk);
      });
    pass(near, far);
    pass(far, near);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cuts: () => cuts,
    calm: () => (cutting = false),
    close: () => {
      server.close();
      for (const socket of sockets) socket.destroy();
    },
  };
}

export interface CutReport {
  readonly cuts: number;
  readonly acknowledged: number;
  readonly lost: readonly string[];
  readonly doubled: readonly string[];
  readonly faults: readonly string[];
}

/** Designers write over connections that are cut, for so long and until so many changes were made. */
export async function cutsUnderLoad(
  app: App,
  { seconds = 8, designers = 4, share = 0.15, changes = 0 } = {},
): Promise<CutReport> {
  const way = await cutter(app.address, share);
  // Programs that listen to a name of their own say so: the one that is asked is the server behind.
  const client = clientOf(() => way.address);
  try {
    const writing = await write(client, designers, 0);
    await new Promise((resolve) => setTimeout(resolve, seconds * 1000));
    await writing.until(changes);
    way.calm();
    const { acknowledged, lost, doubled } = await writing.finish();
    return { cuts: way.cuts(), acknowledged, lost, doubled, faults: client.faults };
  } finally {
    way.close();
  }
}
