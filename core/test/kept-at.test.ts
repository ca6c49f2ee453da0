import { expect } from 'chai';
import { current, keptAt, openCode } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';

const sheets = builtInSheets();
const kept = (text: string) => {
  const code = openCode(text, { sheets });
  const { account } = current(code);
  return keptAt(code.reading, typeof account === 'string' ? account : null, sheets);
};

describe('where providers keep what belongs to an embed', () => {
  it('follows from the id in an attribute, and from where its script is', () => {
    expect(
      kept(
        '<div class="formwold-letter" data-letter="hf monthly"></div><script async src="http://formwold.localhost:7430/form.js"></script>',
      ),
    ).to.deep.equal([
      {
        what: 'answers',
        address: 'http://formwold.localhost:7430/letters/hf%20monthly/sent',
        isInstant: false,
      },
    ]);
  });

  it('says whether what is changed there shows by itself', () => {
    expect(
      kept(
        '<script async src="//js.popplenook.localhost/popup.js"></script><div class="popplenook-popup" data-campaign="friends"></div>',
      ),
    ).to.deep.equal([
      { what: 'settings', address: 'https://js.popplenook.localhost/campaigns/friends', isInstant: true },
    ]);
  });

  it('is nothing without an id, of a sheet that says nothing, and of what nobody knows', () => {
    for (const text of [
      '<script async src="https://js.popplenook.localhost/popup.js"></script><div class="popplenook-popup"></div>',
      '<iframe src="https://play.kinorill.localhost/film/nB4" title="Talk"></iframe>',
      '<iframe src="https://maps.localhost/4" title="Map"></iframe>',
    ])
      expect(kept(text), text).to.deep.equal([]);
  });

  it('follows from the frame’s own address, whatever else stands in the code', () => {
    const sheet = sheets.find(({ id }) => id === 'kinorill')!;
    const own = [
      {
        ...sheet,
        keeps: [{ what: 'counts' as const, at: '{scheme}://kinorill.localhost{+port}/numbers/{id}' }],
      },
    ];
    const { reading } = openCode(
      '<iframe src="http://play.kinorill.localhost:81/film/nB4" title="T"></iframe>',
      {
        sheets: own,
      },
    );
    expect(keptAt(reading, null, own).map(({ address }) => address)).to.deep.equal([
      'http://kinorill.localhost:81/numbers/nB4',
    ]);
  });
});
