import { beforeEach, describe, expect, it, vi } from 'vitest';
import { TRACE_DEFAULTS } from '$core/trace';
import { settingsTold, type Settings } from './slip/trace-settings';

vi.stubGlobal(
  '$state',
  Object.assign((v: unknown) => v, { raw: (v: unknown) => v }),
);
const { SettingsHistory } = await import('./slip/settings-history.svelte');

describe('settings that were changed', () => {
  let now: Settings;
  const history = () => {
    now = { ...TRACE_DEFAULTS };
    return new SettingsHistory<Settings>(now, settingsTold, (s) => (now = s));
  };
  beforeEach(() => void vi.useFakeTimers());
  const move = (of: InstanceType<typeof SettingsHistory<Settings>>, more: Partial<Settings>) => {
    now = { ...now, ...more };
    of.hear(now);
  };

  it('are one step when a slider rests, however often it moved', () => {
    const line = history();
    const { smoothness } = now;
    for (const s of [1, 2, 3]) move(line, { smoothness: smoothness + s });
    expect(line.undo).toBeNull();
    vi.advanceTimersByTime(500);
    expect(line.undo).toBe(`smoothness ${smoothness} to ${smoothness + 3}`);
    line.takeBack();
    expect([now.smoothness, line.undo, line.redo]).toEqual([smoothness, null, expect.stringContaining('smoothness')]);
    line.doAgain();
    expect(now.smoothness).toBe(smoothness + 3);
  });

  it('are taken back one after the other, also while one is still moving', () => {
    const line = history();
    move(line, { ground: 'keep' });
    vi.advanceTimersByTime(500);
    move(line, { colours: 5 });
    line.takeBack();
    expect([now.ground, now.colours]).toEqual(['keep', 'auto']);
    line.takeBack();
    expect(now).toEqual(TRACE_DEFAULTS);
    line.takeBack();
    expect(now).toEqual(TRACE_DEFAULTS);
  });

  it('cannot be made again once something else was set', () => {
    const line = history();
    move(line, { speckPx2: 90 });
    vi.advanceTimersByTime(500);
    line.takeBack();
    move(line, { gradients: true });
    vi.advanceTimersByTime(500);
    expect([line.redo, line.undo]).toEqual([null, 'gradients off to on']);
  });

  it('are told apart from what there was to begin with', () => {
    const line = history();
    expect(line.hear({ ...TRACE_DEFAULTS })).toBe(false);
    expect(line.hear({ ...TRACE_DEFAULTS, speckPx2: 1 })).toBe(true);
    expect(settingsTold(TRACE_DEFAULTS, { ...TRACE_DEFAULTS, speckPx2: 1, ground: 'keep' })).toBe(
      'ground, specks under',
    );
  });
});
