import { randomInt, randomUUID } from 'node:crypto';
import type * as v from 'valibot';
import type { CandidatesRequest } from '../contract/requests';
import { transaction } from './database';
import { drawRound, engineProblem } from './engine-client';
import { picturePng, reencode, storePicture } from './pictures';

/** Candidates for nobody in particular: asks the engine, keeps the pictures, and answers with the names of the command line's JSON. */
export async function drawCandidates(asked: v.InferOutput<typeof CandidatesRequest>, signal: AbortSignal) {
  const started = performance.now();
  const { size, seed = randomInt(0x7fffffff), references, ...request } = asked;
  const given = await Promise.all(
    references.map(async ({ pictureId, closeness }) => ({
      picture: (await picturePng(pictureId)).toString('base64'),
      closeness,
    })),
  );
  const result = await drawRound(
    { ...request, references: given, seed, sizePx: size, requestId: randomUUID() },
    () => {},
    signal,
  ).catch((error: unknown) => {
    throw engineProblem(error);
  });
  const pictures = await Promise.all(
    result.candidates.map(async (c) => ({ seed: c.seed, sketch: c.sketch, ...(await reencode(c.file)) })),
  );
  const candidates = await transaction(async (tx) => {
    const kept = [];
    for (const p of pictures) {
      const { id, widthPx, heightPx } = await storePicture(tx, p.png, p.widthPx, p.heightPx);
      kept.push({ file: `/api/pictures/${id}`, seed: p.seed, widthPx, heightPx, sketch: p.sketch });
    }
    return kept;
  });
  return {
    candidates,
    figures: result.figures,
    parts: result.parts,
    credits: result.credits,
    ms: Math.round(performance.now() - started),
  };
}
