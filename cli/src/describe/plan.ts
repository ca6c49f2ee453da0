import { spoken, type PagePlan } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { fold, formatTimestamp } from '../text.ts';

/** What a page needs, step by step, and what is wrong with it. */
export function describePlan(plan: PagePlan, { colours, io }: Tools): string {
  const { page, block, shows, snippets, steps, findings, editor } = plan;
  const about = [
    ...(block ? [`Pasted once. ${spoken.blocks.shownBy(block)}`] : []),
    ...shows.map((each) => `${spoken.blocks.shows(each)} “orbis plan ${each.page}” shows them.`),
  ].map((words) => `${fold(words, io.width, '').trim()}\n`);
  if (steps.length === 0)
    return [
      `Nothing is placed ${block ? 'in' : 'on'} ${page} yet: “orbis place EMBED ${page}#SPOT” does.\n`,
      ...about,
    ].join('\n');
  const parts = steps.map(({ action, position, digest, place, text, fields, ticked }, i) => {
    const snippet = snippets.find((each) => each.digest === digest && each.position === position);
    const where = whereOf(plan, { action, position, place }, snippet);
    const line = `${i + 1}. ${spoken.planActions[action]} – ${where}`;
    if (ticked) return `${colours.dim(`${line}\nTicked by ${ticked.by}, ${formatTimestamp(ticked.at)}`)}\n`;
    if (text !== null) return `${colours.bold(line)}\n${text.trim()}\n`;
    if (snippet === undefined || action === 'already-there')
      return `${action === 'already-there' ? colours.dim(line) : colours.bold(line)}\n`;
    const asked = fields.map(({ label, value }) => `${label}: ${value}\n`).join('');
    return `${colours.bold(line)}\n${snippet.text.trim()}\n${asked}`;
  });
  const told = findings.map(
    ({ level, message, remedy }) =>
      `${level === 'error' ? colours.red('error') : colours.yellow(level)} ${fold(`${message} ${remedy}`, io.width, '  ').trim()}\n`,
  );
  const open = steps.some(
    ({ action, position }) => position === 'spot' && (action === 'paste' || action === 'replace'),
  );
  const inSiteHead = steps.some(({ action, position }) => position === 'site-head' && action === 'paste');
  const hints = [
    ...(inSiteHead
      ? [`“orbis head ${page.split('/')[0]} --code” hands out what belongs into the head of the whole site.`]
      : []),
    ...(open
      ? [
          '“orbis code EMBED PLACE” hands the code of a place out: paste it from there, so that its number is kept and a sweep knows it.',
        ]
      : []),
  ].map((words) => fold(words, io.width, ''));
  const working = [editor.notes, spoken.editor.working(editor)].filter((words) => words !== '');
  return [
    ...about,
    ...working.map((words) => `${fold(words, io.width, '').trim()}\n`),
    ...parts,
    ...told,
    ...hints,
  ].join('\n');
}

type Step = PagePlan['steps'][number];

/** Where a step is done, in words. */
export const whereOf = (
  { block }: Pick<PagePlan, 'block'>,
  step: Pick<Step, 'action' | 'position' | 'place'>,
  snippet: PagePlan['snippets'][number] | undefined,
): string => spoken.stepAt(step, { placements: snippet?.placements.length ?? 0, isBlock: block !== null });
