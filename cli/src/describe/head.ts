import { spoken, type HeadThing, type SiteHead } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { fold, formatTimestamp } from '../text.ts';

/** What a thing is called. */
export const nameOf = (thing: HeadThing): string => spoken.siteHead.called(thing);

/** The head of a whole site, thing by thing. */
export function describeHead({ site, things, issued }: SiteHead, { colours, io }: Tools): string {
  if (things.length === 0)
    return `No page of ${site} needs anything that could stand once in the head of the whole site.\n`;
  const lines = things.map((thing) => {
    const said = spoken.siteHead.says(thing, formatTimestamp);
    const mark = thing.kept
      ? colours.bold('in the head of the site')
      : thing.recommended
        ? colours.yellow('recommended')
        : '';
    return `${colours.bold(nameOf(thing))}${mark === '' ? '' : `  ${mark}`}\n${fold(said, io.width, '  ')}`;
  });
  const open = things.some(({ action }) => action === 'paste');
  const hint = open
    ? `\n“orbis head ${site} --code” hands out what belongs there: paste it into the field for the head of every page.\n`
    : issued
      ? `\nHanded out last as number ${issued.number}, ${formatTimestamp(issued.at)}.\n`
      : '';
  return `${lines.join('\n')}${fold(hint, io.width, '')}`;
}
