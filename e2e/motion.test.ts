/** Movements in a real browser: the SVG and the JSON of each show the same at the same time, and end as the work stands. */
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { FRAMES_A_SECOND, motionAsk, motionOf, motionsOf, motionToLottie, motionToSvg } from '../core/motion';
import { sceneOf } from '../core/scene';
import { openBrowser } from './browser';

const SIDE = 384;
const { artwork } = readSvg(
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 120"><defs><linearGradient id="g"><stop stop-color="#F2C14E"/><stop offset="1" stop-color="#B5402A"/></linearGradient><clipPath id="c"><circle cx="60" cy="66" r="40"/></clipPath></defs><g clip-path="url(#c)"><rect width="120" height="120" fill="#182A5C"/></g><path d="M30 20L60 40L90 20L84 60H36Z" fill="url(#g)"/><circle cx="48" cy="52" r="7" fill="#111"/><circle cx="72" cy="52" r="7" fill="#111"/><path d="M20 112H100" fill="none" stroke="#182A5C" stroke-width="5" stroke-linecap="round"/></svg>',
);
const scene = sceneOf(artwork, { strokes: 'kept' });

let opened: Awaited<ReturnType<typeof openBrowser>>;
let page: Page;
beforeAll(async () => {
  opened = await openBrowser();
  page = await opened.browser.newPage();
  await page.setViewport({ width: SIDE, height: SIDE });
});
afterAll(() => opened.close());

const show = (inner: string) =>
  page.setContent(`<!doctype html><style>body{margin:0;background:#fff}svg,#stage{width:${SIDE}px;height:${SIDE}px;display:block}</style>${inner}`); // prettier-ignore
const shot = async (): Promise<Buffer> => sharp(await page.screenshot()).removeAlpha().raw().toBuffer(); // prettier-ignore
const percent = (a: Buffer, b: Buffer): number => (100 * a.reduce((sum, v, i) => sum + Math.abs(v - b[i]), 0)) / 255 / a.length; // prettier-ignore
const seekSvg = (seconds: number) =>
  page.evaluate((at) => {
    for (const a of document.getAnimations()) {
      a.pause();
      a.currentTime = at * 1000;
    }
  }, seconds);

describe('movements', () => {
  it.each(motionsOf(scene))('are the same as SVG and as JSON: %s', async (kind) => {
    const motion = motionOf(scene, motionAsk(kind));
    await show(artworkToSvg(artwork));
    const still = await shot();
    const times = [0, motion.seconds / 2, motion.seconds - 1e-3];
    await show(motionToSvg(motion, kind));
    const svg: Buffer[] = [];
    for (const t of times) {
      await seekSvg(t);
      svg.push(await shot());
    }
    expect(percent(svg[2], still)).toBeLessThan(0.6);
    await show('<div id="stage"></div>');
    await page.addScriptTag({ path: createRequire(import.meta.url).resolve('lottie-web/build/player/lottie.min.js') });
    await page.evaluate(
      (json) => {
        const w = window as unknown as { lottie: { loadAnimation: (o: object) => unknown }; played: unknown };
        w.played = w.lottie.loadAnimation({
          container: document.getElementById('stage'),
          renderer: 'svg',
          autoplay: false,
          animationData: JSON.parse(json) as object,
        });
      },
      motionToLottie(motion, kind),
    );
    for (const [k, t] of times.entries()) {
      await page.evaluate((frame) => {
        const { played } = window as unknown as { played: { goToAndStop: (at: number, isFrame: boolean) => void } };
        played.goToAndStop(frame, true);
      }, t * FRAMES_A_SECOND);
      expect(percent(svg[k], await shot())).toBeLessThan(0.8);
    }
  });

  it('stand still, as they end, for those who asked for less motion', async () => {
    await show(artworkToSvg(artwork));
    const still = await shot();
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await show(motionToSvg(motionOf(scene, motionAsk('drawn')), 'drawn'));
    expect(await page.evaluate(() => document.getAnimations().length)).toBe(0);
    expect(percent(await shot(), still)).toBeLessThan(0.3);
    await page.emulateMediaFeatures([]);
  });
});
