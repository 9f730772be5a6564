// Serves the built application: on loopback unless ODD_QUILL_LISTEN says otherwise, on ODD_QUILL_PORT or a free port.
import { createServer } from 'node:http';

const host = process.env.ODD_QUILL_LISTEN || '127.0.0.1';
/** For the second in which the application is being loaded. */
let handler = (_request, response) =>
  response
    .writeHead(503, { 'retry-after': '1', refresh: '1', 'content-type': 'text/html; charset=utf-8' })
    .end('<!doctype html><title>Odd Quill</title><p>Odd Quill is starting: this page comes by itself.');

// On pages, answers and scripts alike. The two cross-origin policies give workers memory that they share with the page.
const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-embedder-policy': 'require-corp',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};

const server = createServer((request, response) => {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  handler(request, response);
});
server.listen(Number(process.env.ODD_QUILL_PORT ?? 0), host, async () => {
  const { port } = server.address();
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  process.env.ODD_QUILL_WEB_ORIGIN ||= address;
  // Uploads are measured where they are read, against a limit of our own.
  process.env.ODD_QUILL_WEB_BODY_SIZE_LIMIT ||= '48M';
  ({ handler } = await import('./build/handler.js'));
  console.log(`Odd Quill at ${address}`);
});

let stopping = false;
const stop = async () => {
  if (stopping) return;
  stopping = true;
  // No new requests; those that are being answered may end while jobs come to theirs or are handed back.
  server.close();
  const hard = setTimeout(() => process.exit(0), 4000);
  await globalThis[Symbol.for('odd-quill.stop')]?.().catch(() => {});
  server.closeAllConnections();
  clearTimeout(hard);
  process.exit(0);
};
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
