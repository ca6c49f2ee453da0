import { EventSourceParserStream } from 'eventsource-parser/stream';

/** The data of each event of an answer (HTML, section 9.2), in their order. */
export async function* eventsIn<T>(response: Response): AsyncGenerator<T> {
  if (!response.body) return;
  const events = response.body.pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array>).pipeThrough(new EventSourceParserStream());
  const reader = events.getReader();
  try {
    for (let next = await reader.read(); !next.done; next = await reader.read()) yield JSON.parse(next.value.data) as T;
  } finally {
    // Whoever stops reading does not wait for the other side to notice.
    void reader.cancel().catch(() => undefined);
  }
}
