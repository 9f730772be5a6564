import { describe, expect, it } from 'vitest';
import { circle, flatten } from '../path';
import { blankPicture, cover, layColour, type Picture } from '../raster';
import {
  editedList,
  editedListBy,
  ListEditError,
  Maker,
  type ListEdit,
  type Retouched,
  type RetouchStep,
} from './index';

const NONE: Retouched = { pictureId: 'f'.repeat(64), widthPx: 80, heightPx: 80, entries: [] };
const dot = (x: number, hex: string): RetouchStep => ({
  kind: 'cover',
  points: [[x, 40]],
  widthPx: 20,
  hex,
  oneSide: false,
});
const add = (id: string, step: RetouchStep): ListEdit => ({ kind: 'add-step', id, step });
const three = editedListBy(NONE, [
  add('a', dot(20, '#AA0000')),
  add('b', dot(40, '#00AA00')),
  add('c', dot(60, '#0000AA')),
]).state;
const ids = (state: Retouched) => state.entries.map((e) => e.id).join('');

describe('the list of a retouched picture', () => {
  it('takes steps, hides, changes, moves and removes them, and tells what it did', () => {
    expect(ids(three)).toBe('abc');
    expect(editedList(three, { kind: 'hide-step', id: 'b', hidden: true })).toMatchObject({
      told: 'covered with #00AA00, 20 px wide, hidden',
      state: { entries: [{ hidden: false }, { hidden: true }, { hidden: false }] },
    });
    expect(ids(editedList(three, { kind: 'move-step', id: 'a', to: 2 }).state)).toBe('bca');
    expect(ids(editedList(three, { kind: 'move-step', id: 'c', to: 0 }).state)).toBe('cab');
    expect(ids(editedList(three, { kind: 'move-step', id: 'a', to: 99 }).state)).toBe('bca');
    expect(ids(editedList(three, { kind: 'remove-step', id: 'b' }).state)).toBe('ac');
    const changed = editedList(three, { kind: 'change-step', id: 'b', step: dot(40, '#FFFFFF') });
    expect(changed.state.entries[1]).toMatchObject({ id: 'b', step: { hex: '#FFFFFF' } });
    // What was given is as it was.
    expect(three.entries[1].step).toMatchObject({ hex: '#00AA00' });
  });

  it('refuses what it does not have, what it has already, and more than anybody looks through', () => {
    expect(() => editedList(three, { kind: 'remove-step', id: 'x' })).toThrow(ListEditError);
    expect(() => editedList(three, add('a', dot(1, '#000000')))).toThrow('already');
    const many = editedListBy(
      NONE,
      Array.from({ length: 500 }, (_, k) => add(`s${k}`, dot(1, '#000000'))),
    ).state;
    expect(() => editedList(many, add('more', dot(1, '#000000')))).toThrow('at most 500');
  });
});

describe('making pictures of lists', () => {
  const source = blankPicture(80, 80, [255, 255, 255]);
  const red = (p: Picture, x: number) => [...p.rgba.subarray(4 * (40 * 80 + x), 4 * (40 * 80 + x) + 3)];

  it('leaves out what is hidden, and makes nothing again that did not change', () => {
    const maker = new Maker(source);
    const steps: number[] = [];
    const whole = maker.make(three.entries, (k) => steps.push(k)).picture;
    expect([red(whole, 20), red(whole, 40), red(whole, 60)]).toEqual([
      [170, 0, 0],
      [0, 170, 0],
      [0, 0, 170],
    ]);
    expect(steps).toEqual([0, 1, 2]);
    steps.length = 0;
    const changed = editedList(three, { kind: 'change-step', id: 'c', step: dot(60, '#123456') }).state;
    expect(red(maker.make(changed.entries, (k) => steps.push(k)).picture, 60)).toEqual([18, 52, 86]);
    expect(steps).toEqual([2]);
    steps.length = 0;
    const hidden = editedList(three, { kind: 'hide-step', id: 'b', hidden: true }).state;
    expect(red(maker.make(hidden.entries, (k) => steps.push(k)).picture, 40)).toEqual([255, 255, 255]);
    expect(steps).toEqual([1]);
    // Shown again, nothing is made at all.
    steps.length = 0;
    expect(maker.make(three.entries, (k) => steps.push(k)).picture).toBe(whole);
    expect(steps).toEqual([]);
  });

  it('passes over a step that does not fit, and says so', () => {
    const layers = editedListBy(NONE, [
      add('outside', { ...dot(0, '#AA0000'), points: [[500, 500]] } as RetouchStep),
      add('in', dot(40, '#00AA00')),
    ]).state;
    const { picture, faults } = new Maker(source).make(layers.entries);
    expect(faults).toEqual([{ id: 'outside', message: 'The stroke lies outside the picture' }]);
    expect(red(picture, 40)).toEqual([0, 170, 0]);
  });

  it('forgets the oldest of what would take too much room', () => {
    const large = blankPicture(2048, 2048, [255, 255, 255]);
    layColour(large, cover([flatten(circle(1000, 1000, 300), 0.1)], 2048, 2048)!, [20, 40, 90]);
    const maker = new Maker(large);
    const entries = Array.from({ length: 30 }, (_, k) => ({
      id: `s${k}`,
      step: dot(10 + k, '#AA0000'),
      hidden: false,
    }));
    maker.make(entries);
    const again: number[] = [];
    maker.make(entries, (k) => again.push(k));
    // Thirty of 17 MB do not fit, and those that do are the last.
    expect(again.length).toBeGreaterThan(0);
    expect(again.length).toBeLessThan(30);
  });
});
