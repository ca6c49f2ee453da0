import { expect } from 'chai';
import { read } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import type { CodeCase } from './codes/case.ts';
import { kinds } from './codes/kinds.ts';
import { rules } from './codes/rules.ts';
import { scripts } from './codes/scripts.ts';

const all = { kinds, rules, scripts };
const sheets = builtInSheets();

function holds({ code, ...wanted }: CodeCase, known: typeof sheets): void {
  const reading = read(code, { sheets: known });
  const spoken = reading.findings.map(({ rule }) => rule);
  const claims = new Map(reading.claims.map(({ what, name, shared }) => [`${what}:${name}`, shared]));
  if (wanted.kind) expect(reading.kind).to.equal(wanted.kind);
  if (wanted.kindIn) expect(reading.kind).to.be.oneOf([...wanted.kindIn]);
  for (const rule of wanted.rules ?? []) expect(spoken).to.include(rule);
  for (const rule of wanted.notRules ?? []) expect(spoken).not.to.include(rule);
  for (const claim of wanted.claims ?? []) expect([...claims.keys()]).to.include(claim);
  for (const claim of wanted.notClaims ?? []) expect([...claims.keys()]).not.to.include(claim);
  for (const [claim, shared] of Object.entries(wanted.shared ?? {}))
    expect(claims.get(claim), claim).to.equal(shared);
  for (const host of wanted.hosts ?? []) expect(reading.hosts.map((each) => each.host)).to.include(host);
  for (const [role, repeat] of Object.entries(wanted.repeat ?? {}))
    expect(reading.parts.filter((part) => part.role === role).map((part) => part.repeat)).to.include(repeat);
  const top = reading.parts.filter(({ inside, role }) => inside === null && role !== 'comment');
  if (wanted.roles)
    expect(
      top.filter(({ start, end }) => code.slice(start, end).trim() !== '').map(({ role }) => role),
    ).to.deep.equal(wanted.roles);
  if (wanted.embeds) expect(reading.embeds.map(({ kind }) => kind)).to.deep.equal(wanted.embeds);
  if (wanted.ratio !== undefined) expect(reading.size.ratio).to.be.closeTo(wanted.ratio, 0.01);
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
    expect(Object.values(all).flat().length).to.be.at.least(90);
  });
});
