/** What tests and the rig begin with: a picture on the wall, its trace kept as an artwork. */
import type { Picture } from '../core/raster';
import { TRACE_DEFAULTS, type Trace } from '../core/trace';
import { encodePng } from '../node/pictures';
import type { Candidate, WorkState } from '../src/lib/contract/answers';

/** Asks an application for something, and gives the body of its answer. */
export type Ask = <T>(method: string, path: string, body?: unknown) => Promise<T>;

/** Brings a picture in as a candidate of a commission. */
export const bringInPicture = async (
  ask: Ask,
  commissionId: string,
  picture: Picture,
  name = 'bat.png',
): Promise<Candidate> =>
  ask('POST', `/api/commissions/${commissionId}/pictures?name=${name}`, await encodePng(picture));

/** Keeps the trace of a candidate's picture as an artwork, as the page does. */
export function keepTrace(
  ask: Ask,
  candidateId: string,
  { artwork: drawing, groundHex }: Pick<Trace, 'artwork' | 'groundHex'>,
): Promise<WorkState> {
  const body = { options: TRACE_DEFAULTS, groundHex, drawing, head: null };
  return ask('POST', `/api/candidates/${candidateId}/artworks`, body);
}
