import { memo } from 'react';
import type { Sheet } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import type { FormWork } from './composed-draft.ts';
import type { Inherited } from './fields/field.ts';
import { ChooseCrop } from './looking/ChooseCrop.tsx';
import { LookingTools } from './looking/LookingTools.tsx';
import type { Subject } from './looking/subject.ts';
import { WhomItContacts } from './looking/WhomItContacts.tsx';
import { OptionForm, type OptionFormProps } from './OptionForm.tsx';

/**
 * The options of an embed, for all places or for one, with what helps to choose them. It has many fields, so
 * it is drawn only when something of what it is given is another one.
 */
export const WorkedForm = memo(function WorkedForm({
  work,
  of,
  embed,
  sheet,
  inherited,
  page = null,
  last,
}: {
  work: FormWork;
  of: Subject;
  embed: Embed;
  sheet: Sheet | null;
  inherited: Readonly<Record<string, Inherited>>;
  /** The page on which it stands, where it is about one place. */
  page?: string | null;
  last?: OptionFormProps['last'];
}) {
  const { composed } = work;
  return (
    <OptionForm
      draft={work.draft}
      wrong={work.wrong}
      problems={composed?.problems ?? []}
      implied={composed?.implied ?? []}
      uncarried={composed?.uncarried ?? []}
      frame={composed?.frame}
      inherited={inherited}
      sheet={sheet}
      reading={embed.reading}
      player={work.player}
      parts={composed?.parts}
      onChange={work.set}
      cropping={<ChooseCrop of={of} size={embed.reading.size} work={work} />}
      looking={<LookingTools of={of} page={page} found={embed.found} work={work} />}
      contacting={
        composed && (
          <WhomItContacts of={of} embed={embed.key} contacts={composed.frame.contacts} work={work} />
        )
      }
      {...(last && { last })}
    />
  );
});
