/** Starts the stand-in image engine: `tsx engine/main.ts`. ODD_QUILL_ENGINE_PORT is its port on loopback, 0 for any that is free. */
import { fileURLToPath } from 'node:url';
import type { AddressInfo } from 'node:net';
import { Pool } from '../node/pool';
import { createEngineServer } from './service';

const pool = new Pool(fileURLToPath(new URL('../node/thread.mjs', import.meta.url)));
const server = createEngineServer(pool, process.env.ODD_QUILL_ENGINE_TOKEN || undefined);
server.listen(Number(process.env.ODD_QUILL_ENGINE_PORT ?? 0), '127.0.0.1', () => {
  console.log(`image engine at http://127.0.0.1:${(server.address() as AddressInfo).port}`);
});

const stop = (): void => {
  server.closeAllConnections();
  server.close();
  void pool.close().then(() => process.exit(0));
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
