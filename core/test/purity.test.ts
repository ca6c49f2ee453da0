import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';

const folder = new URL('../src/', import.meta.url);
const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) =>
  name.endsWith('.ts'),
);

describe('the core', () => {
  it('opens nothing: no Node modules, no network, no clock, no chance', () => {
    expect(files.length).to.be.greaterThan(40);
    for (const file of files) {
      const whole = readFileSync(new URL(file, folder), 'utf8');
      // What stands in texts and comments is not done.
      const code = whole.replace(/\/\*[\s\S]*?\*\/|\/\/[^\n]*|'(?:[^'\\\n]|\\.)*'/g, (found) =>
        found.startsWith("'") ? "''" : '',
      );
      expect(whole, file).not.to.match(/from '(?:node:|express|drizzle-orm|undici)/);
      expect(code, file).not.to.match(
        /\b(?:fetch|setTimeout|require)\s*\(|\bDate\.now\b|new Date\b|Math\.random|\bprocess\.|\bdocument\.|\bwindow\./,
      );
    }
  });

  it('has one file a rule and an option, all in the lists', () => {
    const listed = (path: string): string => readFileSync(new URL(path, folder), 'utf8');
    for (const [stage, list, word] of [
      ['rules', 'rules/all.ts', 'rule'],
      ['harvest/rules', 'harvest/rules/index.ts', 'rule'],
      ['settings', 'settings/all.ts', 'option'],
      ['presentation', 'presentation/all.ts', 'option'],
    ] as const) {
      const own = files.filter(
        (file) =>
          file.startsWith(`${stage}/`) &&
          new RegExp(`export const ${word}\\b`).test(readFileSync(new URL(file, folder), 'utf8')),
      );
      expect(own.length, stage).to.be.at.least(stage === 'harvest/rules' ? 3 : 5);
      for (const file of own)
        expect(listed(list), file).to.include(`from './${file.slice(stage.length + 1)}'`);
    }
  });
});
