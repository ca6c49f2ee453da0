import type { Sheet } from '../sheets/sheet.ts';
import type { TypeName } from '../options/types/index.ts';
import type { Template } from './template.ts';
import type { Reason } from '../reason.ts';

/** What a line of a proposal is about. */
export type LearnedWhat =
  'name' | 'kind' | 'item' | 'parameter' | 'frame' | 'loader' | 'mount' | 'link' | 'shape';

/** One thing that was learned, for the owner to confirm or to correct. */
export interface LearnedLine {
  /** The word by which it is answered: `name`, `kind`, `item`, or the parameter's own name. */
  about: string;
  what: LearnedWhat;
  /** Different values in the samples, the first few. */
  seen: string[];
  /** What kind of values they are; null for what is no parameter. */
  type: TypeName | null;
  /** Values of a look of which somebody must say which is light and which is dark. */
  looks: string[];
  /**
   * What it is taken for: a setting's name, the provider's name, the kind, the parameter that is the id, a
   * pattern; null where that is not plain.
   */
  means: string | null;
  /**
   * Whether it is in the sheet unless the owner says otherwise; what is not sure is asked, and
   * left out until it is answered.
   */
  sure: boolean;
  /** Why, as the end of a sentence. */
  reasons: readonly Reason[];
  /** What it could be answered with. */
  may: string[];
}

/** A sheet as it would be, with everything that was learned for it. */
export interface Proposal {
  sheet: Sheet;
  lines: LearnedLine[];
  /** What the codes have in common; and what the links have, where there are any. */
  templates: { codes: Template; links: Template | null };
  /** In the order of the samples: what each is, and which item it shows. */
  samples: { is: 'code' | 'link'; item: string | null }[];
  /** The settings that the sheet offers. */
  settings: string[];
}

/** Why nothing can be learned of some samples; numbers count from 1. */
export type LearnProblem =
  | { code: 'too-few'; facts: { found: number } }
  | { code: 'too-long'; facts: { sample: number } }
  | { code: 'no-embed'; facts: { sample: number } }
  | { code: 'known'; facts: { sample: number; provider: string } }
  | { code: 'links-only'; facts: Record<string, never> }
  | { code: 'nothing-to-know-by'; facts: { sample: number } }
  | { code: 'not-alike'; facts: { sample: number; host: string; first: string } }
  | { code: 'answer-unknown'; facts: { about: string; may: string } }
  | { code: 'answer-does-not-fit'; facts: { about: string; answer: string; may: string } }
  | { code: 'not-learned'; facts: { sample: number } };

export type Learned = { ok: true; proposal: Proposal } | { ok: false; problem: LearnProblem };

/**
 * The owner's answers, by what they are about; `-` for “it is none of these”. A look is answered as
 * `skin.slate`: `dark`.
 */
export type LearnAnswers = Readonly<Record<string, string>>;
