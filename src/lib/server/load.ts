import { error } from '@sveltejs/kit';
import { asProblem } from './problem';

/** Data for a page; a refusal becomes the page's error. */
export async function forPage<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (thrown) {
    const problem = asProblem(thrown);
    error(problem.status, problem.message);
  }
}
