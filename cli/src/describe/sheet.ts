import { optionsFor, ruleOf, type Sheet } from '@orbis/core';
import { facts, table, type Colours } from '../text.ts';

/** A provider’s sheet as people read it: whom it knows, and where each setting goes. */
export function describeSheet(sheet: Sheet, origin: string, colours: Colours): string {
  const places = {
    query: 'in the address',
    fragment: 'in the fragment of the address',
    path: 'in the path of the address',
    attribute: 'as an attribute',
    json: 'in the JSON of an attribute',
    option: 'in the options that a script hands over',
  };
  const targets = {
    frame: 'of the frame',
    media: 'of the player',
    mount: 'of the element that its script fills',
    loader: 'of its script',
    setup: 'of the code',
  };
  const own = optionsFor(sheet).flatMap((setting) => {
    const rule = ruleOf(sheet, setting.name);
    return rule
      ? [
          [
            setting.name,
            `${setting.name}=${setting.example}`,
            rule.in === 'json' ? `${rule.attribute}: ${rule.name}` : rule.name,
            `${places[rule.in]} ${targets[rule.of ?? 'frame']}`,
          ],
        ]
      : [];
  });
  const rows: [string, string][] = [
    ['Provider', `${sheet.name} (${sheet.id}, version ${sheet.version}, ${origin})`],
    ['Kind', sheet.kind],
    ['Knows', knows(sheet)],
    ...(sheet.shape ? ([['Shape', `${sheet.shape.width}:${sheet.shape.height}`]] as [string, string][]) : []),
    ...(sheet.privacyHost ? ([['Quieter', sheet.privacyHost.host]] as [string, string][]) : []),
    ...(sheet.tracks ? ([['Only follow', sheet.tracks.join(', ')]] as [string, string][]) : []),
    ...(sheet.oembed ? ([['oEmbed', sheet.oembed.endpoint]] as [string, string][]) : []),
    ...Object.entries(sheet.why ?? {}).map(([need, why]): [string, string] => [`Needs ${need}`, why]),
    ...(
      [
        ['Limits', sheet.about?.limits],
        ['Terms', sheet.about?.terms],
        ['Costs', sheet.about?.costs],
      ] as [string, string | undefined][]
    ).filter((row): row is [string, string] => row[1] !== undefined),
  ];
  return `${facts(rows, colours)}\n${table(['setting', 'example', 'its name there', 'where'], own, colours)}`;
}

const knows = ({ hosts, files, pages }: Sheet): string =>
  files
    ? `files that end in ${files.join(', ')}, on any host`
    : pages
      ? 'pages of any site, by their links'
      : hosts.join(', ');
