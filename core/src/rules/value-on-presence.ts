import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

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
const off = new Set(['false', '0', 'no', 'off', 'none', 'null', 'undefined']);

export const rule: CodeRule = {
  id: 'value-on-presence',
  level: 'warning',
  source: 'HTML, section 2.3.2 (boolean attributes: presence means true, whatever the value)',
  check: ({ markup }) =>
    markup.elements.flatMap((element) =>
      (presence[element.name] ?? []).flatMap((name) => {
        const value = attribute(element, name);
        const place = value === null || !off.has(value.trim().toLowerCase()) ? undefined : element.attributes.get(name);
        return place ? [{ start: place.start, end: place.end, facts: { attribute: name, value } }] : [];
      }),
    ),
};
