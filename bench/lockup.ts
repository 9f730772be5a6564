/**
 * How soon the lockup's screen answers, in the real interface of a running application: letters typed into three lines on a circle until they are drawn, the faces' list until its first words stand there, all layouts until their
 * pictures do. `npx tsx bench/lockup.ts [ADDRESS]`.
 */
import { openBrowser } from '../e2e/browser';
import { quantile } from './quantile';

const [address = 'http://127.0.0.1:4710'] = process.argv.slice(2);
const ask = async <T>(method: string, path: string, body: BodyInit, type = 'application/json'): Promise<T> =>
  (await (await fetch(address + path, { method, body, headers: { 'content-type': type } })).json()) as T;

const MARK = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 200"><path fill="#F2C14E" d="M120 20A80 80 0 1 0 180 130A70 70 0 0 1 120 20Z"/><path fill="#182A5C" d="M20 100C50 90 70 100 80 110L90 90L100 100H110L120 90L130 110C140 100 160 90 190 100C170 110 165 140 160 150C125 140 115 150 105 170C95 150 85 140 75 150C45 140 40 110 20 100Z"/></svg>'; // prettier-ignore
const { id } = await ask<{ id: string }>('POST', '/api/commissions', JSON.stringify({ name: 'Noctule Night Rail' }));
const { artwork } = await ask<{ artwork: { id: string } }>('POST', `/api/commissions/${id}/artworks?name=mark.svg`, MARK, 'image/svg+xml'); // prettier-ignore
const lockup = await ask<{ id: string; head: string }>('POST', `/api/commissions/${id}/lockups`, JSON.stringify({ artworkId: artwork.id, name: 'Noctule Night Rail', face: 'Jost', layout: 'above' })); // prettier-ignore
await ask('POST', `/api/works/${lockup.id}/acts`, JSON.stringify({ head: lockup.head, acts: [{ kind: 'edit', key: `bench-${lockup.id.slice(0, 8)}`, edits: [{ kind: 'change-part', id: 't1', set: { text: 'Noctule Night Rail\nsleeper trains and berths\nsince 1998', follows: { kind: 'arc', radiusPx: 900, side: 'above', even: 'middle' } } }] }] })); // prettier-ignore

const { browser, close } = await openBrowser();
const page = await browser.newPage();
await page.goto(`${address}/commissions/${id}/lockups/${lockup.id}`, { waitUntil: 'load' });
await page.waitForSelector('[data-proofs=ready]', { timeout: 30_000 });
await page.waitForSelector('[data-part=t1]');
await page.evaluate(`document.querySelector('[data-part=t1]').click()`);

/** What is drawn on the sheet, as a sum that changes with it. */
const DRAWN = `[...document.querySelectorAll('main svg path')].reduce((sum, p) => sum + (p.getAttribute('d') ?? '').length, 0)`;
const typed = async (letter: string): Promise<number> =>
  (await page.evaluate(`(async () => {
    const field = document.querySelector('[data-text] textarea');
    const before = ${DRAWN};
    const started = performance.now();
    field.value += ${JSON.stringify(letter)};
    field.dispatchEvent(new Event('input', { bubbles: true }));
    while (${DRAWN} === before) await new Promise((done) => setTimeout(done));
    const drawn = performance.now() - started;
    await new Promise((done) => setTimeout(done, 120));
    return drawn;
  })()`)) as number;

const times: number[] = [];
for (const letter of 'and berths for all who travel by night') if (letter !== ' ') times.push(await typed(letter));
times.sort((p, q) => p - q);
const told = (name: string, list: readonly number[]): void =>
  console.log(`${name}: ${quantile(list, 0.5).toFixed(0)} ms at the median, ${quantile(list, 0.9).toFixed(0)} at 90%, ${list[list.length - 1].toFixed(0)} at most`); // prettier-ignore
told('a letter typed, three lines on a circle, until it is drawn', times);

await page.evaluate(`document.querySelector('[data-text] textarea').blur()`);
const opened = async (key: string, there: string): Promise<number> => {
  const started = performance.now();
  await page.keyboard.press(key as 't');
  await page.waitForFunction(there, { polling: 5 });
  const took = performance.now() - started;
  await page.keyboard.press(key as 't');
  await new Promise((done) => setTimeout(done, 200));
  return took;
};
const faces: number[] = [];
const layouts: number[] = [];
for (let k = 0; k < 5; k++) {
  faces.push(await opened('t', `document.querySelectorAll('[data-act=faces] [data-face] svg').length >= 5`));
  layouts.push(await opened('l', `document.querySelectorAll('[data-act=layouts] [data-layout] img').length >= 12`));
}
console.log(`the faces' list, first ${faces[0].toFixed(0)} ms`);
told(
  "the faces' list until five show the name",
  [...faces].sort((p, q) => p - q),
);
console.log(`layouts, first ${layouts[0].toFixed(0)} ms`);
told(
  'twelve layouts as pictures',
  [...layouts].sort((p, q) => p - q),
);
await close();
