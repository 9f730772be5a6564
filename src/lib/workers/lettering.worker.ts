import { answerTo } from './lettering';
import type { LetteringRequest, LetteringResult, Reply } from './messages';
import { sentenceOf } from './told';

self.onmessage = async ({ data }: MessageEvent<LetteringRequest>) => {
  const { id, channel } = data;
  const reply = (message: Reply<LetteringResult>) => postMessage({ ...message, channel });
  try {
    reply({ id, what: 'result', result: await answerTo(data) });
  } catch (error) {
    reply({ id, what: 'error', message: sentenceOf(error) });
  }
};
// The shaper is waited for when this is loaded, and what was asked before would be lost: whoever asks waits for this.
postMessage('ready');
