/* What safety copies are made of: names, how long they are kept, and how rows of a dump are counted. */
import { mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import fc from 'fast-check';
import { clearAway } from '../src/copies/clear-away.ts';
import { copyName, readCopyName } from '../src/copies/copy-name.ts';
import { isKeptPath } from '../src/copies/files.ts';
import { copiesToKeep } from '../src/copies/retention.ts';
import { createTally } from '../src/copies/tally.ts';

const day = 86_400_000;

describe('a copy’s name', () => {
  it('says its time, and sorts by it', () => {
    const at = new Date('2026-11-30T03:30:05.000Z');
    expect(copyName({ at, beforeUpgrade: false, encrypted: false })).to.equal(
      'orbis-20261130T033005Z.tar.gz',
    );
    expect(copyName({ at, beforeUpgrade: true, encrypted: true })).to.equal(
      'orbis-20261130T033005Z-before-upgrade.tar.gz.age',
    );
  });

  it('is read back as it was written, and nothing else is', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1970-01-01'), max: new Date('9999-12-31'), noInvalidDate: true }),
        fc.boolean(),
        fc.boolean(),
        (date, beforeUpgrade, encrypted) => {
          const at = new Date(Math.floor(date.getTime() / 1000) * 1000);
          expect(readCopyName(copyName({ at, beforeUpgrade, encrypted }))).to.deep.equal({
            ...{ at, beforeUpgrade, encrypted },
          });
        },
      ),
    );
    for (const name of [
      'orbis-20261330T033005Z.tar.gz',
      'orbis-20261130T033005Z.tar',
      'orbis-20261130T033005Z.tar.gz.12.part',
      'notes.txt',
      '../orbis-20261130T033005Z.tar.gz',
    ])
      expect(readCopyName(name), name).to.equal(null);
  });
});

describe('copies', () => {
  const keep = { days: 7, weeks: 4, months: 12 };

  it('are kept for days, weeks and months', () => {
    const newest = Date.parse('2026-11-30T03:30:00.000Z');
    const daily = Array.from({ length: 800 }, (_, n) => new Date(newest - n * day));
    const kept = [...copiesToKeep(daily, keep)].map((at) => at.toISOString().slice(0, 10)).sort();
    expect(kept).to.deep.equal(
      [
        // The newest of each of seven days, of four weeks (they end on Sundays), and of twelve months.
        ...['2026-11-30', '2026-11-29', '2026-11-28', '2026-11-27', '2026-11-26', '2026-11-25', '2026-11-24'],
        ...['2026-11-22', '2026-11-15'],
        ...['2026-10-31', '2026-09-30', '2026-08-31', '2026-07-31', '2026-06-30', '2026-05-31', '2026-04-30'],
        ...['2026-03-31', '2026-02-28', '2026-01-31', '2025-12-31'],
      ].sort(),
    );
  });

  it('are kept by what is there, however long nothing was made: no more than is said, and always the newest', () => {
    const time = fc.integer({ min: 0, max: 4000 * 24 }).map((hour) => new Date(hour * 3_600_000));
    const some = fc.record({ days: fc.nat(9), weeks: fc.nat(9), months: fc.nat(14) });
    fc.assert(
      fc.property(fc.uniqueArray(time, { selector: Number, maxLength: 200 }), some, (times, said) => {
        const kept = copiesToKeep(times, said);
        expect(kept.size).to.be.at.most(said.days + said.weeks + said.months + 1);
        if (times.length > 0) expect([...kept].map(Number)).to.include(Math.max(...times.map(Number)));
        // What is kept is kept again once the rest is gone.
        expect([...copiesToKeep([...kept], said)].map(Number).sort()).to.deep.equal(
          [...kept].map(Number).sort(),
        );
        const days = new Set(times.map((at) => Math.floor(at.getTime() / day)));
        expect(kept.size).to.be.at.least(Math.min(said.days, days.size));
      }),
    );
  });

  it('and what was broken off are taken away from their folder, and nothing else is', () => {
    const folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    const now = new Date('2026-11-30T12:00:00.000Z');
    const put = (name: string, age = 0): void => {
      writeFileSync(join(folder, name), '');
      utimesSync(join(folder, name), new Date(now.getTime() - age), new Date(now.getTime() - age));
    };
    const at = (n: number) => ({
      at: new Date(now.getTime() - n * day),
      beforeUpgrade: false,
      encrypted: false,
    });
    for (let n = 0; n < 5; n++) put(copyName(at(n)));
    for (let n = 0; n < 5; n++) put(copyName({ ...at(n), beforeUpgrade: true }));
    put('orbis-20261128T120000Z.tar.gz.77.part', 2 * day);
    put('orbis-20261130T115900Z.tar.gz.78.part', 60_000);
    put('holiday.jpg', 900 * day);
    const went = clearAway(folder, { days: 2, weeks: 0, months: 0 }, [copyName(at(4))], now);
    expect(went.sort()).to.deep.equal(
      [
        ...[2, 3].map((n) => copyName(at(n))),
        ...[3, 4].map((n) => copyName({ ...at(n), beforeUpgrade: true })),
      ].sort(),
    );
    const left = readdirSync(folder);
    expect(left).to.include.members([
      'holiday.jpg',
      'orbis-20261130T115900Z.tar.gz.78.part',
      copyName(at(4)),
    ]);
    expect(left).to.not.include('orbis-20261128T120000Z.tar.gz.77.part');
    rmSync(folder, { recursive: true });
  });

  it('have files of the data folder in them, and none from elsewhere', () => {
    for (const path of ['keys/database-orbis', 'looks/ab12/390.webp'])
      expect(isKeptPath(path), path).to.equal(true);
    for (const path of [
      ...['keys/../../etc/passwd', '/keys/x', 'keys/', 'keys', 'database/data', 'looks/./x', 'looks/a b'],
      ...['keys/..', 'looks/a\nb', 'looks//x'],
    ])
      expect(isKeptPath(path), path).to.equal(false);
  });
});

