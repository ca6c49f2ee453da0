// Draws a picture of each option of presentation, for docs/looks.md, and of each preset, for the console:
// from the demo’s providers, in a small page of text.
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from 'playwright-core';
import { findChromium } from '@orbis/service';
import sharp from 'sharp';
import { compose, documentText, openCode, type Sheet } from '@orbis/core';
import { startDemoServer } from '@orbis/demo';
import { builtInSheets } from '@orbis/sheets';
import { looksCodes } from './codes.ts';
import { optionLooks, type Look } from './options.ts';
import { presetLooks } from './presets.ts';

const top = fileURLToPath(new URL('../../', import.meta.url));
const window = { width: 560, height: 350 };

/* Lines of text, as they stand around an embed. */
const line = (width: number): string =>
  `<i style="display:block;height:9px;margin:9px 0;border-radius:4px;background:#d9d5c9;width:${width}%"></i>`;
const pageAround = (code: string, article: number): string =>
  `<!doctype html><meta charset="utf-8"><style>body{margin:0;background:#fffdf8;color:#232a27;font:15px/1.45 Georgia,serif}main{max-width:${article}px;margin:18px auto}h2,h3,h4{margin:.2em 0}</style><main>${line(96)}${line(88)}${code}${line(92)}${line(97)}${line(60)}${line(94)}</main>`;

async function draw(page: Page, code: string, article: number, width: number): Promise<Buffer> {
  await page.setContent(pageAround(code, article), { waitUntil: 'load' });
  await page.waitForTimeout(1500);
  return sharp(await page.screenshot())
    .resize(width)
    .webp({ quality: 72, effort: 6 })
    .toBuffer();
}

const folder = mkdtempSync(join(tmpdir(), 'orbis-looks-'));
const world = await startDemoServer({ port: 0, folder });
const codes = looksCodes(world.port);
const sheets = builtInSheets().map((sheet): Sheet =>
  sheet.hosts.length > 0 ? { ...sheet, answers: { scheme: 'http', port: world.port } } : sheet,
);
const codeOf = ({ of, options, inSection = false }: Look): string => {
  const { snippets, problems } = compose(openCode(codes[of], { sheets }), options, { apart: 'look' });
  if (problems.length > 0) throw new Error(`${JSON.stringify(options)}: ${JSON.stringify(problems)}`);
  return inSection ? section(documentText(snippets)) : documentText(snippets);
};
const section = (code: string): string =>
  `<section style="margin:12px 0;padding:44px 28px;color:#fff;text-shadow:0 1px 6px #000">${code}<h2>Open every day until dusk</h2><p>Bring warm clothes and no lamp.</p></section>`;
const browser = await chromium.launch({
  executablePath: findChromium(undefined) ?? undefined,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
});
try {
  const page = await browser.newPage({ viewport: window });
  const forDocs = join(top, 'docs/looks');
  mkdirSync(forDocs, { recursive: true });
  for (const [name, look] of Object.entries(optionLooks(world.port)))
    if (look) writeFileSync(join(forDocs, `${name}.webp`), await draw(page, codeOf(look), 440, 480));
  const forConsole = join(top, 'console/src/embed/presets/pictures');
  mkdirSync(forConsole, { recursive: true });
  await page.setViewportSize({ width: 880, height: 550 });
  for (const look of presetLooks)
    writeFileSync(join(forConsole, `${look.key}.webp`), await draw(page, codeOf(look), 800, 240));
} finally {
  await browser.close();
  await world.stop();
  rmSync(folder, { recursive: true, force: true });
}
