import { SIZE_MOST_PX } from '../credit';

/** The request cannot be drawn; the message says why and what to do. */
export class RequestError extends Error {
  constructor(
    readonly code:
      | 'empty_prompt'
      | 'prompt_too_long'
      | 'no_figure'
      | 'contradiction'
      | 'bad_ratio'
      | 'bad_size'
      | 'bad_count'
      | 'bad_colours'
      | 'bad_leeway'
      | 'bad_detail'
      | 'bad_flaws'
      | 'bad_drift'
      | 'bad_balance'
      | 'bad_closeness'
      | 'bad_area'
      | 'bad_recipe'
      | 'unknown_finish'
      | 'unknown_kind'
      | 'broken_reference'
      | 'too_many_references'
      | 'too_many_figures',
    message: string,
  ) {
    super(message);
  }
}

export const SIZE_LIMITS = [64, SIZE_MOST_PX] as const;

export const whole = (value: number, low: number, high: number): boolean =>
  Number.isInteger(value) && value >= low && value <= high;

/** Width and height in pixels for a ratio and a longer side. Throws a RequestError for a ratio that is none or beyond 3:1. */
export function sizeFor(ratio: string, sizePx: number): { widthPx: number; heightPx: number } {
  const m = /^\s*(\d{1,4}(?:\.\d+)?)\s*:\s*(\d{1,4}(?:\.\d+)?)\s*$/.exec(ratio);
  const aspect = m ? Number(m[1]) / Number(m[2]) : NaN;
  if (!Number.isFinite(aspect) || aspect < 1 / 3 || aspect > 3)
    throw new RequestError('bad_ratio', `"${ratio}" is not a ratio from 1:3 to 3:1, such as 3:2`);
  return aspect >= 1
    ? { widthPx: sizePx, heightPx: Math.max(1, Math.round(sizePx / aspect)) }
    : { widthPx: Math.max(1, Math.round(sizePx * aspect)), heightPx: sizePx };
}

export function checkSize(ratio: string, sizePx: number): { widthPx: number; heightPx: number } {
  if (!whole(sizePx, ...SIZE_LIMITS))
    throw new RequestError('bad_size', `The size is from ${SIZE_LIMITS[0]} to ${SIZE_LIMITS[1]} px`);
  return sizeFor(ratio, sizePx);
}
