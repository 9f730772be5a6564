/** Retouching in the real interface: what is noticed put right, a stroke, a mend with its fills, a cut-out, undo, a reload, two tabs, and the trace of it. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { hexToRgb } from '../core/colour';
import { circle, flatten, rectangle } from '../core/path';
import { blankPicture, cover, layColour } from '../core/raster';
import { decodePicture, encodePng } from '../node/pictures';
import type { Commission, RetouchedPicture, RetouchedState, Thread } from '../src/lib/contract/answers';
import { apiOf, bodiesOf, startApp, until, type App } from './app';
import { openBrowser, settled, watchedPage } from './browser';
import { bringInPicture } from './made';

const SIDE = 400;
const picture = blankPicture(SIDE, SIDE, [253, 252, 248]);
for (const [hex, contour] of [
  ['#182A5C', circle(200, 200, 120)],
  ['#FDFCF8', circle(200, 200, 70)],
  ['#F2C14E', circle(200, 200, 40)],
  ['#B5402A', rectangle(180, 90, 40, 16)],
  ['#182A5C', circle(30, 30, 3)],
] as const)
  layColour(picture, cover([flatten(contour, 0.02)], SIDE, SIDE)!, hexToRgb(hex));

let app: App;
let call: ReturnType<typeof apiOf>;
let opened: Awaited<ReturnType<typeof openBrowser>>;
let page: Page;
let commission: Commission;
const complaints: string[] = [];

beforeAll(async () => {
  app = await startApp();
  call = apiOf(app.address);
  opened = await openBrowser();
  page = await newPage();
  commission = (await call<Commission>('POST', '/api/commissions', { name: 'Noctule Night Rail' })).body;
  const candidate = await bringInPicture(bodiesOf(call), commission.id, picture, 'ring.png');
  await page.goto(`${app.address}/commissions/${commission.id}/candidates/${candidate.id}`);
  await page.waitForSelector('main');
  await settled(page);
});
afterAll(async () => {
  await opened.close();
  await app.stop();
});

const newPage = (): Promise<Page> => watchedPage(opened.browser, complaints);

const click = (name: string, on = page) => on.locator(`::-p-aria([name="${name}"])`).click();
const fillIn = async (name: string, value: string) => {
  await page.locator(`::-p-aria([name="${name}"][role="textbox"])`).fill(value);
  await page.keyboard.press('Tab');
};
const workId = () => /retouched\/([0-9a-f-]+)/.exec(page.url())![1];
const work = async () => (await call<RetouchedState>('GET', `/api/works/${workId()}`)).body;
const kinds = async () => (await work()).drawing.entries.map((e) => e.step.kind);
/** Where a place of the picture is on the screen. */
async function at(x: number, y: number, on = page): Promise<[number, number]> {
  const box = await on.$eval('[data-made]', (e) => e.getBoundingClientRect().toJSON() as DOMRect);
  return [box.x + (x / SIDE) * box.width, box.y + (y / SIDE) * box.height];
}
async function drag(...points: readonly (readonly [number, number])[]): Promise<void> {
  await page.mouse.move(...(await at(...points[0])));
  await page.mouse.down();
  for (const p of points.slice(1)) await page.mouse.move(...(await at(...p)), { steps: 4 });
  await page.mouse.up();
}
/** Until nothing waits to be kept or made. */
const quiet = (on = page) =>
  on.waitForFunction(
    () =>
      document.querySelector('[data-made]') &&
      document.querySelector('[data-noticed=ready]') &&
      !document.querySelector('[data-waiting]') &&
      !document.querySelector('[role=progressbar][aria-label=Retouching]'),
  );
/** The colour of a place of the picture that is shown. */
const shown = (x: number, y: number) =>
  page.$eval(
    '[data-made]',
    (e, px, py) => [...(e as HTMLCanvasElement).getContext('2d')!.getImageData(px, py, 1, 1).data],
    x,
    y,
  );

