import type { Code } from '../code.ts';
import type { Options } from '../options/values.ts';
import { switchIn } from '../sheets/read-values.ts';
import { ruleOf } from '../sheets/sheet.ts';
import { targetOf } from './targets.ts';

/** Whether it plays by itself: as is asked for, else as the code says. */
export function playsByItself(code: Code, options: Options): boolean {
  if (typeof options['autoplay'] === 'boolean') return options['autoplay'];
  const { sheet } = code;
  const rule = ruleOf<'switch'>(sheet, 'autoplay');
  const target = rule && targetOf(code, sheet!, rule);
  if (!target) return false;
  if (rule.in === 'attribute' && rule.on === true) return target.element.attributes.has(rule.name);
  return target.addresses[0] ? (switchIn(target.addresses[0], sheet!, 'autoplay') ?? false) : false;
}
