import type { Tools } from './command.ts';

/** The password that somebody types or hands over, without line ends. */
export const askPassword = async (
  { io }: Tools,
  fromStdin: boolean | undefined,
  question = 'Password: ',
): Promise<string> => (fromStdin ? (await io.stdin()).replace(/\r?\n$/, '') : io.askSecret(question));
