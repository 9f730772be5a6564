import { forPage } from '$lib/server/load';
import { pickedColours, retouchedOf } from '$lib/server/retouching';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends }) => {
  // Not with the rest of the commission: what this page itself does to the picture is no news to it.
  depends('odd-quill:work');
  return forPage(async () => {
    const retouched = await retouchedOf(params.id, params.work);
    return { place: retouched.name, retouched, picked: await pickedColours(params.id) };
  });
};
