import { positionsIn } from '../text/index.ts';
import type { FoundFact, Mend } from '../reading/reading.ts';
import { rules } from './all.ts';
import type { Answer, CodeRule, Found, RuleInput } from './rule.ts';

/* Every rule is asked only about what it looks at; most codes are short, and most rules
   have nothing to do with them. */
const ofCode = rules.filter((rule) => rule.code);
const ofAddresses = rules.filter((rule) => rule.addresses);
const ofAttributes = rules.filter((rule) => rule.attributes);
const ofAnyElement = rules.filter((rule) => rule.elements?.named === 'any');
const ofElement = new Map<string, CodeRule[]>();
for (const rule of rules) {
  const named = rule.elements?.named ?? 'any';
  if (named === 'any') continue;
  for (const name of named) ofElement.set(name, [...(ofElement.get(name) ?? ofAnyElement), rule]);
}

/** Asks every rule, and gives the findings in the order of the text. */
export function checkCode(input: RuleInput): FoundFact[] {
  const found: Heard[] = [];
  const { markup, reading } = input;
  for (const rule of ofCode) hear(found, rule, rule.code!(input));
  if (reading.input === 'code') {
    for (const element of markup.elements) {
      for (const rule of ofElement.get(element.name) ?? ofAnyElement)
        hear(found, rule, rule.elements!.check(element, input));
      for (const { name, value } of element.attributes.entries)
        for (const rule of ofAttributes) hear(found, rule, rule.attributes!(element, name, value, input));
    }
  }
  for (const address of reading.addresses)
    for (const rule of ofAddresses) hear(found, rule, rule.addresses!(address, input));
  return found.length === 0 ? [] : told(found, markup.text);
}

interface Heard {
  rule: CodeRule;
  found: Found;
}

function hear(all: Heard[], rule: CodeRule, answer: Answer): void {
  if (answer === null) return;
  if (!Array.isArray(answer)) all.push({ rule, found: answer as Found });
  else for (const found of answer as readonly Found[]) all.push({ rule, found });
}

const unmended: readonly Mend[] = [];

function told(all: Heard[], text: string): FoundFact[] {
  const position = positionsIn(text);
  if (all.length > 1) all.sort((a, b) => a.found.start - b.found.start);
  return all.map(({ rule, found: { start, end, facts, mend, level } }) => {
    const { line, column } = position(start);
    return {
      rule: rule.id,
      level: level ?? rule.level,
      start,
      end,
      line,
      column,
      facts,
      mend: mend ?? unmended,
    };
  });
}
