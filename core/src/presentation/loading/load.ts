import {
  contribution,
  problem,
  type Contribution,
  type Option,
  type OptionContext,
} from '../../options/option.ts';
import { choiceType } from '../../options/types/choice.ts';
import { ourBox, ourClip, type Change } from '../../options/change.ts';
import type { Code } from '../../code.ts';
import { reason, type Reason } from '../../reason.ts';
import { declare } from '../declarations.ts';
import { shownAlone } from '../alone.ts';
import { behind } from '../beside/markup.ts';
import { bodyOf, standing } from '../standing.ts';
import { hasPlace, noTarget } from '../target.ts';
import { standIn } from './stand-in.ts';
import { bringLoader } from './loader.ts';
import { namesOf } from './names.ts';
import { lazyElement, waits, type WaitsFor } from './waits.ts';

export const option: Option<string> = {
  name: 'load',
  stage: 'presentation',
  type: choiceType(['now', 'near', 'click', 'allow'], { consent: 'allow' }),
  kinds: 'any',
  group: 'loading',
  example: 'click',
  source: 'HTML, sections 4.12.3 (template: what is in it is not run) and 2.5.7 (lazy loading)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => {
    const element = lazyElement(code);
    return element?.attributes.value('loading')?.toLowerCase() === 'lazy' ? 'near' : null;
  },
  contribute: (code, load, context) => {
    if (!bodyOf(code, context.options)) return noTarget(code);
    const waiting = waits(code, context.options);
    return waiting ? inTemplate(code, waiting, context) : contribution(byBrowser(code, load));
  },
};

/* What browsers do by themselves. */
function byBrowser(code: Code, load: string): Change[] {
  const element = lazyElement(code);
  if (!element) return [];
  const isPlayer = element.name === 'video' || element.name === 'audio';
  const [name, value] = isPlayer ? ['preload', 'none'] : ['loading', 'lazy'];
  if (load === 'near')
    return [{ kind: 'attribute', element, name, value, reason: reason('loads-when-near', { name }) }];
  // Only what would make it wait is taken out.
  return element.attributes.value(name)?.toLowerCase() === value
    ? [{ kind: 'attribute', element, name, value: null, reason: reason('loads-at-once', { name }) }]
    : [];
}

/* What starts a code as the page begins, and does nothing once it is there. */
const beginnings: ReadonlySet<string> = new Set(['DOMContentLoaded', 'load']);

function inTemplate(code: Code, waiting: WaitsFor, context: OptionContext): Contribution {
  const { options } = context;
  const { findings, claims } = code.reading;
  if (findings.some(({ rule }) => rule === 'writes-document')) return problem('writes-too-late');
  const start = claims.find(({ what, name }) => what === 'listener' && beginnings.has(name));
  if (start) return problem('starts-with-page', { event: start.name });
  const names = namesOf(code);
  return contribution([
    { kind: 'tag', element: ourClip, name: 'template', reason: reason('waits-in-template') },
    ofBox('data-orbis-load', waiting, waitsFor[waiting]),
    ...(waiting === 'near' ? [] : [ofBox('data-orbis-for', names.join(' '), reason('named-for-page'))]),
    ...(options['load-remember'] === true && waiting !== 'near'
      ? [ofBox('data-orbis-remember', true, reason('remembered-for-visit'))]
      : []),
    ...(waiting === 'near' ? [] : roomFor(code)),
    behind(code, 'shape', standIn(code, waiting, context), standsIn[waiting]),
    ...bringLoader(code, context.page),
    ...standing(code, options),
  ]);
}

const waitsFor: Readonly<Record<WaitsFor, Reason>> = {
  click: reason('waits-for-click'),
  near: reason('waits-for-near'),
  allow: reason('waits-for-allow'),
};

const standsIn: Readonly<Record<WaitsFor, Reason>> = {
  click: reason('stands-in-click'),
  near: reason('stands-in-near'),
  allow: reason('stands-in-allow'),
};

const ofBox = (name: string, value: string | true, why: Reason): Change => ({
  kind: 'attribute',
  element: ourBox,
  name,
  value,
  reason: why,
});

/* Nothing tells how high it will be: the button gets the room that it needs. */
const roomFor = (code: Code): Change[] =>
  shownAlone(code)
    ? []
    : declare({ element: ourBox }, [['min-height', '9em', reason('room-for-button')]], []);
