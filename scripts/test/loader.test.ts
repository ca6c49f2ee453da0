import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { expect } from 'chai';
import { format, resolveConfig } from 'prettier';
import {
  answerScript,
  answerScriptHash,
  answerTag,
  listenerTag,
  listenScript,
  listenScriptHash,
  loaderTag,
  loadScript,
  loadScriptHash,
  reporterTag,
  reportScript,
  reportScriptHash,
} from '@orbis/core';
import { fileOf, moduleOf, pastedScripts } from '../loader.ts';

const small = {
  loader: { tag: loaderTag, script: loadScript, hash: loadScriptHash, most: 1600 },
  reporter: { tag: reporterTag, script: reportScript, hash: reportScriptHash, most: 600 },
  listener: { tag: listenerTag, script: listenScript, hash: listenScriptHash, most: 900 },
  answer: { tag: answerTag, script: answerScript, hash: answerScriptHash, most: 1500 },
};

for (const pasted of pastedScripts)
  describe(`the ${pasted.source}`, () => {
    const { tag, script, hash, most } = small[pasted.source];

    it('is the small form of its source', async () => {
      const file = fileOf(pasted);
      const options = { ...(await resolveConfig(file)), parser: 'typescript' };
      expect(readFileSync(file, 'utf8')).to.equal(await format(moduleOf(pasted), options));
    });

    it(`is less than ${most} bytes, and named by its digest`, () => {
      expect(Buffer.byteLength(tag)).to.be.below(most);
      expect(hash).to.equal(`sha256-${createHash('sha256').update(script).digest('base64')}`);
      expect(script).to.not.include('</script');
    });
  });
