import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sentenceOf } from './told';

beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => {}));
afterEach(() => void vi.restoreAllMocks());

describe('what a person is told', () => {
  it('is the sentence of an error that has one', () => {
    expect(sentenceOf(new Error('The picture is larger than 40 MB'))).toBe('The picture is larger than 40 MB');
    class Refused extends Error {}
    expect(sentenceOf(new Refused('No'))).toBe('No');
    expect(console.error).not.toHaveBeenCalled();
  });

  it('is never what the program says to itself', () => {
    const stumble = (): unknown => {
      try {
        return (undefined as unknown as number[])[0];
      } catch (error) {
        return error;
      }
    };
    for (const error of [
      stumble(),
      new RangeError('Invalid array length'),
      new DOMException('Invalid'),
      'boom',
      null,
    ]) {
      expect(sentenceOf(error)).toMatch(/a mistake of the program, not yours/);
      expect(sentenceOf(error)).not.toMatch(/undefined|Invalid|boom|null/);
    }
    expect(console.error).toHaveBeenCalledTimes(10);
  });
});
