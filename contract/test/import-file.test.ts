import { expect } from 'chai';
import { eventsIn, ImportFileInvalid, itemsInFile, nameOfFile } from '@orbis/contract';

describe('a file of many codes', () => {
  const code = '<iframe src="https://a.localhost/?x=1,2"></iframe>';
  const quoted = `"${code.replaceAll('"', '""')}"`;
  for (const [label, text, file, items] of [
    [
      'CSV',
      `name,code,tags,note\nOne,${quoted},a b,n\n`,
      'a.csv',
      [{ name: 'One', text: code, tags: ['a b'], notes: 'n' }],
    ],
    [
      'its columns in another order and case',
      `Code,NAME\n${quoted},One\n`,
      'A.CSV',
      [{ name: 'One', text: code, tags: [], notes: '' }],
    ],
    [
      'a byte-order mark and CRLF',
      `\uFEFFname,code\r\nOne,${quoted}\r\n`,
      'a.csv',
      [{ name: 'One', text: code, tags: [], notes: '' }],
    ],
    [
      'a code over several lines',
      'name,code\nOne,"<p>\n\nx</p>"\n',
      'a.csv',
      [{ name: 'One', text: '<p>\n\nx</p>', tags: [], notes: '' }],
    ],
    [
      'tags with semicolons',
      `name,code,tags\nOne,${quoted},a;b; c d\n`,
      'a.csv',
      [{ name: 'One', text: code, tags: ['a', 'b', 'c d'], notes: '' }],
    ],
    [
      'semicolons between the fields',
      `name;code;tags\nOne;${quoted};a,b\n`,
      'a.csv',
      [{ name: 'One', text: code, tags: ['a', 'b'], notes: '' }],
    ],
    [
      'tabs between the fields',
      `Name\t"Code"\nOne, two\t${quoted}\n`,
      'a.csv',
      [{ name: 'One, two', text: code, tags: [], notes: '' }],
    ],
    [
      'NDJSON',
      `${JSON.stringify({ name: 'One', code, tags: ['a b'] })}\n\n${JSON.stringify({ name: 'Two', code, tags: 'x, y' })}`,
      'a.ndjson',
      [
        { name: 'One', text: code, tags: ['a b'], notes: '' },
        { name: 'Two', text: code, tags: ['x', 'y'], notes: '' },
      ],
    ],
    ['one code alone', ` ${code}\n`, 'opening-talk.html', [{ name: 'opening talk', text: ` ${code}\n` }]],
    ['nothing', '', 'a.ndjson', []],
  ] as [string, string, string, object[]][])
    it(`is read: ${label}`, () => expect(itemsInFile(text, file)).to.deep.equal(items));

  for (const [label, text, file, said] of [
    ['an open quote', 'name,code\n"x', 'a.csv', /line 2: a quotation mark is opened and never closed/],
    ['a quote inside', 'name,code\na,"b"c"\n', 'a.csv', /line 2: a quotation mark stands inside a field/],
    ['too many columns', 'name,code\na,b,c\n', 'a.csv', /line 2: a row has more or fewer fields/],
    ['a row without a code', 'name,code\nOne,\n', 'a.csv', /row 2 needs a name and a code/],
    ['no such columns', 'title,html\nOne,x\n', 'a.csv', /row 2 needs a name and a code/],
    ['no JSON', '{"name":"a","code":"b"}\n{', 'a.ndjson', /line 2 is no JSON/],
    ['a line that is no object', '7', 'a.ndjson', /line 1 needs a name/],
  ] as const)
    it(`is refused with the place: ${label}`, () => {
      expect(() => itemsInFile(text, file))
        .to.throw(ImportFileInvalid)
        .with.property('message')
        .that.matches(said);
    });

  it('has a name to go by', () => {
    for (const [file, name] of [
      ['opening-talk.html', 'opening talk'],
      ['codes/The_dome.txt', 'The dome'],
      ['.html', '.html'],
    ] as const)
      expect(nameOfFile(file)).to.equal(name);
  });
});

describe('a stream of events', () => {
  const response = (...parts: string[]): Response =>
    new Response(
      new ReadableStream<Uint8Array>({
        start: (controller) => {
          for (const part of parts) controller.enqueue(new TextEncoder().encode(part));
          controller.close();
        },
      }),
    );
  const all = async (from: Response): Promise<unknown[]> => {
    const events: unknown[] = [];
    for await (const event of eventsIn(from)) events.push(event);
    return events;
  };
  it('is read event by event, however it is cut', async () => {
    const text = 'data: {"a":"ü ‘x’"}\n\n: a remark\n\ndata: [1]\n\ndata: {"b":\ndata: 2}\n\n';
    const wanted = [{ a: 'ü ‘x’' }, [1], { b: 2 }];
    expect(await all(response(text))).to.deep.equal(wanted);
    for (let cut = 1; cut < text.length; cut += 3)
      expect(await all(response(text.slice(0, cut), text.slice(cut))), String(cut)).to.deep.equal(wanted);
    expect(await all(response('data: 1\n\ndata: 2'))).to.deep.equal([1]);
    expect(await all(new Response(null))).to.deep.equal([]);
  });
});
