import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { expect } from 'chai';
import { run } from '../support.ts';

describe('completion', () => {
  /* What bash would offer for a line, which is split as bash splits words. */
  async function offered(line: string): Promise<string[]> {
    const { out } = await run(['completion', 'bash']);
    const words = line.split(' ').flatMap((word) => word.split(/(=)/).filter((part) => part !== ''));
    if (line.endsWith(' ')) words.push('');
    const typed = words.map((word) => `'${word}'`).join(' ');
    const script = `${out}\ncompopt() { :; }\nCOMP_WORDS=(${typed}); COMP_CWORD=${words.length - 1}; _orbis; printf '%s\\n' "\${COMPREPLY[@]}"`;
    const { stdout } = await promisify(execFile)('bash', ['--norc', '-c', script]);
    return stdout.split('\n').filter(Boolean);
  }

  for (const [line, words] of [
    ['orbis co', ['collect', 'contacts', 'compare', 'code', 'copy', 'colours', 'copies', 'completion']],
    ['orbis list s', ['sites', 'shared-spots', 'searches', 'sweeps', 'sessions']],
    ['orbis list placements --state li', ['live']],
    ['orbis list placements --st', ['--state']],
    ['orbis --json list ch', ['changelists', 'channels', 'changes']],
    ['orbis set opening-talk --where x fi', ['fit=']],
    ['orbis set opening-talk max-width.p', ['max-width.phone=']],
    ['orbis show pro', ['provider']],
    ['orbis completion ', ['bash', 'zsh', 'fish', '--json', '--quiet']],
    ['orbis collect talk.h', []],
  ] as const)
    it(`offers for “${line}” ${words.join(', ') || 'files alone'}`, async () =>
      expect(await offered(line)).to.deep.equal(words));

  it('is written for every shell with every command, and refuses others', async () => {
    for (const shell of ['bash', 'zsh', 'fish']) {
      const { out, exit } = await run(['completion', shell]);
      expect(exit).to.equal(0);
      for (const word of ['collect', 'placements', 'skip-impossible', 'max-width.phone='])
        expect(out, shell).to.include(word);
    }
    expect((await run(['completion', 'tcsh'])).err).to.include('Allowed choices are bash, zsh, fish');
  });
});