describe('the rows of a dump', () => {
  const dump = `DROP TABLE IF EXISTS \`a\`;
CREATE TABLE \`a\` (
  \`id\` int NOT NULL
) ENGINE=InnoDB;
INSERT INTO \`a\` VALUES
(1,'CREATE TABLE \`x\` ('),
(2,'two;\\n(3),'),
(4,0x0a);
CREATE TABLE \`empty\` (
  \`id\` int
);
`;
  const tallied = (text: string, step = text.length) => {
    const tally = createTally();
    const bytes = Buffer.from(text);
    for (let n = 0; n < bytes.length; n += step) tally.add(bytes.subarray(n, n + step));
    return tally.tables();
  };

  it('are counted for each table, also of those that have none', () => {
    const tables = tallied(dump);
    expect(Object.keys(tables)).to.deep.equal(['a', 'empty']);
    expect([tables['a']!.rows, tables['empty']!.rows]).to.deep.equal([3, 0]);
  });

  it('are the same however they come in pieces, and however they are parted into statements', () => {
    for (const step of [1, 2, 7, 64]) expect(tallied(dump, step), String(step)).to.deep.equal(tallied(dump));
    const parted = dump.replace("(3),'),\n", "(3),');\nINSERT INTO `a` VALUES\n");
    expect(parted).to.not.equal(dump);
    expect(tallied(parted)).to.deep.equal(tallied(dump));
  });

  it('have another digest where one of them is changed, missing or elsewhere', () => {
    const is = tallied(dump)['a']!.digest;
    for (const changed of [
      dump.replace("'two", "'too"),
      dump.replace("(2,'two;\\n(3),'),\n", ''),
      dump.replace(
        "(1,'CREATE TABLE `x` ('),\n(2,'two;\\n(3),'),",
        "(2,'two;\\n(3),'),\n(1,'CREATE TABLE `x` ('),",
      ),
    ]) {
      expect(changed).to.not.equal(dump);
      expect(tallied(changed)['a']!.digest).to.not.equal(is);
    }
  });
});
