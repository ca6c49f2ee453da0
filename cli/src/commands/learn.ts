import { linksIn } from '@orbis/core';
import { ApiError, formatLearnedLine, formatMeaning, type SheetProposal, plural } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { pasted } from '../pasted.ts';
import { fold, table } from '../text.ts';
import { saveSheets } from '../sheets/saving.ts';

interface Options {
  askNobody?: boolean;
  sheet?: boolean;
  save?: boolean;
  yes?: boolean;
}

export const addLearn: AddCommand = (program, run) => {
  program
    .command('learn')
    .argument(
      '<what...>',
      'files with a code each, folders of them, links, - for standard input; and answers, as name=value',
    )
    .option('--ask-nobody', 'learn from what is given alone, without asking the provider about its links')
    .option('--sheet', 'print the sheet’s file alone, to keep or to go on writing')
    .option('--save', 'keep the sheet')
    .option('--yes', 'with --save: although embeds come out differently')
    .description(
      'propose a sheet for a provider that no sheet knows, from two or more of its codes and links',
    )
    .addHelpText(
      'after',
      `
Every line says why. What is not plain is asked where somebody sits at the terminal, and can be answered on the line:
the parameter’s own name and a setting (or - for none), name=…, kind=…, item=… (the parameter that is the id), id=…
(the sheet’s), and for a look which value is light and which is dark (skin.slate=dark).

Examples:
  orbis learn first.html second.html third.html
  orbis learn samples/ from=page kind=document --save
  orbis learn https://moorreel.localhost/watch/7 one.html --sheet > moorreel.yaml

Exit status: 0 proposed or saved, 1 something is not answered yet, 2 nothing could be learned.`,
    )
    .action((words: string[], options: Options) =>
      run(async (tools) => {
        const answers: Record<string, string> = {};
        const samples: string[] = [];
        for (const word of words) {
          const answer = /^([^=\s/:<>]+)=([^=]*)$/.exec(word);
          if (answer) answers[answer[1]!] = answer[2]!;
          else samples.push(...(await samplesOf(word, tools)));
        }
        const ask = !options.askNobody;
        for (const link of ask ? samples.flatMap((sample) => linksIn(sample)) : [])
          tools.note(
            `Asking ${new URL(link).host} for its page, and for the code that it tells. (--ask-nobody learns without.)\n`,
          );
        const propose = async (now: Record<string, string>): Promise<SheetProposal> =>
          (await tools.client().call('providers.learn', { body: { samples, answers: now, ask } })).data;
        const proposal = await settle(await propose(answers), answers, propose, tools);
        if (options.save) {
          if (proposal.open > 0)
            tools.note(`${plural(proposal.open, 'line')} not answered: left out of the sheet.\n`);
          const exit = await saveSheets(
            [{ file: proposal.sheet.id, text: proposal.text }],
            options.yes ?? false,
            tools,
          );
          return exit === 0 && proposal.open > 0 ? 1 : exit;
        }
        if (options.sheet && !tools.json) tools.io.out(proposal.text);
        else tools.tell(proposal, () => describeProposal(proposal, tools));
        return proposal.open > 0 ? 1 : 0;
      }),
    );
};

/* A folder is all the files in it; a text of several links is as many samples. */
async function samplesOf(word: string, { io }: Tools): Promise<string[]> {
  const names = word === '-' || linksIn(word).length > 0 ? null : await io.readFolder(word);
  if (names) {
    if (names.length === 0) throw new UsedWrongly(`There is nothing in the folder “${word}”.`);
    const texts: string[] = [];
    for (const name of [...names].sort())
      texts.push(...(await samplesOf(`${word.replace(/\/$/, '')}/${name}`, { io } as Tools)));
    return texts;
  }
  const text = await pasted(word, io);
  const links = linksIn(text);
  return links.length > 0 ? links : [text];
}

/* With somebody at the terminal, every line is confirmed or corrected: first what is open, then anything. */
async function settle(
  first: SheetProposal,
  answers: Record<string, string>,
  propose: (answers: Record<string, string>) => Promise<SheetProposal>,
  tools: Tools,
): Promise<SheetProposal> {
  const { ask } = tools.io;
  if (ask === null || tools.json) return first;
  let proposal = first;
  const passed = new Set<string>();
  const answer = async (about: string, value: string): Promise<void> => {
    try {
      proposal = await propose({ ...answers, [about]: value });
      answers[about] = value;
    } catch (error) {
      if (!(error instanceof ApiError) || error.code !== 'cannot-learn') throw error;
      tools.io.err(`${error.message}\n`);
    }
  };
  tools.io.err(`${describeLines(proposal, tools)}\n`);
  for (
    let open = proposal.lines.find((line) => !line.sure);
    open;
    open = proposal.lines.find((line) => !line.sure && !passed.has(line.about))
  ) {
    passed.add(open.about);
    if (open.looks.length > 0) {
      for (const look of open.looks) {
        const said = await ask(`Is the look “${look}” light or dark? `);
        if (said !== '') await answer(`${open.about}.${look}`, said);
      }
      continue;
    }
    const said = await ask(
      `${formatLearnedLine(open)}: ${open.reason}. It can be ${open.may.join(', ')}.\nWhat is it? (Enter leaves it open) `,
    );
    if (said !== '') await answer(open.about, said);
  }
  for (
    let said = await ask('Is there anything to correct? (name=value; Enter: no) ');
    said !== '';
    said = await ask('Anything else? (name=value; Enter: no) ')
  ) {
    const [about, ...value] = said.split('=');
    if (value.length === 0) tools.io.err('Say it as name=value, for example from=start.\n');
    else await answer(about!.trim(), value.join('=').trim());
  }
  return proposal;
}

function describeLines({ lines, sheet, samples }: SheetProposal, { colours }: Tools): string {
  const rows = lines.map((line) => [
    line.what === 'parameter' ? line.about : formatLearnedLine(line),
    line.sure ? formatMeaning(line) : colours.yellow(formatMeaning(line)),
    line.reason.length > 70 ? `${line.reason.slice(0, 69)}…` : line.reason,
  ]);
  return `${colours.bold(sheet.name)}, learned from ${plural(samples.length, 'sample')}\n\n${table(['what', 'is', 'because'], rows, colours)}`;
}

function describeProposal(proposal: SheetProposal, tools: Tools): string {
  const { colours, io } = tools;
  const told = proposal.samples.filter(({ from }) => from !== null).length;
  const open = proposal.lines
    .filter(({ sure }) => !sure)
    .flatMap(({ about, looks, may }) =>
      looks.length > 0
        ? looks.map((look) => `${about}.${look}=light or dark`)
        : [`${about}=${may.join(', ')}`],
    );
  const next =
    open.length === 0
      ? 'Nothing is open. Say --save to keep the sheet, or --sheet to print it.\n'
      : `${colours.yellow(`${plural(open.length, 'question is', 'questions are')} open; what they are about is left out of the sheet until you answer:`)}\n${open.map((line) => fold(line, io.width - 4, '  ').replace(/\n {2}(?=.)/g, '\n      ')).join('')}`;
  return [
    describeLines(proposal, tools),
    '\n',
    told > 0
      ? fold(`${plural(told, 'code was', 'codes were')} told by the provider about its links.`, io.width, '')
      : '',
    fold(
      `Put together again from what they have in common, every sample is as it was given; the ids found are ${proposal.samples.map(({ item }) => item).join(', ')}.`,
      io.width,
      '',
    ),
    next,
  ].join('');
}
