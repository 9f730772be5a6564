/**
 * How long the table of colourways takes to show a change, in the real interface of a running application: eight colourways by eight grounds of an artwork of 500 pieces, one ink typed anew and one tuned a
 * step. From the press until every picture of the row is there and a frame is drawn. `npx tsx bench/table.ts [ADDRESS]`.
 */
import { openBrowser, settled } from '../e2e/browser';
import { quantile } from './quantile';

const [address = 'http://127.0.0.1:4710'] = process.argv.slice(2);
const ask = async <T>(method: string, path: string, body: BodyInit, type = 'application/json'): Promise<T> =>
  (await (await fetch(address + path, { method, body, headers: { 'content-type': type } })).json()) as T;

const HEXES = ['#182A5C', '#F2C14E', '#7A2E3A', '#3E7A5E', '#C96A3B', '#5B4B8A', '#2C2C34', '#E8DCC4'];
const SIDE = 25;
/** Twenty-five rows of twenty pieces that touch, of curves. */
function drawing(): string {
  const piece = (k: number): string => {
    const [x, y] = [40 * (k % 20), 32 * Math.floor(k / 20)];
    return `<path fill="${HEXES[(k * 7 + Math.floor(k / 20)) % 8]}" d="M${x} ${y}h40q6 16 0 32h-40q-6 -16 0 -32z"/>`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-10 -10 820 ${32 * SIDE + 20}">${Array.from({ length: 20 * SIDE }, (_, k) => piece(k)).join('')}</svg>`;
}

/** From an act of the page until the row that it changes is drawn anew, as a script of the page. */
const shown = (act: string): string => `(async () => {
  const row = document.querySelector('[aria-pressed=true][class*=font-semibold]').closest('tr');
  const before = row.querySelector('img').src;
  const started = performance.now();
  ${act};
  while (row.querySelector('img').src === before) await new Promise((done) => setTimeout(done));
  await Promise.all([...row.querySelectorAll('img')].map((image) => image.decode()));
  await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  return performance.now() - started;
})()`;

const grounds = [
  ['harbour', '#1F3A5F'],
  ['linen', '#F2EBDC'],
  ['moss', '#4F6B3A'],
  ['clay', '#B5654A'],
].map(([name, hex]) => ({ name, hex }));
const { id } = await ask<{ id: string }>('POST', '/api/commissions', JSON.stringify({ name: 'Table', grounds }));
const path = `/api/commissions/${id}/artworks?name=pieces.svg`;
const { artwork } = await ask<{ artwork: { id: string; head: string } }>('POST', path, drawing(), 'image/svg+xml');
const { schemes } = await ask<{ schemes: { hexes: string[]; how: string }[] }>(
  'POST',
  `/api/works/${artwork.id}/colourways`,
  JSON.stringify({ count: 7, seed: 4, least: 1.2, grounds: [] }),
);
const { drawing: own } = await (await fetch(`${address}/api/works/${artwork.id}`)).json() as { drawing: { inks: { id: string }[] } }; // prettier-ignore
await ask(
  'POST',
  `/api/works/${artwork.id}/acts`,
  JSON.stringify({
    head: artwork.head,
    acts: schemes.map(({ hexes, how }, k) => ({
      kind: 'edit',
      key: `bench-table-${artwork.id.slice(0, 8)}-${k}`,
      edits: [
        {
          kind: 'add-colourway',
          colourway: { id: `c${k}`, name: `scheme ${k}`, how, inks: own.inks.map((i, m) => ({ inkId: i.id, hex: hexes[m] })) },
        },
      ],
    })),
  }),
); // prettier-ignore
const { browser, close } = await openBrowser();
const page = await browser.newPage();
await page.goto(`${address}/commissions/${id}/artworks/${artwork.id}/colourways`);
await settled(page);
await page.waitForSelector('[data-table=ready]', { timeout: 120_000 });
const cells = await page.$$eval('[data-table] tbody tr', (rows) => rows.map((r) => r.querySelectorAll('img').length));
console.log(`${cells.length} colourways by ${cells[0] - 2} grounds, one colour and reversed`);
for (const row of ['master', 'scheme 3']) {
  await page.evaluate(`[...document.querySelectorAll('tbody button')].find((b) => b.textContent.trim() === '${row}').click()`); // prettier-ignore
  const typed: number[] = [];
  const stepped: number[] = [];
  for (let k = 0; k < 24; k++) {
    const hex = `#${(0x301020 + k * 0x070b0d).toString(16).toUpperCase()}`;
    typed.push(
      (await page.evaluate(
        shown(
          `const field = document.querySelectorAll('[data-ink] input')[2]; field.focus(); field.value = '${hex}'; field.dispatchEvent(new Event('input', { bubbles: true })); field.dispatchEvent(new Event('change', { bubbles: true }))`,
        ),
      )) as number,
    );
    stepped.push((await page.evaluate(shown(`[...document.querySelectorAll('button')].find((b) => b.textContent === '${k % 2 ? 'darker' : 'lighter'}').click()`))) as number); // prettier-ignore
  }
  for (const [what, times] of [['one ink', typed], ['all inks', stepped]] as const) // prettier-ignore
    console.log(`${row}, ${what}: ${quantile(times, 0.5).toFixed(0)} ms at the median, ${quantile(times, 0.9).toFixed(0)} at 90%, ${Math.max(...times).toFixed(0)} at most, until it is drawn`); // prettier-ignore
}
await close();
