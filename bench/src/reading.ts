import { parseFragment } from 'parse5';
import { Bench } from 'tinybench';
import { read } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { codes } from '../../core/test/corpus.ts';
import { line, median } from './figures.ts';

/** A full reading (every rule included) against parse5's bare parse with locations, of the same texts in one run. */
export async function reading(): Promise<string> {
  const sheets = builtInSheets();
  const rows: { label: string; bare: number; full: number }[] = [];
  for (const [label, text] of Object.entries(codes)) {
    const bench = new Bench({ time: 150, warmupTime: 50 });
    bench.add('bare', () => void parseFragment(text, { sourceCodeLocationInfo: true }));
    bench.add('full', () => void read(text, { sheets }));
    await bench.run();
    const [bare = NaN, full = NaN] = bench.tasks.map((task) => (task.result.state === 'completed' ? task.result.latency.p50 * 1000 : NaN));
    rows.push({ label, bare, full });
  }
  const ratio = median(rows.map((row) => row.full / row.bare));
  return [
    'Reading a code against parse5’s bare parseFragment with locations (median of each, in µs)\n',
    line('code', 'parse5', 'reading', 'times'),
    ...rows.map((row) => line(row.label, row.bare.toFixed(1), row.full.toFixed(1), (row.full / row.bare).toFixed(2))),
    `\nThe median code takes ${ratio.toFixed(2)} times the bare parse.\n`,
  ].join('');
}
