import { contribution, type Option } from '../../options/option.ts';
import { choiceType } from '../../options/types/choice.ts';
import { reason } from '../../reason.ts';
import { declare } from '../declarations.ts';
import { declaredBy, hasPlace, noTarget } from '../target.ts';
import { bodyOf } from '../standing.ts';

const shadows: Readonly<Record<string, string>> = {
  soft: '0 1px 4px rgba(0,0,0,.25)',
  strong: '0 6px 24px rgba(0,0,0,.35)',
};

export const option: Option<string> = {
  name: 'shadow',
  stage: 'presentation',
  type: choiceType(Object.keys(shadows)),
  kinds: 'any',
  group: 'edges',
  example: 'soft',
  source: 'CSS Backgrounds and Borders 3, section 6 (box-shadow)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => {
    const declared = squeezed(declaredBy(code)?.get('box-shadow') ?? '');
    return Object.keys(shadows).find((name) => squeezed(shadows[name]!) === declared) ?? null;
  },
  contribute: (code, name, { options }) => {
    const target = bodyOf(code, options);
    if (!target) return noTarget(code);
    return contribution(
      declare(target, [['box-shadow', shadows[name]!, reason('casts-shadow', { name })]], []),
    );
  },
};

const squeezed = (value: string): string => value.replaceAll(/\s+/g, ' ').replaceAll(', ', ',').trim();
