import { formatTime } from '@orbis/core';
import {
  capital,
  formatBytes,
  formatKind,
  optionsLine,
  spoken,
  type Embed,
  type Found,
} from '@orbis/contract';
import { facts, formatTimestamp, type Colours } from '../text.ts';

/** An embed as people read it. */
export function describeEmbed(embed: Embed, colours: Colours): string {
  const rows: [string, string][] = [
    ['Key', embed.key],
    ['Name', embed.name],
    ['What it is', capital(formatKind(embed.kind, embed.reading.provider))],
    ['Revision', `${embed.revision}`],
    ['Options', optionsLine(embed.current.options) || 'none: it goes out as it was pasted'],
    ['In the code', optionsLine(embed.inCode) || 'nothing that an option could change'],
    [
      'Placed',
      embed.placements === 0 ? 'nowhere yet' : embed.placements === 1 ? 'once' : `${embed.placements} times`,
    ],
  ];
  if (embed.tags.length > 0) rows.push(['Tags', embed.tags.join(', ')]);
  if (embed.notes) rows.push(['Notes', embed.notes]);
  if (embed.purged) rows.push(['Purged', purgedLine(embed.purged)]);
  else if (embed.retired) rows.push(['Retired', 'yes']);
  if (embed.found) rows.push(...describeFound(embed.found));
  if (embed.direct) rows.push(['See it at', embed.direct]);
  rows.push(...describeKept(embed));
  for (const finding of embed.reading.findings)
    rows.push([finding.level, `${finding.message} ${finding.remedy}`]);
  return facts(rows, colours);
}

const describeKept = ({ kept, reading }: Embed): [string, string][] =>
  kept.map(({ what, address, isInstant }) => [
    spoken.kept[what](reading.provider?.name ?? 'its provider'),
    isInstant ? `${address}. ${spoken.kept.instant}` : address,
  ]);

const purgedLine = ({ at, by, reason }: NonNullable<Embed['purged']>): string =>
  `${formatTimestamp(at)}${by === '' ? '' : ` by ${by}`}: ${reason}`;

const describeFound = (found: Found): [string, string][] => {
  const title = [found.title, found.author && `by ${found.author}`].filter(Boolean).join(', ');
  const file = [
    found.type,
    found.bytes === null ? null : formatBytes(found.bytes),
    found.width === null || found.height === null ? null : `${found.width} × ${found.height}`,
    found.length === null ? null : `${formatTime(Math.round(found.length))} long`,
    found.ranges === false ? 'its host does not answer in ranges: nobody can jump in it' : null,
  ].filter((word) => word !== null);
  return [
    ...(title ? [['Title', title] as [string, string]] : []),
    ...(file.length > 0 ? [['Size', file.join(', ')] as [string, string]] : []),
    ['Found', `${spoken.foundBy[found.how]}, ${found.at.slice(0, 16).replace('T', ' ')} UTC`],
  ];
};
