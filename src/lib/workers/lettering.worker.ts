import type { LetteringRequest, LetteringResult, Reply } from './messages';
import { sentenceOf } from './told';

const reply = (message: Reply<LetteringResult>) => postMessage(message);

// The shaper is waited for when it is loaded, and what is asked meanwhile would be lost: it is heard from the beginning.
const answers = import('./lettering');

self.onmessage = async ({ data }: MessageEvent<LetteringRequest>) => {
  const { id } = data;
  try {
    reply({ id, what: 'result', result: await (await answers).answerTo(data) });
  } catch (error) {
    reply({ id, what: 'error', message: sentenceOf(error) });
  }
};
