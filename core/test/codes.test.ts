import { expect } from 'chai';
import { read, type Reading } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import type { CodeCase } from './codes/case.ts';
import { claims } from './codes/claims.ts';
import { faults } from './codes/faults.ts';
import { hosts } from './codes/hosts.ts';
import { kinds } from './codes/kinds.ts';
import { quiet } from './codes/quiet.ts';
import { rules } from './codes/rules.ts';
import { samples } from './codes/samples.ts';
import { scripts } from './codes/scripts.ts';
import { several } from './codes/several.ts';
import { sizes } from './codes/sizes.ts';
import { waiting } from './codes/waiting.ts';
import { words } from './codes/words.ts';

const all = {
  kinds,
  words,
  rules,
  faults,
  quiet,
  samples,
  scripts,
  claims,
  hosts,
  several,
  sizes,
  waiting,
};
const sheets = builtInSheets();

function holds({ code, ...wanted }: CodeCase, known: typeof sheets): void {
  const reading = read(code, { sheets: known });
  isOfItsKind(reading, wanted);
  speaks(reading, wanted);
  claimsAndContacts(reading, wanted);
  isCutInto(reading, code, wanted);
}

type Wanted = Omit<CodeCase, 'code'>;

function isOfItsKind(reading: Reading, wanted: Wanted): void {
  if (wanted.input) expect(reading.input).to.equal(wanted.input);
  if (wanted.kind) expect(reading.kind).to.equal(wanted.kind);
  if (wanted.kindIn) expect(reading.kind).to.be.oneOf([...wanted.kindIn]);
  if (wanted.embeds) expect(reading.embeds.map(({ kind }) => kind)).to.deep.equal(wanted.embeds);
  if (wanted.embedCount !== undefined) expect(reading.embeds.length).to.equal(wanted.embedCount);
  if (wanted.ratio !== undefined) expect(reading.size.ratio).to.be.closeTo(wanted.ratio, 0.01);
  for (const side of ['width', 'height'] as const) {
    const said = reading.size[side];
    if (wanted[side] !== undefined) expect(said && `${said.value}${said.unit}`).to.equal(wanted[side]);
  }
}

function speaks({ findings }: Reading, wanted: Wanted): void {
  const spoken = findings.map(({ rule }) => rule);
  for (const rule of wanted.rules ?? []) expect(spoken).to.include(rule);
  for (const rule of wanted.notRules ?? []) expect(spoken).not.to.include(rule);
  for (const [rule, times] of Object.entries(wanted.count ?? {}))
    expect(spoken.filter((each) => each === rule).length, rule).to.equal(times);
  for (const rule of wanted.noMend ?? [])
    expect(findings.filter((each) => each.rule === rule && each.mend.length > 0)).to.deep.equal([]);
  if (wanted.anyError) expect(findings.map(({ level }) => level)).to.include('error');
  if (wanted.anyProblem) expect(findings.some(({ level }) => level !== 'note')).to.equal(true);
}

function claimsAndContacts(reading: Reading, wanted: Wanted): void {
  const claims = new Map(reading.claims.map(({ what, name, shared }) => [`${what}:${name}`, shared]));
  for (const claim of wanted.claims ?? []) expect([...claims.keys()]).to.include(claim);
  for (const claim of wanted.notClaims ?? []) expect([...claims.keys()]).not.to.include(claim);
  for (const [claim, shared] of Object.entries(wanted.shared ?? {}))
    expect(claims.get(claim), claim).to.equal(shared);
  const hosts = new Map(reading.hosts.map(({ host, when }) => [host, when]));
  for (const host of wanted.hosts ?? []) expect([...hosts.keys()]).to.include(host);
  for (const host of wanted.notHosts ?? []) expect([...hosts.keys()]).not.to.include(host);
  if (wanted.hostCount !== undefined) expect(hosts.size).to.equal(wanted.hostCount);
  for (const [host, when] of Object.entries(wanted.when ?? {})) expect(hosts.get(host)).to.equal(when);
}

function isCutInto({ parts }: Reading, code: string, wanted: Wanted): void {
  for (const [role, repeat] of Object.entries(wanted.repeat ?? {}))
    expect(parts.filter((part) => part.role === role).map((part) => part.repeat)).to.include(repeat);
  const top = parts.filter(
    ({ inside, role, start, end }) =>
      inside === null && role !== 'comment' && code.slice(start, end).trim() !== '',
  );
  if (wanted.roles) expect(top.map(({ role }) => role)).to.deep.equal(wanted.roles);
  if (wanted.places) expect(top.map(({ place }) => place)).to.deep.equal(wanted.places);
  for (const role of wanted.hasRoles ?? []) expect(parts.map((part) => part.role)).to.include(role);
}

describe('codes as they are out there', () => {
  for (const [about, cases] of Object.entries(all)) {
    for (const [i, each] of cases.entries()) {
      const label = each.code.replaceAll(/\s+/g, ' ').slice(0, 110);
      it(`${about} ${i + 1}, with all sheets and with none: ${label}`, () => {
        holds(each, sheets);
        holds(each, []);
      });
    }
  }

  it('are many', () => {
    expect(Object.values(all).flat().length).to.be.at.least(350);
  });
});
