import type { Message } from '@orbis/contract';
import { api } from '../api.ts';

/* How long is waited whether it gets through, and how often that is asked, in ms. */
const [patience, askEvery] = [45_000, 500];

/** Sends something harmless by a channel, and waits until it was tried. */
export async function tryOut(channel: string): Promise<Message> {
  const { data: begun } = await api.call('channels.try', { params: { channel } });
  let last = begun;
  for (const end = Date.now() + patience; last.attempts === 0 && Date.now() < end;) {
    await new Promise((resolve) => setTimeout(resolve, askEvery));
    last = (await api.call('messages.read', { params: { message: begun.id } })).data;
  }
  return last;
}
