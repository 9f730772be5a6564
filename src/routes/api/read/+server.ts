import { PromptReading } from '$lib/contract/requests';
import { answer, bodyOf } from '$lib/server/answer';
import { readPromptAtEngine } from '$lib/server/engine-client';

export const POST = answer(async ({ request }) => {
  const { prompt, leaveOut } = await bodyOf(PromptReading, request);
  return readPromptAtEngine(prompt, leaveOut);
});
