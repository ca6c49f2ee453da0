import ora from 'ora';
import { plural, registerType, type RecordType, type RegisterTaken } from '@orbis/contract';
import type { Tools } from './command.ts';
import type { LargeFile } from './files.ts';
import { progressBar } from './text.ts';

/** Whether a text begins as a register file does. */
export const isRegister = (beginning: string): boolean =>
  /^\uFEFF?\s*\{\s*"type"\s*:\s*"register"/.test(beginning);

/** Takes a whole register in, with a bar on a terminal which says how much of the file is sent. */
export async function importRegister(
  { length, stream }: Pick<LargeFile, 'length' | 'stream'>,
  { client, io, quiet }: Tools,
): Promise<RegisterTaken> {
  const thousand = (bytes: number): number => Math.ceil(bytes / 1000);
  const told = (bytes: number): string => `${progressBar(thousand(bytes), thousand(length))} kB`;
  const bar = io.errIsTerminal && !quiet ? ora({ text: told(0), stream: process.stderr }).start() : null;
  let sent = 0;
  const watched = stream().pipeThrough(
    new TransformStream<Uint8Array, Uint8Array>({
      transform: (chunk, controller) => {
        sent += chunk.length;
        if (bar) bar.text = sent === length ? 'reading the codes' : told(sent);
        controller.enqueue(chunk);
      },
    }),
  );
  try {
    const text = { type: registerType, from: watched };
    return (await client().call('register.create', { text, signal: io.signal })).data;
  } finally {
    bar?.stop();
  }
}

const names: readonly [RecordType, one: string, many?: string][] = [
  ['site', 'site'],
  ['page', 'page'],
  ['spot', 'spot'],
  ['sharedSpot', 'spot of many pages', 'spots of many pages'],
  ['embed', 'embed'],
  ['revision', 'revision'],
  ['placement', 'placement'],
  ['delivery', 'delivery', 'deliveries'],
  ['terms', 'agreement with a provider', 'agreements with providers'],
  ['preset', 'preset'],
  ['search', 'search of the register', 'searches of the register'],
  ['sheet', 'provider sheet'],
];

/** What was taken in, in a sentence. */
export function describeTaken({ lines }: RegisterTaken): string {
  const parts = names.flatMap(([type, one, many]) => {
    const count = lines[type] ?? 0;
    return count === 0 ? [] : [plural(count, one, many)];
  });
  return `Taken in: ${parts.join(', ') || 'nothing but rules'}.\n`;
}
