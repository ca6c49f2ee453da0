import { ourBox, type Change } from '../../options/change.ts';
import type { Condition } from '../../options/condition.ts';
import { contribution, problem, type Option } from '../../options/option.ts';
import { switchType } from '../../options/types/switch.ts';
import type { PresentationTarget } from '../target.ts';
import { reason } from '../../reason.ts';
import { shownAlone } from '../alone.ts';
import { declare, type Declared } from '../declarations.ts';
import { shapeOf } from '../size/shape-of.ts';
import { bodyOf } from '../standing.ts';
import { hasFrame, noTarget } from '../target.ts';

/* What stands around a band; behind a section it would have no place. */
const around = ['heading', 'caption', 'link-below', 'fallback', 'backdrop', 'space-beside', 'whole-link'];

/**
 * Lays a band behind all of what it is pasted into: a section with its own words, say. That one must be told
 * that it holds something behind itself, which only a rule in the head can.
 */
export const option: Option<boolean> = {
  name: 'band-behind',
  stage: 'presentation',
  type: switchType,
  kinds: 'any',
  group: 'over',
  example: 'on',
  source:
    'CSS Positioned Layout 3, section 3 (position); CSS Containment 3, section 5 (cqw, cqh); Selectors 4, section 4.5 (:has)',
  isOffered: (_, reading) => hasFrame(reading),
  current: () => null,
  contribute: (code, isBehind, { options }) => {
    if (!isBehind) return contribution([]);
    if (!bodyOf(code, options)) return noTarget(code);
    const alone = shownAlone(code);
    if (!alone) return problem('band-needs-frame');
    if (options['band'] === undefined) return problem('band-behind-needs-band');
    const other = around.find((name) => options[name] !== undefined && options[name] !== false);
    if (other !== undefined) return problem('band-behind-alone', { other });
    const { width, height } = shapeOf(code, options) ?? { width: 16, height: 9 };
    const why = reason('behind-section');
    return contribution([
      ...held('of-section', { element: ourBox }, [
        ['position', 'relative', why],
        ['isolation', 'isolate', why],
      ]),
      ...held('in-section', { element: ourBox }, [
        ['position', 'absolute', why],
        ['inset', '0', why],
        ['width', 'auto', why],
        ['max-width', 'none', why],
        ['height', 'auto', why],
        ['margin', '0', why],
        // Among flexible neighbours it is told not to stretch, which counts here as well.
        ['align-self', 'stretch', why],
        ['z-index', '-1', why],
        ['container-type', 'size', why],
      ]),
      ...held('in-section', { element: alone }, [
        ['width', `max(100cqw,${rounded((100 * width) / height)}cqh)`, why],
      ]),
    ]);
  },
};

const held = (
  when: Condition,
  target: Pick<PresentationTarget, 'element'>,
  declared: readonly Declared[],
): Change[] => declare(target, declared, []).map((change) => ({ ...change, when }));

const rounded = (value: number): number => Math.round(value * 100) / 100;
