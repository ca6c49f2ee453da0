import { expect } from 'chai';
import { parse } from 'csv-parse/sync';
import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { thirdPartyList, type ThirdParty } from '@orbis/contract';

const party = (name: string, values: Partial<ThirdParty> = {}): ThirdParty => ({
  name,
  provider: null,
  purposes: ['map', 'video'],
  hosts: ['a.localhost', 'b.localhost'],
  loads: 'waits',
  embeds: 1,
  places: 2,
  sites: ['hollinfell'],
  ...values,
});
const hostile = party('=1+1|<img src=x onerror=y>, "z" *_`');

const textOf = (node: DefaultTreeAdapterTypes.ChildNode): string =>
  'value' in node ? node.value : 'childNodes' in node ? node.childNodes.map(textOf).join('') : '';
const named = (
  nodes: readonly DefaultTreeAdapterTypes.ChildNode[],
  name: string,
): DefaultTreeAdapterTypes.ChildNode[] =>
  nodes.flatMap((node) => [
    ...(node.nodeName === name ? [node] : []),
    ...('childNodes' in node ? named(node.childNodes, name) : []),
  ]);

describe('a list of third parties', () => {
  it('is a table of HTML, in which names are texts', () => {
    const { childNodes } = parseFragment(thirdPartyList([party('Mapmere'), hostile], 'html'));
    expect(named(childNodes, 'img')).to.deep.equal([]);
    expect(named(childNodes, 'td').map(textOf)).to.deep.equal([
      'Mapmere',
      'shows maps and shows films',
      'only once a visitor agrees or presses a button',
      'a.localhost, b.localhost',
      hostile.name,
      ...['shows maps and shows films', 'only once a visitor agrees or presses a button'],
      'a.localhost, b.localhost',
    ]);
  });

  it('is a table of Markdown, in which no name steers', () => {
    const [heads, line, row] = thirdPartyList([hostile], 'markdown').split('\n');
    expect(heads).to.equal('| Who | What for | When | Hosts |');
    expect(line).to.equal('| --- | --- | --- | --- |');
    expect(row).to.match(/^\| =1\+1\\\|\\<img src=x onerror=y\\>, "z" \\\*\\_\\` \| shows maps/);
  });

  it('is a table for spreadsheets, in which nothing is a formula', () => {
    const rows: string[][] = parse(thirdPartyList([hostile], 'csv'));
    expect(rows).to.deep.equal([
      ['Who', 'What for', 'When', 'Hosts'],
      [
        `'${hostile.name}`,
        'shows maps and shows films',
        'only once a visitor agrees or presses a button',
        'a.localhost, b.localhost',
      ],
    ]);
  });
});