describe('retouching', () => {
  it('begins from a candidate, and says what it noticed', async () => {
    await click('Retouch it');
    await page.waitForFunction(() => /retouched/.test(location.pathname));
    await quiet();
    const noticed = await page.$eval('[data-noticed]', (e) => e.textContent!);
    expect(noticed).toContain('ground is off white, #FDFCF8');
    expect(noticed).toContain('1 stray mark');
    expect(await page.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBe(0);
  });

  it('puts all small things right at one press, which undo takes back as one', async () => {
    await click('Put right all 2 small ones');
    await page.waitForFunction(() => document.querySelectorAll('[data-entry]').length === 2);
    await quiet();
    expect(await kinds()).toEqual(['true-ends', 'take-out']);
    expect([await shown(5, 5), await shown(30, 30)]).toEqual([
      [255, 255, 255, 255],
      [255, 255, 255, 255],
    ]);
    await page.locator('[data-undo=undo]:not(:disabled)').click();
    await until(async () => (await kinds()).length === 0);
    await page.locator('[data-undo=redo]:not(:disabled)').click();
    await until(async () => (await kinds()).length === 2);
    await quiet();
  });

  it('mends what is brushed over, in the way that is chosen', async () => {
    await page.keyboard.press('m');
    await drag([176, 98], [200, 98], [224, 98]);
    await page.waitForSelector('[data-fills=ready]');
    await quiet();
    expect(await shown(200, 98)).toEqual([24, 42, 92, 255]);
    const names = await page.$$eval('[data-fills] button[aria-pressed]', (list) =>
      list.map((b) => b.textContent!.trim()),
    );
    expect(names[0]).toBe('carried on');
    expect(names).toHaveLength(4);
    await click('four more');
    await page.waitForFunction(
      () =>
        document.querySelector('[data-fills=ready]') &&
        document.querySelectorAll('[data-fills] button[aria-pressed]').length === 8,
    );
    await page.$$eval('[data-fills] button[aria-pressed]', (list) => (list[1] as HTMLElement).click());
    await until(async () => {
      const step = (await work()).drawing.entries.at(-1)!.step;
      return step.kind === 'mend' && step.how === names[1];
    });
    await quiet();
  });

  it('covers with a brush, straight on with Shift, and a hidden step is left out', async () => {
    await page.keyboard.press('Escape');
    await page.keyboard.press('c');
    await page.mouse.click(...(await at(60, 350)));
    await quiet();
    await page.keyboard.down('Shift');
    await page.mouse.click(...(await at(120, 350)));
    await page.keyboard.up('Shift');
    await quiet();
    const entries = (await work()).drawing.entries;
    expect(entries.slice(-2).map((e) => (e.step.kind === 'cover' ? e.step.points.length : 0))).toEqual([1, 2]);
    await page.$$eval('[data-entry] button[aria-label^="Hide"]', (list) => (list.at(-1) as HTMLElement).click());
    await until(async () => (await work()).drawing.entries.at(-1)!.hidden);
  });

  it('loses nothing of a stroke that is drawn while the one before it is being laid', async () => {
    const before = (await kinds()).length;
    await page.evaluate(() => {
      const [tops, form] = [new Set<number>(), document.querySelector('[aria-label="What to do"]')!];
      Object.assign(window, { tops });
      (function look() {
        tops.add(form.getBoundingClientRect().top);
        requestAnimationFrame(look);
      })();
    });
    await page.mouse.move(...(await at(40, 370)));
    await page.mouse.down();
    await page.mouse.move(...(await at(90, 370)), { steps: 5 });
    await page.mouse.up();
    // At once the next, slowly: the first is laid meanwhile.
    await page.mouse.move(...(await at(200, 370)));
    await page.mouse.down();
    for (let x = 210; x <= 300; x += 10) {
      await page.mouse.move(...(await at(x, 370)));
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    await page.mouse.up();
    await until(async () => (await kinds()).length === before + 2);
    const { step } = (await work()).drawing.entries.at(-1)!;
    expect(step.kind === 'cover' && [step.points[0][0], step.points.at(-1)![0]].map(Math.round)).toEqual([200, 300]);
    // The second falls on Undo again, and not on what the first brought to its place.
    for (let k = 0; k < 2; k++) await page.locator('[data-undo=undo]:not(:disabled)').click();
    await until(async () => (await kinds()).length === before);
    await quiet();
    // Nor does what one presses move while the picture is looked at again.
    expect(await page.evaluate(() => (window as unknown as { tops: Set<number> }).tops.size)).toBe(1);
  });

  it('changes a chosen stroke, mirrors about an axis that is drawn, and takes both back', async () => {
    const before = await kinds();
    await page.$$eval('[data-entry] button[aria-pressed]', (list) => (list.at(-2) as HTMLElement).click());
    await page.waitForSelector('[data-act=cover]');
    await fillIn('Width', '40');
    await until(async () =>
      (await work()).drawing.entries.some((e) => e.step.kind === 'cover' && e.step.widthPx === 40),
    );
    await page.locator('[data-undo=undo]:not(:disabled)').click();
    await page.keyboard.press('Escape');
    await page.keyboard.press('s');
    await click('Draw an axis');
    await drag([200, 380], [200, 40]);
    await until(async () => (await kinds()).at(-1) === 'mirror');
    const { step } = (await work()).drawing.entries.at(-1)!;
    expect(step.kind === 'mirror' && Math.abs(step.axis!.x - 200) < 2).toBe(true);
    await quiet();
    await page.locator('[data-undo=undo]:not(:disabled)').click();
    await until(async () => (await kinds()).length === before.length);
    await quiet();
  });

  it('takes out what is outlined, and mends what lay behind', async () => {
    const before = await kinds();
    await page.keyboard.press('t');
    await page.locator('[data-act=take-out] ::-p-text(outlined)').click();
    for (const [x, y] of [
      [150, 140],
      [250, 140],
      [250, 180],
      [150, 180],
    ])
      await page.mouse.click(...(await at(x, y)));
    await page.keyboard.press('Enter');
    await until(async () => (await kinds()).length === before.length + 1);
    const { step } = (await work()).drawing.entries.at(-1)!;
    expect(step).toMatchObject({ kind: 'mend', what: 'an outlined part', areas: [{ by: 'outline' }] });
    await quiet();
    await page.locator('[data-undo=undo]:not(:disabled)').click();
    await until(async () => (await kinds()).length === before.length);
    await page.keyboard.press('t');
    await quiet();
  });

  it('cuts the ground off, and each enclosed area goes or stays', async () => {
    await page.keyboard.press('u');
    await click('Take the ground off');
    await page.waitForSelector('[data-enclosed]');
    await quiet();
    expect((await shown(5, 5))[3]).toBe(0);
    const before = (await shown(200, 145))[3];
    await page.$eval('[data-enclosed] button', (b) => (b as HTMLElement).click());
    await until(async () => {
      const { step } = (await work()).drawing.entries.at(-1)!;
      return step.kind === 'cut-out' && step.parts.length === 1;
    });
    await quiet();
    await page.waitForFunction(
      (was) =>
        (document.querySelector('[data-made]') as HTMLCanvasElement).getContext('2d')!.getImageData(200, 145, 1, 1)
          .data[3] !== was,
      {},
      before,
    );
  });

  it('is the same after a reload, on the server, and in a file', async () => {
    const was = await shown(200, 98);
    await page.reload();
    await quiet();
    expect(await shown(200, 98)).toEqual(was);
    const told = (await call<RetouchedPicture>('GET', `/api/works/${workId()}/picture`)).body;
    expect(told.faults).toEqual([]);
    const png = Buffer.from(await (await fetch(`${app.address}/api/pictures/${told.pictureId}`)).arrayBuffer());
    const { rgba } = await decodePicture(png);
    expect([...rgba.subarray(4 * (98 * SIDE + 200), 4 * (98 * SIDE + 200) + 4)]).toEqual(was);
  });

  it('shows in two tabs what is done elsewhere', async () => {
    const other = await newPage();
    await other.goto(page.url());
    await quiet(other);
    await call('POST', `/api/works/${workId()}/acts`, {
      head: (await work()).head,
      acts: [
        {
          kind: 'edit',
          key: 'from-elsewhere',
          edits: [{ kind: 'add-step', id: 'elsewhere', step: { kind: 'square' } }],
        },
      ],
    });
    await until(async () => (await kinds()).includes('square'));
    await other.waitForSelector('[data-entry=elsewhere]');
    await other.close();
    // A page that is not seen looks again when it is.
    await page.bringToFront();
    await page.waitForSelector('[data-entry=elsewhere]');
  });

  it('picks colours off the picture and keeps them with the commission', async () => {
    await page.keyboard.press('Escape');
    await page.keyboard.down('i');
    await page.mouse.click(...(await at(200, 200)));
    await page.keyboard.up('i');
    await until(async () =>
      (await call<string[]>('GET', `/api/commissions/${commission.id}/colours`)).body.includes('#F2C14E'),
    );
  });

  it('says so where a step does not fit, and makes the rest', async () => {
    await call('POST', `/api/works/${workId()}/acts`, {
      head: (await work()).head,
      acts: [
        {
          kind: 'edit',
          key: 'does-not-fit',
          edits: [{ kind: 'add-step', id: 'lost', step: { kind: 'recolour', from: '#00FF00', to: '#000000' } }],
        },
      ],
    });
    await page.waitForSelector('[data-entry=lost] [role=alert]');
    expect(await page.$eval('[data-entry=lost]', (e) => e.textContent)).toContain('No area of the picture');
  });

  it('is traced, and the artwork hangs below it on the thread', async () => {
    const id = workId();
    await click('Trace this picture');
    await page.waitForFunction(() => /trace$/.test(location.pathname));
    await page.locator('.next-step:not(:disabled)').click();
    await page.waitForFunction(() => /artworks/.test(location.pathname));
    const { branches } = (await call<Thread>('GET', `/api/commissions/${commission.id}/thread`)).body;
    const retouched = branches.flatMap((b) => b.works).find((w) => w.id === id)!;
    expect(retouched.works.map((w) => w.kind)).toEqual(['artwork']);
    expect(complaints).toEqual([]);
  });
});

describe('over HTTP', () => {
  const form = (parts: Record<string, Blob | string>): FormData => {
    const made = new FormData();
    for (const [name, part] of Object.entries(parts)) made.set(name, part);
    return made;
  };
  const post = (path: string, body: BodyInit, headers: Record<string, string> = {}) =>
    fetch(app.address + path, { method: 'POST', body, headers });

  it('a picture is mended, retouched and cut out, and what is wrong is told', async () => {
    const file = new Blob([new Uint8Array(await encodePng(picture))], { type: 'image/png' });
    const area = blankPicture(SIDE, SIDE, [0, 0, 0]);
    layColour(area, cover([flatten(rectangle(174, 84, 52, 28), 0.02)], SIDE, SIDE)!, [255, 255, 255]);
    const mask = new Blob([new Uint8Array(await encodePng(area))], { type: 'image/png' });
    const mended = await post('/api/mend?count=3', form({ picture: file, area: mask }));
    expect(mended.status).toBe(200);
    const { fills } = (await mended.json()) as { fills: { how: string; png: string }[] };
    expect(fills).toHaveLength(3);
    const { rgba } = await decodePicture(Buffer.from(fills[0].png, 'base64'));
    expect([...rgba.subarray(4 * (98 * SIDE + 200), 4 * (98 * SIDE + 200) + 3)]).toEqual([24, 42, 92]);
    const steps = JSON.stringify([{ kind: 'square' }, { kind: 'recolour', from: '#00FF00', to: '#000000' }]);
    const retouched = (await (await post('/api/retouch', form({ picture: file, steps }))).json()) as {
      faults: unknown;
    };
    expect(retouched.faults).toEqual([{ id: '2', message: expect.stringContaining('No area') }]);
    const cut = (await (await post('/api/cut-out?inner=drop', file, { 'content-type': 'image/png' })).json()) as {
      inner: { dropped: boolean }[];
    };
    expect(cut.inner.map((i) => i.dropped)).toEqual([true]);
    for (const [answer, status] of [
      [post('/api/mend', form({ picture: file })), 400],
      [post('/api/mend', file, { 'content-type': 'image/png' }), 415],
      [post('/api/mend?count=99', form({ picture: file, area: mask })), 400],
      [post('/api/retouch', form({ picture: file, steps: '{' })), 400],
      [post('/api/retouch', form({ picture: file, steps: '[{"kind":"spell"}]' })), 400],
      [post('/api/retouch', form({ picture: 'no picture', steps: '[]' })), 422],
    ] as const) {
      const got = await answer;
      const { error } = (await got.json()) as { error: { message: string } };
      expect([got.status, error.message.length > 10]).toEqual([status, true]);
    }
  });
});
