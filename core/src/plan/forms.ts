import type { Code } from '../code.ts';
import type { Circumstances } from '../compose/composition.ts';
import { composeLevels, type LevelledComposition } from '../compose/levels.ts';
import { isTaken, type EditorRules } from '../editor/index.ts';
import type { FrameWay } from '../frame/index.ts';
import type { LevelledOptions } from '../options/levels.ts';
import { reason } from '../reason.ts';
import type { Edit } from '../text/index.ts';
import { editsOfRuns } from './edits-of-runs.ts';
import { fitToEditor, type Fitted } from './fit-to-editor.ts';
import { linkAlone, linkedPicture, linkInWords } from './link-forms.ts';
import { leaveOut, sharedParts } from './shared.ts';

/**
 * How a code is handed out for an editor, the strongest first: as it is asked for, enclosed, served, as the
 * link alone of which the editor makes something itself, as a picture that is a link, as a link in words.
 */
export const editorForms = ['asked', 'enclosed', 'served', 'link', 'picture', 'words'] as const;
export type EditorForm = (typeof editorForms)[number];

/** What an editor makes of a code. */
export interface ForEditor {
  form: EditorForm;
  /** The stronger forms, and what it takes out of each that it cannot do without. */
  stronger: { form: EditorForm; lost: string[] }[];
  /** What this form goes without, as the editor would take it out. */
  without: string[];
  /** Whether its frame keeps one height there. */
  fixesHeight: boolean;
  /** Whether something of it is published that does what it is for; false where not even a link is. */
  survives: boolean;
}

/** A composition as it is handed out for a place. */
export interface PlacedComposition extends LevelledComposition {
  /** Its edits without what is left out for the editor: they hold for what does not stand at the spot. */
  uncut: Edit[];
  /** Null where the editor of the place lets everything through. */
  forEditor: ForEditor | null;
}

/** Whether visitors find it behind a link, and not on the page. */
export const isBehindLink = (forEditor: Pick<ForEditor, 'form'> | null): boolean =>
  forEditor?.form === 'picture' || forEditor?.form === 'words';

/** Whether it shares names with its page: what has a document of its own, or is a link, does not. */
export const isBare = ({ framed, forEditor }: Pick<PlacedComposition, 'framed' | 'forEditor'>): boolean =>
  framed === null && (forEditor === null || forEditor.form === 'asked');

/** A composition in a form that an editor lets through. */
export type EditorComposition = PlacedComposition & { forEditor: ForEditor };

/** An editor, and whether a head takes a part that its page needs once. */
export interface EditorPlace {
  editor: EditorRules;
  moves: (text: string) => boolean;
}

/**
 * Composes a code in the strongest form that an editor with these rules lets through. What it would take out
 * of that form, and what the form does not need, is left out beforehand: what is handed out is what is
 * published.
 */
export function composeForEditor(
  code: Code,
  asked: LevelledOptions,
  circumstances: Circumstances,
  { editor: rules, moves }: EditorPlace,
): EditorComposition {
  // Rules apart from the code find it by its class.
  const apart = isTaken(rules.attributes, 'class') ? null : (circumstances.apart ?? null);
  const forms = formsOf(code, asked, { ...circumstances, apart }, { editor: rules, moves });
  const stronger: ForEditor['stronger'] = [];
  let first: Tried | null = null;
  for (const tried of forms) {
    first ??= tried;
    const { form, composition, fitted } = tried;
    if (fitted.lost.length === 0)
      return {
        ...composition,
        ...askedOf(first),
        ...(form === 'asked' && fitted.isSame ? {} : withSpot(composition, fitted)),
        uncut: composition.edits,
        forEditor: {
          ...{ form, stronger, survives: true },
          ...{ without: fitted.without, fixesHeight: fitted.fixesHeight },
        },
      };
    stronger.push({ form, lost: fitted.lost });
  }
  const { composition, form } = first!;
  return {
    ...composition,
    uncut: composition.edits,
    forEditor: { form, stronger, without: [], fixesHeight: false, survives: false },
  };
}

/* In whatever form it is handed out, the same is asked of it. */
const askedOf = ({
  composition: { effective, levels, overridden, passedOver, advice },
}: Tried): Pick<LevelledComposition, 'effective' | 'levels' | 'overridden' | 'passedOver' | 'advice'> => ({
  ...{ effective, levels, overridden, passedOver, advice },
});

interface Tried {
  form: EditorForm;
  composition: LevelledComposition;
  fitted: Fitted;
}

/* Worked out one by one: mostly the first will do. */
function* formsOf(
  code: Code,
  asked: LevelledOptions,
  circumstances: Circumstances,
  { editor: rules, moves }: EditorPlace,
): Generator<Tried> {
  const asIs = composeLevels(code, asked, circumstances);
  const fit = (form: EditorForm, composition: LevelledComposition): Tried => ({
    form,
    composition,
    fitted: fitToEditor(code, composition, rules),
  });
  if (rules.takes === 'code') {
    yield {
      form: 'asked',
      composition: asIs,
      fitted: fitToEditor(code, inSpot(code, asked, { circumstances, composition: asIs, moves }), rules),
    };
    for (const way of weakerThan(asIs)) {
      const options = { ...asked, placement: { ...asked.placement, frame: way } };
      const composition = composeLevels(code, options, circumstances);
      if (composition.framed?.way === way) yield fit(way, composition);
    }
  } else {
    const composition = linkAlone(code, asIs, circumstances);
    if (composition) yield fit('link', composition);
  }
  const picture = letsPicturesThrough(rules) ? linkedPicture(code, asIs, circumstances) : null;
  if (picture) yield fit('picture', picture);
  yield fit('words', linkInWords(code, asIs, circumstances));
}

/* Without any of these there would be nothing to see, and nothing to press. */
const letsPicturesThrough = ({ takes, elements, attributes }: EditorRules): boolean =>
  takes === 'code' && !isTaken(elements, 'img') && ['src', 'alt'].every((name) => !isTaken(attributes, name));

/* The ways with a frame of ours that come after the one that is asked for. */
const weakerThan = ({ framed }: LevelledComposition): ('enclosed' | 'served')[] =>
  (['enclosed', 'served'] as const).filter(
    (way) => framed === null || order.indexOf(way) > order.indexOf(framed.way),
  );
const order: readonly FrameWay[] = ['none', 'file', 'enclosed', 'served'];

/* What of a code stands at its spot, where a head takes what is there once a page. */
function inSpot(
  code: Code,
  asked: LevelledOptions,
  {
    circumstances,
    composition,
    moves,
  }: { circumstances: Circumstances; composition: LevelledComposition; moves: EditorPlace['moves'] },
): LevelledComposition {
  if (circumstances.planned || composition.framed) return composition;
  const parts = sharedParts('', code, composition).filter(({ text }) => moves(text));
  if (parts.length === 0) return composition;
  const planned = parts.map((part) => leaveOut(part, reason('moved-to-head')));
  return composeLevels(code, asked, { ...circumstances, planned });
}

const withSpot = (
  { snippets }: LevelledComposition,
  { runs, text }: Fitted,
): Pick<LevelledComposition, 'snippets' | 'text' | 'edits'> => ({
  snippets: snippets.map((snippet) => (snippet.position === 'spot' ? { ...snippet, runs } : snippet)),
  text,
  edits: editsOfRuns(runs),
});
