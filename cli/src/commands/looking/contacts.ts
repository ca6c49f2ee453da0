import { isAmong } from '@orbis/core';
import {
  formatUses,
  plural,
  type BlockedContacts,
  type Composition,
  type ContactsSeen,
} from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../../command.ts';
import { fold, table, type Colours } from '../../text.ts';
import { saveOptions } from './saving.ts';
import { embedArgument, subjectOf } from './subject.ts';

interface Asked {
  learn?: boolean;
  fix?: boolean;
  forget?: boolean;
}

export const addContacts: AddCommand = (program, run) => {
  program
    .command('contacts')
    .argument(...embedArgument)
    .option('--learn', 'find out by a browser whom it really contacts; needs Chromium where Orbis runs')
    .option('--fix', 'with --learn: from then on it may contact these hosts and no other')
    .option('--forget', 'forget what its frames were kept from, once you have looked at it')
    .description('whom it contacts, and what its frames were kept from')
    .addHelpText(
      'after',
      `
Examples:
  orbis contacts newsletter-form
  orbis contacts newsletter-form --learn
  orbis contacts newsletter-form --learn --fix

What is fixed is the option “contacts”, which needs a frame of its own (frame=enclosed, served or file);
“orbis unset newsletter-form contacts” takes it back.`,
    )
    .action((embed: string, asked: Asked) =>
      run(async (tools) => {
        if (asked.fix && !asked.learn) throw new UsedWrongly('--fix fixes what --learn found: give both.');
        const client = tools.client();
        const subject = await subjectOf(embed, client);
        const key = embed.split('@')[0]!;
        if (asked.forget) await client.call('contacts.clear', { params: { embed: key } });
        const learned = asked.learn ? (await client.call('contacts.create', { body: subject })).data : null;
        const fix = (now: typeof subject.options): typeof now => ({
          ...now,
          contacts: allOf(now['contacts'] as readonly string[] | undefined, learned!),
        });
        const saved =
          asked.fix && learned!.contacted.length > 0
            ? await saveOptions(subject, fix, 'Whom it contacts was found out and fixed', client)
            : null;
        const { frame } = (await client.call('compositions.create', { body: await subjectOf(embed, client) }))
          .data;
        const { items } = (await client.call('contacts.blocked', { params: { embed: key } })).data;
        tools.tell({ ...frame.contacts, learned: learned?.contacted ?? null, blocked: items }, () =>
          [
            known(frame.contacts, tools.io.width),
            ...(learned ? [found(learned, frame.contacts, tools.colours)] : []),
            ...(saved === null
              ? []
              : [fold(`${saved} Any other host is blocked from now on.`, tools.io.width, '')]),
            ...(items.length > 0 ? [kept(items, tools.colours)] : []),
          ].join('\n'),
        );
        return 0;
      }),
    );
};

const allOf = (before: readonly string[] = [], { contacted }: ContactsSeen): string[] => [
  ...new Set([...before, ...contacted.map(({ host }) => host)]),
];

function known({ fixed, hosts, leftOut }: Composition['frame']['contacts'], width: number): string {
  const named = hosts.length === 0 ? 'nobody' : hosts.join(', ');
  return [
    fixed ? `It may contact ${named}, and no other host.` : `By its code it contacts ${named}.`,
    ...(leftOut.length > 0 ? [`Its code names ${leftOut.join(', ')} as well, which you have left out.`] : []),
  ]
    .map((line) => fold(line, width, ''))
    .join('');
}

function found(
  { contacted }: ContactsSeen,
  { hosts }: Composition['frame']['contacts'],
  colours: Colours,
): string {
  if (contacted.length === 0) return 'In a browser it contacted nobody.\n';
  const rows = contacted.map(({ host, uses, afterClick }) => [
    host,
    formatUses(uses),
    afterClick ? 'after a click' : 'at once',
    isAmong(host, hosts) ? '' : 'not named before',
  ]);
  return `In a browser it contacted ${plural(contacted.length, 'host')}:\n${table(['host', 'for', 'when', ''], rows, colours)}`;
}

function kept(items: BlockedContacts['items'], colours: Colours): string {
  const rows = items.map(({ host, place, firstAt, lastAt }) => [
    host,
    place,
    firstAt.slice(0, 10),
    lastAt.slice(0, 10),
  ]);
  return `Visitors’ browsers say that its frames were kept from:\n${table(['host', 'at', 'first', 'last'], rows, colours)}`;
}
