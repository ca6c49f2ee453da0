import { contribution, problem, type Option } from '../options/option.ts';
import { choiceType } from '../options/types/choice.ts';
import { frameRefusal } from './refusal.ts';
import { framedWay, frameWays } from './ways.ts';

export const option: Option<string> = {
  name: 'frame',
  stage: 'isolation',
  type: choiceType(frameWays),
  kinds: 'any',
  example: 'served',
  source:
    'HTML, sections 4.8.5 (srcdoc) and 7.1.5 (sandboxing); observed: what a provider nested in each can do',
  isOffered: () => true,
  current: () => null,
  // The composer puts the code into its document; here stands only whether that can be.
  contribute: (code, _, { options, page }) => {
    const way = framedWay(options);
    const refusal = way && frameRefusal(code, way, page.sharesHost);
    if (refusal) return problem(refusal.code, refusal.facts);
    if (way === 'file' && options['frame-file'] === undefined) return problem('file-needs-address');
    return contribution([]);
  },
};
