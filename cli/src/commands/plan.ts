import { plural, type PagePlan } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeHead } from '../describe/head.ts';
import { describePlan } from '../describe/plan.ts';
import { planSheet } from '../describe/plan-sheet.ts';
import type { Exit } from '../io.ts';
import { wholeNumber } from '../terminal.ts';

export const addPlan: AddCommand = (program, run) => {
  program
    .command('plan')
    .argument(
      '<page>',
      'site and path, such as hollinfell/talks; the home page is hollinfell/. A site alone shows its head',
    )
    .option('--tick <number>', 'say that this step is done')
    .option('--untick <number>', 'say that it is not')
    .option('--sheet', 'a sheet to print for whoever does the pasting, as HTML; what is on it is handed out')
    .description('show what a page needs, all of its placements together, in the order of the work')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis plan hollinfell/visit\n  orbis plan hollinfell/ --json\n  orbis plan hollinfell/visit --tick 2\n  orbis plan hollinfell/visit --sheet > visit.html\n\nOf what several codes need, each thing stands once: in the head with “orbis change site SITE head=yes”, else at the first place.\n“orbis code EMBED PLACE” hands one place out, with its number.',
    )
    .action((page: string, options: Options) => run((tools) => plan(tools, page, options)));
};

interface Options {
  tick?: string;
  untick?: string;
  sheet?: boolean;
}

async function plan(tools: Tools, page: string, { tick, untick, sheet = false }: Options): Promise<Exit> {
  const number = tick ?? untick;
  if ([tick !== undefined, untick !== undefined, sheet].filter(Boolean).length > 1)
    throw new UsedWrongly('Give one of --tick, --untick and --sheet.');
  if (!page.includes('/')) {
    if (number !== undefined || sheet)
      throw new UsedWrongly(
        'The head of a site has no steps to tick. Name a page, such as hollinfell/talks.',
      );
    const { data } = await tools.client().call('heads.read', { params: { site: page } });
    tools.tell(data, () => describeHead(data, tools));
    return 0;
  }
  const seen = await readPlan(tools, page);
  if (sheet) await handOut(tools, seen);
  const data =
    number !== undefined
      ? await tickStep(seen, { number, done: tick !== undefined }, tools)
      : sheet
        ? await readPlan(tools, page)
        : seen;
  tools.tell(data, () => (sheet ? planSheet(data) : describePlan(data, tools)));
  return data.findings.some(({ level }) => level === 'error') ? 1 : 0;
}

const readPlan = async ({ client }: Tools, page: string): Promise<PagePlan> =>
  (await client().call('plans.read', { params: { page } })).data;

/* What stands on a sheet is handed out, so that a sweep knows it when it is pasted from there. */
async function handOut({ client }: Tools, { steps, snippets }: PagePlan): Promise<void> {
  const open = steps.filter(
    ({ action, position }) => position === 'spot' && (action === 'paste' || action === 'replace'),
  );
  for (const { digest } of open) {
    const snippet = snippets.find((each) => each.digest === digest && each.position === 'spot');
    const [placement] = snippet?.placements ?? [];
    if (placement !== undefined) await client().call('deliveries.create', { params: { placement } });
  }
}

/* A step is counted as it is shown. */
async function tickStep(
  { page, steps }: PagePlan,
  { number, done }: { number: string; done: boolean },
  { client }: Tools,
): Promise<PagePlan> {
  const step = steps[(wholeNumber(number, 1, steps.length) ?? 0) - 1];
  if (!step)
    throw new UsedWrongly(`The plan of ${page} has ${plural(steps.length, 'step')}, and no step ${number}.`);
  const body = { step: step.id, done };
  return (await client().call('plans.tick', { params: { page }, body })).data;
}
