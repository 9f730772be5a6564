/** Movements played in Chromium, as SVG and as JSON, held at any moment. */
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';
import sharp from 'sharp';
import { FRAMES_A_SECOND } from '../core/motion';

const PLAYER = createRequire(import.meta.url).resolve('lottie-web/build/player/lottie.min.js');

export class Stage {
  private constructor(
    private readonly page: Page,
    private readonly sidePx: number,
  ) {}

  static async on(page: Page, sidePx: number): Promise<Stage> {
    await page.setViewport({ width: sidePx, height: sidePx });
    return new Stage(page, sidePx);
  }

  /** What is seen now, as red, green and blue in turn. */
  async seen(): Promise<Buffer> {
    return sharp(await this.page.screenshot()).removeAlpha().raw().toBuffer(); // prettier-ignore
  }

  async show(inner: string): Promise<void> {
    const size = `width:${this.sidePx}px;height:${this.sidePx}px;display:block`;
    await this.page.setContent(
      `<!doctype html><style>body{margin:0;background:#fff}svg,#stage{${size}}</style>${inner}`,
    );
  }

  /** An animated SVG at some moments, in seconds. */
  async svgAt(svg: string, seconds: readonly number[]): Promise<Buffer[]> {
    await this.show(svg);
    const out: Buffer[] = [];
    for (const t of seconds) {
      await this.page.evaluate((at) => {
        for (const a of document.getAnimations()) {
          a.pause();
          a.currentTime = at * 1000;
        }
      }, t);
      out.push(await this.seen());
    }
    return out;
  }

  /** A movement as JSON, played by another's player, at some moments. */
  async jsonAt(json: string, seconds: readonly number[]): Promise<Buffer[]> {
    await this.show('<div id="stage"></div>');
    await this.page.addScriptTag({ path: PLAYER });
    await this.page.evaluate((text) => {
      const w = window as unknown as { lottie: { loadAnimation: (o: object) => unknown }; played: unknown };
      w.played = w.lottie.loadAnimation({
        container: document.getElementById('stage'),
        renderer: 'svg',
        autoplay: false,
        animationData: JSON.parse(text) as object,
      });
    }, json);
    const out: Buffer[] = [];
    for (const t of seconds) {
      await this.page.evaluate((frame) => {
        const { played } = window as unknown as { played: { goToAndStop: (at: number, isFrame: boolean) => void } };
        played.goToAndStop(frame, true);
      }, t * FRAMES_A_SECOND);
      out.push(await this.seen());
    }
    return out;
  }
}

/** First, middle and last moment of a movement, in seconds. */
export const momentsOf = (seconds: number): number[] => [0, seconds / 2, seconds - 1e-3];

/** Mean difference of two of what is seen, in percent. */
export const percentOff = (a: Buffer, b: Buffer): number =>
  (100 * a.reduce((sum, v, i) => sum + Math.abs(v - b[i]), 0)) / 255 / a.length;
