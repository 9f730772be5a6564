/** Takes one picture of each main view from the demo data of a running application: `npm run screenshots -- ADDRESS [FOLDER] [NAME]`. */
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { openBrowser, settled, WINDOW } from '../e2e/browser';
import type { CommissionCard, Thread, Wall } from '../src/lib/contract/answers';

const [address = 'http://127.0.0.1:4710', folder = 'docs/screenshots', only] = process.argv.slice(2);
const get = async <T>(path: string): Promise<T> => (await (await fetch(address + path)).json()) as T;

const cards = await get<CommissionCard[]>('/api/commissions');
const noctule = cards.find((c) => c.name.startsWith('Noctule'))!;
const juniper = cards.find((c) => c.name.startsWith('Juniper'))!;
const thread = await get<Thread>(`/api/commissions/${noctule.id}/thread`);
const branch = thread.branches.find((b) => b.candidate && b.works.some((w) => w.kind === 'artwork'))!;
const [candidate, work] = [branch.candidate!, branch.works.find((w) => w.kind === 'artwork')!];
const lockup = branch.works
  .flatMap((w) => w.works)
  .filter((w) => w.kind === 'lockup')
  .at(-1)!;
const retouched = thread.branches.flatMap((b) => b.works).find((w) => w.kind === 'retouched')!;
const base = `/commissions/${noctule.id}`;
const { rounds } = await get<Wall>(`/api/commissions/${juniper.id}/rounds`);
const ofJuniper = await get<Thread>(`/api/commissions/${juniper.id}/thread`);
const drawn = ofJuniper.branches.flatMap((b) => b.works).find((w) => w.isDrawn)!;
const icon = drawn.works.find((w) => w.kind === 'artwork')!;
const fromSketch = rounds.flatMap((r) => r.candidates).find((c) => c.sketch)!;

const pressed = async (page: Page, ...keys: string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key as 'a');
};

const VIEWS: readonly { name: string; path: string; then?: (page: Page) => Promise<void> }[] = [
  { name: 'commissions', path: '/' },
  { name: 'words', path: `/commissions/${juniper.id}/words` },
  { name: 'brief', path: `${base}/brief` },
  { name: 'rounds', path: base },
  { name: 'rounds-juniper', path: `/commissions/${juniper.id}` },
  { name: 'candidate', path: `${base}/candidates/${candidate.id}` },
  {
    name: 'finishes',
    path: base,
    then: async (page) => {
      await page.click('button[aria-label^="Finish"]');
      await page.waitForFunction(() => document.querySelectorAll('[aria-labelledby=finish-label] img').length > 20);
      await new Promise((resolve) => setTimeout(resolve, 4000));
    },
  },
  { name: 'sketch', path: `/commissions/${juniper.id}/candidates/${fromSketch.id}` },
  {
    name: 'redo',
    path: `/commissions/${juniper.id}/candidates/${fromSketch.id}`,
    then: (page) => pressed(page, 'r'),
  },
  {
    name: 'retouch',
    path: `${base}/retouched/${retouched.id}`,
    then: async (page) => {
      await page.waitForSelector('[data-made]');
      await page.keyboard.press('m');
      const { x, y, width, height } = await page.$eval('[data-made]', (e) => e.getBoundingClientRect().toJSON());
      const at = (u: number, v: number) => [x + u * width, y + v * height] as const;
      await page.mouse.move(...at(0.36, 0.56));
      await page.mouse.down();
      await page.mouse.move(...at(0.5, 0.6), { steps: 8 });
      await page.mouse.move(...at(0.64, 0.56), { steps: 8 });
      await page.mouse.up();
      await page.waitForSelector('[data-fills=ready]');
      await page.waitForSelector('[data-noticed=ready]');
    },
  },
  { name: 'trace', path: `${base}/candidates/${candidate.id}/trace` },
  {
    name: 'shapes',
    path: `${base}/artworks/${work.id}/shapes`,
    then: async (page) => {
      await pressed(page, 'n', 'b');
      await page.waitForFunction(() => /points/.test(document.querySelector('[data-would]')?.textContent ?? ''));
      await page.waitForSelector('[data-nearly=ready]');
    },
  },
  {
    name: 'shapes-redrawn',
    path: `/commissions/${juniper.id}/artworks/${drawn.id}/shapes`,
    then: async (page) => {
      await page.waitForSelector('[data-nearly=ready]');
      await pressed(page, 'q', 'd');
      await page.waitForFunction(() => /off by/.test(document.querySelector('[data-deviation]')?.textContent ?? ''));
    },
  },
  {
    name: 'shapes-construction',
    path: `/commissions/${juniper.id}/artworks/${drawn.id}/shapes`,
    then: async (page) => {
      await page.waitForSelector('[data-nearly=ready]');
      await pressed(page, 'v');
      await page.waitForSelector('[data-construction]');
      await page.waitForSelector('[data-construct=ready]');
    },
  },
  {
    name: 'depth',
    path: `/commissions/${juniper.id}/artworks/${icon.id}/depth`,
    then: async (page) => {
      await page.waitForSelector('[data-noticed]');
      await page.waitForSelector('[data-parts]');
      const { x, y, width, height } = await page.$eval('[data-artwork] > g', (e) => e.getBoundingClientRect().toJSON());
      // Beside the mark lies the tile.
      await page.mouse.click(x + 0.5 * width, y + 0.08 * height);
      await page.waitForSelector('[data-gradient]');
    },
  },
  {
    name: 'colourways',
    path: `${base}/artworks/${work.id}/colourways`,
    then: async (page) => {
      await page.waitForSelector('[data-table=ready]');
      await pressed(page, 's');
      await page.waitForFunction(
        () => Number((document.querySelector('[data-shuffled]') as HTMLElement).dataset.shuffled) > 0,
      );
    },
  },
  { name: 'inks', path: `${base}/artworks/${work.id}` },
  {
    name: 'lockup',
    path: `${base}/lockups/${lockup.id}`,
    then: async (page) => {
      await page.waitForSelector('[data-layouts] img');
      await page.waitForSelector('[data-face] svg');
      await page.waitForFunction(() => document.querySelector('[data-noticed]')?.getAttribute('data-noticed'));
    },
  },
  {
    name: 'deliver',
    path: `${base}/artworks/${work.id}/deliver`,
    // Every look's picture is there, and all of them were looked at.
    then: async (page) => void (await page.waitForSelector('[data-wanted=ready]', { timeout: 120_000 })),
  },
];

await mkdir(folder, { recursive: true });
const { browser, close } = await openBrowser();
for (const view of VIEWS) {
  if (only && !view.name.startsWith(only)) continue;
  // Each in a session of its own, so that no view's choices are the next one's.
  const session = await browser.createBrowserContext();
  const page = await session.newPage();
  await page.setViewport(WINDOW);
  page.on('console', (m) => m.type() === 'error' && console.error(view.name, m.text()));
  page.on('pageerror', (e) => console.error(view.name, e));
  await page.goto(address + view.path, { waitUntil: 'load' });
  await page.waitForSelector('[data-proofs="ready"], main:not(:has([data-proofs]))');
  await new Promise((resolve) => setTimeout(resolve, 400));
  await settled(page);
  if (view.name.startsWith('trace')) await page.waitForSelector('aside canvas');
  await view.then?.(page);
  await new Promise((resolve) => setTimeout(resolve, 300));
  await settled(page);
  await page.screenshot({ path: join(folder, `${view.name}.png`) as `${string}.png` });
  await session.close();
}
await close();
