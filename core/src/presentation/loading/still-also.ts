import { problem, type Option } from '../../options/option.ts';
import { choiceType } from '../../options/types/choice.ts';
import { companion } from '../companion.ts';
import { stillsBeside } from './stills-beside.ts';

const words = companion<string>({
  name: 'still-also',
  type: choiceType(['avif', 'webp', 'avif-and-webp']),
  group: 'loading',
  example: 'avif-and-webp',
  source: 'HTML, section 4.8.4 (picture, source by type); CSS Images 4, section 2.4 (image-set)',
});

export const option: Option<string> = {
  ...words,
  contribute: (code, also, context) => {
    const { still } = context.options;
    if (typeof still !== 'string') return problem('still-also-needs-still');
    if (stillsBeside(still, also).length === 0) return problem('still-without-ending');
    return words.contribute(code, also, context);
  },
};
