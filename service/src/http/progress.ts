/** What some work tells while it goes on, and at last what it comes to, as they come. */
export async function* progressOf<T>(work: (tell: (event: T) => void) => Promise<T>): AsyncGenerator<T> {
  const told: T[] = [];
  let wake = (): void => {};
  const state = { ended: false };
  const tell = (event: T): void => {
    told.push(event);
    wake();
  };
  const done = work(tell).then((last) => {
    state.ended = true;
    tell(last);
  });
  while (!state.ended || told.length > 0) {
    const next = told.shift();
    if (next !== undefined) yield next;
    else await Promise.race([new Promise<void>((resolve) => (wake = resolve)), done]);
  }
}
