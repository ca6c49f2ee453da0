import type { Code } from '../code.ts';
import type { Implied } from '../options/option.ts';
import type { Options } from '../options/values.ts';
import { impliedBy } from './changes.ts';
import { optionNamed } from './table.ts';

/** What is asked of a code in a frame of its own, by where it is done. */
export interface InAndAround {
  /** In the document, of the code itself. */
  inside: Options;
  /** On the page, of the frame. */
  around: Options;
  /** Of the frame as such. */
  isolation: Options;
  implied: Implied[];
}

/* Settings that are about the frame or player as it stands on the page. */
const ofFrame: ReadonlySet<string> = new Set(['width', 'height', 'title']);
/* Of the looks, what is cut out of the code itself. */
const ofCode: ReadonlySet<string> = new Set(['leave-out']);

/** Parts what is asked, with what comes along with it. */
export function inAndAround(code: Code, options: Options): InAndAround {
  const implied = impliedBy(code, options);
  const all = { ...Object.fromEntries(implied.map(({ option, value }) => [option, value])), ...options };
  const parts = { inside: {}, around: {}, isolation: {} } satisfies Record<string, Options>;
  for (const [name, value] of Object.entries(all))
    (parts[partOf(code, name)] as Record<string, typeof value>)[name] = value;
  return { ...parts, implied };
}

function partOf({ sheet }: Code, name: string): 'inside' | 'around' | 'isolation' {
  if (ofCode.has(name)) return 'inside';
  if (ofFrame.has(name)) return 'around';
  // What nobody knows is a problem of the code, as it is without a frame.
  const stage = optionNamed(name, sheet)?.stage ?? 'settings';
  return stage === 'settings' ? 'inside' : stage === 'isolation' ? stage : 'around';
}
