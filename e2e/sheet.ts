/** Presses and drags on the sheet of a page, by places of the work. */
import type { Page } from 'puppeteer-core';
import type { Artwork } from '../core/vector';
import type { WorkState } from '../src/lib/contract/answers';
import { until, type bodiesOf } from './app';

/** The sheet on which something is drawn in a group that is placed as the work is. */
export class OnSheet {
  constructor(
    private readonly page: Page,
    private readonly group: string,
  ) {}

  /** A place of the work on the screen. */
  async spot(x: number, y: number): Promise<[number, number]> {
    const { zoom, left, top } = await this.page.$eval(this.group, (g) => {
      const m = (g as SVGGElement).getScreenCTM()!;
      return { zoom: m.a, left: m.e, top: m.f };
    });
    return [left + zoom * x, top + zoom * y];
  }

  async press(x: number, y: number): Promise<void> {
    await this.page.mouse.click(...(await this.spot(x, y)));
  }

  async drag(from: readonly [number, number], to: readonly [number, number], held?: 'Shift'): Promise<void> {
    const { mouse, keyboard } = this.page;
    if (held) await keyboard.down(held);
    await mouse.move(...(await this.spot(...from)));
    await mouse.down();
    await mouse.move(...(await this.spot((from[0] + to[0]) / 2, (from[1] + to[1]) / 2)), { steps: 4 });
    await mouse.move(...(await this.spot(...to)), { steps: 4 });
    await mouse.up();
    if (held) await keyboard.up(held);
  }
}

/** The artwork of a work once it is kept and so. */
export const onceKept = (
  ask: ReturnType<typeof bodiesOf>,
  id: string,
  is: (artwork: Artwork) => unknown,
): Promise<Artwork> =>
  until(async () => {
    const { drawing } = await ask<WorkState>('GET', `/api/works/${id}`);
    return is(drawing) ? drawing : null;
  });
