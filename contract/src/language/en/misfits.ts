import type { Facts } from '@orbis/core';
import type { Language } from '../language.ts';

type Fact = Facts[string] | undefined;
const said = (value: Fact): string => (value === null || value === undefined ? 'nothing' : `“${value}”`);
const characters = (count: Fact): string => `${count} ${count === 1 ? 'character' : 'characters'}`;
const entries = (count: Fact): string => `${count} ${count === 1 ? 'entry' : 'entries'}`;

const isOrAre = (count: Fact): string => `${count} ${count === 1 ? 'is' : 'are'}`;

/* What a value can be, as people call it. */
const types: Record<string, string> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with members',
  record: 'an object with members',
};

/** What is said of a value that is not as a schema asks: clauses. */
export const misfits = {
  'missing': () => 'is missing',
  'no-number': () => 'is not a number',
  'wrong-type': (f) => `is ${said(f.found)}, where ${types[String(f.expected)] ?? f.expected} is needed`,
  'none-of': (f) => `is ${said(f.found)}, which is none of these: ${f.known}`,
  'empty': () => 'is empty',
  'text-too-short': (f) => `has ${characters(f.found)}, and needs at least ${f.least}`,
  'text-too-long': (f) => `has ${characters(f.found)}, and ${isOrAre(f.most)} the most`,
  'list-too-short': (f) => `has ${entries(f.found)}, and needs at least ${f.least}`,
  'list-too-long': (f) => `has ${entries(f.found)}, and ${isOrAre(f.most)} the most`,
  'too-small': (f) => `is ${f.found}, and ${f.least} is the least`,
  'too-large': (f) => `is ${f.found}, and ${f.most} is the most`,
  'wrong-form': (f) => `is ${said(f.found)}, and should be ${f.form}`,
  'unknown-members': (f) => `has something that is not known here: ${f.names}`,
  'none-of-the-forms': (f) => `is ${said(f.found)}, which fits nothing that is taken here`,
} satisfies Language['misfits'];
