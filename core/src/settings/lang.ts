import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { textType } from '../options/types/text.ts';
import { showsSomething, shownElement } from './targets.ts';

export const option: Option<string> = {
  name: 'lang',
  stage: 'settings',
  type: textType({ length: 35, isLanguage: true }),
  kinds: 'any',
  example: 'de',
  source: 'HTML, section 3.2.6.2 (lang); BCP 47',
  isOffered: (_, reading) => showsSomething(reading),
  current: (code) => shownElement(code)?.attributes.value('lang')?.trim() || null,
  contribute: (code, value) => {
    const element = shownElement(code);
    if (!element) return problem('part-missing', { setting: 'lang', part: 'frame' });
    return contribution([
      { kind: 'attribute', element, name: 'lang', value, reason: reason('set-lang', { value }) },
    ]);
  },
};
