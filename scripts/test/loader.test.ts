import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { expect } from 'chai';
import { format, resolveConfig } from 'prettier';
import { loaderTag, loadScript, loadScriptHash } from '@orbis/core';
import { loaderFile, loaderModule } from '../loader.ts';

describe('the loader', () => {
  it('is the small form of its source', async () => {
    const options = { ...(await resolveConfig(loaderFile)), parser: 'typescript' };
    expect(readFileSync(loaderFile, 'utf8')).to.equal(await format(loaderModule(), options));
  });

  it('is less than 1.6 kB, and named by its digest', () => {
    expect(Buffer.byteLength(loaderTag)).to.be.below(1600);
    expect(loadScriptHash).to.equal(`sha256-${createHash('sha256').update(loadScript).digest('base64')}`);
    expect(loadScript).to.not.include('</script');
  });
});
