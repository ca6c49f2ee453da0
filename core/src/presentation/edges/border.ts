import { contribution, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { reason } from '../../reason.ts';
import { declare } from '../declarations.ts';
import { declaredBy, hasPlace, noTarget } from '../target.ts';
import { bodyOf } from '../standing.ts';

/** What a code declares of the line around it, as these options write it. */
export const lineOf = (
  declared: ReadonlyMap<string, string> | null,
): { width: number; colour: string } | null => {
  const found = /^(\d{1,2})px solid (currentcolor|#[0-9a-f]{6})$/i.exec(declared?.get('border') ?? '');
  return found && { width: Number(found[1]), colour: found[2]!.toLowerCase() };
};

export const option: Option<number> = {
  name: 'border',
  stage: 'presentation',
  type: numberType({ least: 1, most: 20, whole: true, unit: 'px' }),
  kinds: 'any',
  group: 'edges',
  example: '2',
  source: 'CSS Backgrounds and Borders 3, section 3 (border); CSS Box Sizing 3, section 3.1 (box-sizing)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => lineOf(declaredBy(code))?.width ?? null,
  contribute: (code, width, { options }) => {
    const target = bodyOf(code, options);
    if (!target) return noTarget(code);
    const colour = (options['border-colour'] as string | undefined) ?? 'currentcolor';
    return contribution(
      declare(
        target,
        [
          ['border', `${width}px solid ${colour}`, reason('line-around', { width })],
          ['box-sizing', 'border-box', reason('line-within-width')],
        ],
        [
          'border-width',
          'border-style',
          'border-color',
          'border-top',
          'border-right',
          'border-bottom',
          'border-left',
        ],
      ),
    );
  },
};
