import { mendAttribute } from './mends.ts';
import type { CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

const presence: Record<string, readonly string[]> = {
  video: ['autoplay', 'controls', 'loop', 'muted', 'playsinline'],
  audio: ['autoplay', 'controls', 'loop', 'muted'],
  iframe: ['allowfullscreen'],
  script: ['async', 'defer', 'nomodule'],
  input: ['required', 'disabled', 'checked', 'readonly', 'autofocus', 'multiple'],
  button: ['disabled'],
  form: ['novalidate'],
  track: ['default'],
  select: ['multiple', 'required', 'disabled'],
  textarea: ['required', 'disabled', 'readonly'],
};
const offValues = new Set(['false', '0', 'no', 'off', 'none', 'null', 'undefined']);

export const rule: CodeRule = {
  id: 'value-on-presence',
  level: 'warning',
  source: 'HTML, section 2.3.2 (boolean attributes: presence means true, whatever the value)',
  attributes: (e, name, value, { markup }) => {
    if (value === '' || !presence[e.name]?.includes(name)) return null;
    const said = value.trim().toLowerCase();
    if (said === name) return null;
    const { start, end } = e.attributes.get(name)!;
    const off = offValues.has(said);
    const mend = off ? mendAttribute(markup, e, name, null, reason('take-word-out', { name, value })) : [];
    return {
      start,
      end,
      facts: { attribute: name, value: value.slice(0, 80), off },
      mend,
      level: off ? 'warning' : 'note',
    };
  },
};
