/**
 * How long frames take while a piece is dragged and while the sheet is moved, in the real interface of a running application: `npx tsx bench/dragging.ts [ADDRESS]`.
 * Each with 2,000 and 10,000 points in a hundred pieces.
 */
import { openBrowser, settled } from '../e2e/browser';
import { quantile } from './quantile';

const [address = 'http://127.0.0.1:4710'] = process.argv.slice(2);
const ask = async <T>(method: string, path: string, body: BodyInit, type: string): Promise<T> =>
  (await (await fetch(address + path, { method, body, headers: { 'content-type': type } })).json()) as T;

/** A hundred blobs in rows, of so many points together. */
function drawing(points: number): string {
  const each = points / 100;
  const blob = (k: number): string => {
    const [x, y] = [60 + 100 * (k % 10), 60 + 100 * Math.floor(k / 10)];
    const at = (i: number): string => {
      const t = (2 * Math.PI * i) / each;
      const r = 36 + 5 * Math.sin(5 * t);
      return `${(x + r * Math.cos(t)).toFixed(2)} ${(y + r * Math.sin(t)).toFixed(2)}`;
    };
    const curves = Array.from({ length: each }, (_, i) => `C${at(i + 0.33)} ${at(i + 0.67)} ${at(i + 1)}`);
    return `<path fill="${k % 2 ? '#182A5C' : '#F2C14E'}" d="M${at(0)}${curves.join('')}Z"/>`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1020 1020">${Array.from({ length: 100 }, (_, k) => blob(k)).join('')}</svg>`;
}

/** The times between frames until as many were drawn, as a script of the page: what the compiler adds would not be known there. */
const FRAMES = `new Promise((done) => {
  const times = [];
  let last = performance.now();
  function frame() {
    const now = performance.now();
    times.push(now - last);
    last = now;
    if (times.length < 90) requestAnimationFrame(frame);
    else done(times.slice(5));
  }
  requestAnimationFrame(frame);
})`;

const { id } = await ask<{ id: string }>(
  'POST',
  '/api/commissions',
  JSON.stringify({ name: 'Dragging' }),
  'application/json',
);
const { browser, close } = await openBrowser();
for (const points of [2000, 10_000]) {
  const path = `/api/commissions/${id}/artworks?name=blobs.svg`;
  const { artwork } = await ask<{ artwork: { id: string } }>('POST', path, drawing(points), 'image/svg+xml');
  const page = await browser.newPage();
  await page.goto(`${address}/commissions/${id}/artworks/${artwork.id}/shapes`);
  await settled(page);
  await page.waitForSelector('[data-nearly=ready]', { timeout: 120_000 });
  const box = await page.$eval('[role=application]', (e) => e.getBoundingClientRect().toJSON() as DOMRect);
  const [x, y] = [box.x + box.width / 2 + 28, box.y + box.height / 2 + 28];
  for (const what of ['a piece dragged', 'the sheet moved'] as const) {
    if (what === 'the sheet moved') await page.keyboard.down('Alt');
    await page.mouse.move(x, y);
    await page.mouse.down();
    let isDone = false;
    const frames = (page.evaluate(FRAMES) as Promise<number[]>).finally(() => (isDone = true));
    for (let k = 0; !isDone; k++) await page.mouse.move(x + 60 * Math.sin(k / 9), y + 40 * Math.cos(k / 7));
    await page.mouse.up();
    await page.keyboard.up('Alt');
    const times = await frames;
    console.log(
      `${points} points, ${what}: a frame in ${quantile(times, 0.5).toFixed(1)} ms at the median, ${quantile(times, 0.95).toFixed(1)} at 95%, ${Math.max(...times).toFixed(0)} at most`,
    );
    await new Promise((resolve) => setTimeout(resolve, 1500));
  }
  await page.close();
}
await close();
