import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { textType } from '../options/types/text.ts';
import { shownElement, showsSomething } from './targets.ts';

export const option: Option<string> = {
  name: 'title',
  stage: 'settings',
  type: textType({ length: 200 }),
  kinds: 'any',
  example: 'Opening talk',
  source: 'HTML, section 3.2.6.1 (title)',
  isOffered: (_, reading) => showsSomething(reading),
  current: (code) => shownElement(code)?.attributes.value('title')?.trim() || null,
  contribute: (code, value) => {
    const element = shownElement(code);
    if (!element) return problem('part-missing', { setting: 'title', part: 'frame' });
    return contribution([
      { kind: 'attribute', element, name: 'title', value, reason: reason('set-title', { value }) },
    ]);
  },
};
