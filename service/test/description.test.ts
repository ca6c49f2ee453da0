import { execFile } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { promisify } from 'node:util';
import { createConfig, lintFromString } from '@redocly/openapi-core';
import { expect } from 'chai';
import openapiTS, { astToString } from 'openapi-typescript';
import ts from 'typescript';
import { openApi, routes, type Route } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

interface Operation {
  operationId: string;
  parameters?: { name: string; in: string; required: boolean; description?: string }[];
  responses: Record<string, { headers?: Record<string, object>; content?: object }>;
}
interface Description {
  paths: Record<string, Record<string, Operation>>;
  components: Record<string, Record<string, unknown>>;
}

const examples = fileURLToPath(new URL('../../docs/examples/', import.meta.url));

describe('the description of the interface (OpenAPI)', () => {
  const document = openApi('1.0.0') as unknown as Description;
  const operations = Object.values(document.paths).flatMap((methods) => Object.values(methods));
  const named = (id: string): Operation => operations.find(({ operationId }) => operationId === id)!;

  it('leads every reference to something whole, and never only to another reference for ever', () => {
    const at = (pointer: string): unknown =>
      pointer
        .slice(2)
        .split('/')
        .reduce<unknown>(
          (value, step) =>
            (value as Record<string, unknown>)[step.replaceAll('~1', '/').replaceAll('~0', '~')],
          document,
        );
    const found = new Set<string>();
    const walk = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return;
      if ('$ref' in value && typeof value.$ref === 'string') found.add(value.$ref);
      Object.values(value).forEach(walk);
    };
    walk(document);
    expect(found).to.include('#/components/schemas/Problem').and.include('#/components/headers/ETag');
    for (const start of found) {
      const seen = new Set<string>();
      let target: unknown = { $ref: start };
      while (typeof target === 'object' && target !== null && '$ref' in target) {
        const { $ref } = target as { $ref: string };
        expect(seen.has($ref), `${start} leads back to ${$ref}`).to.equal(false);
        seen.add($ref);
        target = at($ref);
      }
      expect(target, start).to.be.an('object').and.not.be.empty;
    }
  });

  it('says of every parameter what it means, and of what is made where it is', () => {
    for (const { operationId, parameters = [] } of operations)
      for (const { name, description } of parameters)
        expect(description, `${operationId}: ${name}`).to.match(/^[A-Z“]/);
    for (const [name, route] of Object.entries(routes) as [string, Route][]) {
      const { responses } = named(name);
      for (const status of ['201', '202'])
        if (responses[status] && !route.events)
          expect(responses[status].headers, name).to.have.property('Location');
      if (responses['429']) expect(responses['429'].headers, name).to.have.property('Retry-After');
    }
    expect(named('presets.save').parameters?.map(({ name, required }) => [name, required])).to.deep.equal([
      ['preset', true],
      ['If-Match', false],
      ['If-None-Match', false],
    ]);
    expect(
      named('revisions.compare').parameters?.map(({ name, required }) => [name, required]),
    ).to.deep.equal([
      ['embed', true],
      ['from', true],
      ['to', true],
    ]);
  });

  it('passes a linter without a complaint', async () => {
    const config = await createConfig({ extends: ['recommended'] });
    const problems = await lintFromString({
      source: JSON.stringify(document),
      absoluteRef: 'openapi.json',
      config,
    });
    expect(problems.map(({ ruleId, message }) => `${ruleId}: ${message}`)).to.deep.equal([]);
  });

  describe('is all that other programs need', () => {
    let test: TestOrbis;
    let folder: string;
    before(async () => {
      test = await startTestOrbis();
      await declareSite(test, ['opening', 'north']);
      const cache = fileURLToPath(new URL('../../node_modules/.cache/', import.meta.url));
      mkdirSync(cache, { recursive: true });
      folder = mkdtempSync(join(cache, 'typed-client-'));
    });
    after(async () => {
      rmSync(folder, { recursive: true, force: true });
      await test.stop();
    });

    it('a typed client that a generator makes of it goes the whole way', async () => {
      writeFileSync(
        join(folder, 'orbis.ts'),
        astToString(await openapiTS(document as unknown as Parameters<typeof openapiTS>[0])),
      );
      const example = join(folder, 'collect-and-sweep.ts');
      cpSync(join(examples, 'collect-and-sweep.ts'), example);
      const program = ts.createProgram([example], {
        strict: true,
        noEmit: true,
        skipLibCheck: true,
        allowImportingTsExtensions: true,
        module: ts.ModuleKind.ESNext,
        moduleResolution: ts.ModuleResolutionKind.Bundler,
        target: ts.ScriptTarget.ES2023,
        lib: ['lib.es2023.d.ts', 'lib.dom.d.ts', 'lib.dom.iterable.d.ts'],
        types: [],
      });
      const complaints = ts.getPreEmitDiagnostics(program);
      expect(
        complaints.map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, '\n')),
      ).to.deep.equal([]);
      const { collectAndSweep } = (await import(pathToFileURL(example).href)) as {
        collectAndSweep: (
          orbis: { url: string; token: string },
          asked: { name: string; text: string; place: string },
        ) => Promise<{ code: string; state: string }>;
      };
      const { code, state } = await collectAndSweep(
        { url: test.url, token: test.token },
        { name: 'From a client', text: talkCode(test.world.port), place: 'hollinfell/talks#opening' },
      );
      expect(code).to.include('from=112').and.include('data-orbis=');
      expect(state).to.equal('planned');
    });

    it('and a script with nothing but Python’s own library', async () => {
      const file = join(folder, 'code.html');
      writeFileSync(file, talkCode(test.world.port));
      const python = promisify(execFile)('python3', [
        join(examples, 'collect_and_sweep.py'),
        test.url,
        test.token,
        file,
        'hollinfell/talks#north',
      ]);
      const { stdout } = await python;
      expect(stdout).to.include('from=112').and.include('from-python in hollinfell/talks#north: planned\n');
    });
  });
});
