/** Reads the lettering of pictures with one recognition, started when it is first needed. */
import { readFileSync } from 'node:fs';
import wordListPath from 'word-list';
import type { Picture } from '../core/raster';
import { readLettering, type Lettering } from '../core/reading';
import { startRecognition, type Recognition } from './recognise';

let recognition: Promise<Recognition> | null = null;
let words: Set<string> | null = null;

const isWord = (word: string): boolean => {
  words ??= new Set(readFileSync(wordListPath, 'utf8').split('\n'));
  return words.has(word.toLowerCase());
};

/** The lettering of a picture, held against what was asked for. Throws a RecognitionError where recognition does not start or stops answering; it is started anew the next time. */
export async function letteringOf(picture: Picture, asked: string | null): Promise<Lettering> {
  recognition ??= startRecognition();
  try {
    const { recognise } = await recognition;
    return await readLettering(picture, { recognise, asked, isWord });
  } catch (error) {
    await stopReading();
    throw error;
  }
}

/** Ends recognition, if it was started. */
export async function stopReading(): Promise<void> {
  const last = recognition;
  recognition = null;
  await last?.then(
    ({ stop }) => stop(),
    () => {},
  );
}
