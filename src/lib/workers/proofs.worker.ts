import { JUDGED_SIDE_PX, proofsOf } from '$core/judge';
import { renderArtwork } from '$core/scene';
import { loadPicture } from './load';
import type { ProofReply, ProofRequest } from './messages';
import { sentenceOf } from './told';

const reply = (message: ProofReply) => postMessage(message);

self.onmessage = async ({ data: { id, source } }: MessageEvent<ProofRequest>) => {
  try {
    const picture =
      source.kind === 'picture'
        ? await loadPicture(source.href)
        : source.kind === 'pixels'
          ? source.picture
          : renderArtwork(source.artwork, JUDGED_SIDE_PX);
    reply({ id, what: 'result', result: proofsOf(picture) });
  } catch (error) {
    reply({ id, what: 'error', message: sentenceOf(error) });
  }
};
