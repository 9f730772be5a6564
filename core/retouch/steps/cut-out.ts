import * as v from 'valibot';
import { cutOut as takeOff } from '../cut-out';
import { defineStep, RetouchError } from './define';

/** The ground taken off; `inner` says what becomes of enclosed areas of its colour. */
export const cutOut = defineStep({
  schema: v.object({ kind: v.literal('cut-out'), inner: v.optional(v.picklist(['auto', 'keep', 'drop']), 'auto') }),
  apply(picture, { inner }) {
    const { picture: cut, groundHex } = takeOff(picture, { inner });
    if (groundHex === null) throw new RetouchError('The picture has no ground to take off');
    return cut;
  },
  tell: ({ inner }) => `cut out${inner === 'auto' ? '' : `, enclosed areas ${inner === 'keep' ? 'kept' : 'dropped'}`}`,
});
