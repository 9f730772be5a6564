/**
 * How alike the two files of a movement are: first, middle and last frame of the JSON in lottie-web against the animated SVG, both in Chromium, and the last against the still; mean
 * difference in percent. `npx tsx bench/motion.ts [COUNT] [FROM]`.
 */
import { createRequire } from 'node:module';
import sharp from 'sharp';
import { artworkToSvg } from '../core/export';
import { readSvg } from '../core/import';
import { motionAsk, motionOf, motionsOf, motionToLottie, motionToSvg, type MotionKind } from '../core/motion';
import { sceneOf } from '../core/scene';
import { openBrowser } from '../e2e/browser';
import { packDrawings } from './packs';

const SIDE = 512;
const count = Number(process.argv[2] ?? 40);
const from = Number(process.argv[3] ?? 0);
const player = createRequire(import.meta.url).resolve('lottie-web/build/player/lottie.min.js');

const { browser, close } = await openBrowser();
const page = await browser.newPage();
await page.setViewport({ width: SIDE, height: SIDE });

const shot = async (): Promise<Buffer> =>
  sharp(await page.screenshot({ type: 'png' }))
    .removeAlpha()
    .raw()
    .toBuffer();
const percent = (a: Buffer, b: Buffer): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
  return (100 * sum) / 255 / a.length;
};
const html = (inner: string): string =>
  `<!doctype html><style>body{margin:0;background:#fff}svg,#stage{width:${SIDE}px;height:${SIDE}px;display:block}</style>${inner}`;

const found: { what: string; percent: number; name: string }[] = [];
for (const { name, svg } of packDrawings(count, from)) {
  const { artwork } = readSvg(svg);
  const scene = sceneOf(artwork, { strokes: 'kept' });
  await page.setContent(html(artworkToSvg(artwork)));
  const still = await shot();
  for (const kind of motionsOf(scene)) {
    const motion = motionOf(scene, motionAsk(kind));
    const times = [0, motion.seconds / 2, motion.seconds - 1e-3];
    await page.setContent(html(motionToSvg(motion, name)));
    const css: Buffer[] = [];
    for (const t of times) {
      await page.evaluate((at) => {
        for (const a of document.getAnimations()) {
          a.pause();
          a.currentTime = at * 1000;
        }
      }, t);
      css.push(await shot());
    }
    await page.setContent(html('<div id="stage"></div>'));
    await page.addScriptTag({ path: player });
    await page.evaluate(
      (json) => {
        const w = window as unknown as { lottie: { loadAnimation: (o: object) => unknown }; anim: unknown };
        w.anim = w.lottie.loadAnimation({
          container: document.getElementById('stage'),
          renderer: 'svg',
          autoplay: false,
          loop: false,
          animationData: JSON.parse(json) as object,
        });
      },
      motionToLottie(motion, name),
    );
    for (const [k, t] of times.entries()) {
      await page.evaluate((frame) => {
        (window as unknown as { anim: { goToAndStop: (f: number, isFrame: boolean) => void } }).anim.goToAndStop(
          frame,
          true,
        );
      }, t * 30);
      found.push({ what: `${kind} ${['first', 'middle', 'last'][k]}`, percent: percent(css[k], await shot()), name });
    }
    found.push({ what: `${kind} still`, percent: percent(css[2], still), name });
  }
}
await close();
for (const kind of ['drawn', 'assembled', 'unfolded', 'turned', 'floated', 'blinked'] as MotionKind[])
  for (const when of ['first', 'middle', 'last', 'still']) {
    const list = found.filter((f) => f.what === `${kind} ${when}`).sort((a, b) => b.percent - a.percent);
    if (!list.length) continue;
    const mean = list.reduce((sum, f) => sum + f.percent, 0) / list.length;
    const worst = list.slice(0, 3).map((f) => `${f.percent.toFixed(2)}% ${f.name}`);
    console.log(`${`${kind} ${when}`.padEnd(18)} mean ${mean.toFixed(3)}%  worst ${worst.join(', ')}`);
  }
