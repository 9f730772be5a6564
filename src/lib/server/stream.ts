/** What comes bit by bit as the body of an answer: the next bit is asked for when the one before was taken. */
export const streamOf = (chunks: AsyncGenerator<Uint8Array>): ReadableStream<Uint8Array> =>
  new ReadableStream(
    {
      async pull(controller) {
        const { value, done } = await chunks.next();
        if (done) controller.close();
        else controller.enqueue(value);
      },
      async cancel() {
        await chunks.return(undefined);
      },
    },
    { highWaterMark: 0 },
  );
