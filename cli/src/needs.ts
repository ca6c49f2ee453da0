import { mayAnywhere, type Right, type Rights } from '@orbis/contract';

/**
 * The right that each command takes, where it takes more than to look: what a help that is made for somebody
 * leaves out. Whatever it leaves out, the service is what decides.
 */
export const byRight: Readonly<Partial<Record<Right, readonly string[]>>> = {
  paste: ['code', 'fill', 'share', 'tick'],
  check: ['ask', 'inspect', 'look', 'sweep', 'change sweep'],
  collect: ['collect', 'harvest', 'import', 'learn', 'copy embed'],
  change: [
    ...['set', 'unset', 'renew', 'bring-back', 'undo', 'copy provider'],
    ...['add endpoints', 'add preset', 'add provider', 'add search'],
    ...['change embed', 'change preset', 'change rules', 'change search'],
    ...['remove endpoint', 'remove preset', 'remove provider', 'remove search'],
  ],
  place: [
    ...['place', 'colours', 'style', 'editor', 'specimen', 'pages', 'areas'],
    ...['add block', 'add changelist', 'add page', 'add shared-spot', 'add site', 'add spot'],
    ...['change block', 'change changelist', 'change finding', 'change page', 'change placement'],
    ...['change placements', 'change shared-spot', 'change site', 'change spot'],
    ...['remove block', 'remove changelist', 'remove page', 'remove placement', 'remove shared-spot'],
    ...['remove site', 'remove spot'],
  ],
  manage: [
    ...[
      'audit',
      'copies',
      'doctor',
      'people list',
      'people link',
      'people take-factors',
      'security demand',
      'list people',
      'show person',
      'add person',
      'change person',
    ],
    ...['remove person', 'list channels', 'list messages', 'show channel', 'show message', 'add channel'],
    ...['change channel', 'change message', 'remove channel'],
  ],
};

/** The right that a command takes, by the words that lead there; `see` where it only looks. */
const rightOf = (path: string): Right =>
  (Object.keys(byRight) as Right[]).find((right) => byRight[right]!.includes(path)) ?? 'see';

/** Whether a command is of use to somebody who may do this; of whom that is not known, every one is. */
export const isOfUse = (path: string, rights: Rights<string> | null): boolean =>
  rights === null || mayAnywhere(rights, rightOf(path));
