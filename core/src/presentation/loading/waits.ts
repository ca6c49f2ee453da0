import type { Code } from '../../code.ts';
import type { Options } from '../../options/values.ts';
import { frameOf } from '../target.ts';

/** What a code can wait for in a template: the button, coming near, the page’s permission. */
export type WaitsFor = 'click' | 'near' | 'allow';

/* What browsers wait with by themselves (HTML, section 2.5.7). */
const lazy: ReadonlySet<string> = new Set(['iframe', 'img', 'video', 'audio']);

/** What the frame, player or picture is that browsers can wait with by themselves; null for other codes. */
export function lazyElement(code: Code): ReturnType<typeof frameOf> {
  const frame = frameOf(code);
  const hasScripts = code.reading.parts.some(({ role }) => role === 'loader' || role === 'setup');
  return frame && !hasScripts && lazy.has(frame.name) ? frame : null;
}

/** What a code waits for in a template by what is asked; null where it is there from the start. */
export function waits(code: Code, options: Options): WaitsFor | null {
  const load = options['load'];
  if (load === 'click' || load === 'allow') return load;
  return load === 'near' && !lazyElement(code) ? 'near' : null;
}
