import { addressSeams, changeJson, oneSentence, parseAddress, setAttribute, setRawAttribute, smallestChange, type Address, type Edit, type MarkupElement } from '../text/index.ts';
import type { Code } from '../code.ts';
import type { ReadAddress } from '../reading/reading.ts';

/** One wish's change of a raw text, and why. */
export interface Step<Raw> {
  wish: string;
  /** A clause: the beginning of a sentence without its end. */
  reason: string;
  /** The raw text afterwards; the same one where nothing changes. */
  change: (now: Raw) => string;
}

/**
 * Puts the changes of all wishes together: each address, each attribute and each script gets one composed edit, with
 * the reasons of every step that changed something, in the order in which the steps came.
 */
export class Composition {
  readonly #code: Code;
  readonly #addresses = new Map<number, { address: ReadAddress; steps: Step<Address>[] }>();
  readonly #json = new Map<string, { element: MarkupElement; attribute: string; steps: Step<string>[] }>();
  readonly #scripts = new Map<MarkupElement, Step<string>[]>();
  readonly #attributes = new Map<string, Edit | null>();
  readonly #more: Edit[] = [];

  constructor(code: Code) {
    this.#code = code;
  }

  address(address: ReadAddress, step: Step<Address>): void {
    const known = this.#addresses.get(address.start);
    if (known) known.steps.push(step);
    else this.#addresses.set(address.start, { address, steps: [step] });
  }

  /** A member of the JSON in an attribute: `change` gets the attribute's raw value, which may be empty. */
  json(element: MarkupElement, attribute: string, step: Step<string>): void {
    const key = `${element.start} ${attribute}`;
    const known = this.#json.get(key);
    if (known) known.steps.push(step);
    else this.#json.set(key, { element, attribute, steps: [step] });
  }

  script(element: MarkupElement, step: Step<string>): void {
    const known = this.#scripts.get(element);
    if (known) known.push(step);
    else this.#scripts.set(element, [step]);
  }

  /** The first wish that an attribute has a value for gives it. */
  attribute(element: MarkupElement, name: string, value: string | true | null, wish: string, reason: string): void {
    const key = `${element.start} ${name}`;
    if (this.#attributes.has(key)) return;
    // A presence that is there already is as good in any of its spellings (HTML, section 2.3.2).
    const change =
      value !== true
        ? setAttribute(this.#code.text, element, name, value)
        : element.attributes.has(name)
          ? null
          : { start: element.nameEnd, end: element.nameEnd, text: ` ${name}` };
    this.#attributes.set(key, change && { ...change, stage: 'settings', wishes: [wish], reason: `${reason}.` });
  }

  add(edit: Edit): void {
    this.#more.push(edit);
  }

  edits(): Edit[] {
    const { text } = this.#code;
    const out: Edit[] = [];
    const put = (change: { start: number; end: number; text: string } | null, { wishes, reasons }: { wishes: string[]; reasons: string[] }): void => {
      if (change) out.push({ ...change, stage: 'settings', wishes, reason: oneSentence(reasons) });
    };
    for (const { address, steps } of this.#addresses.values()) {
      const first = parseAddress(text.slice(address.start, address.end));
      const done = follow(first.raw, steps, (raw) => ({ ...parseAddress(raw), joint: first.joint }));
      put(smallestChange(text, address.start, address.end, done.raw, addressSeams), done);
    }
    for (const { element, attribute, steps } of this.#json.values()) {
      const found = element.attributes.get(attribute);
      const done = follow(found ? text.slice(found.valueStart, found.valueEnd) : '', steps, (raw) => raw);
      put(setRawAttribute(text, element, attribute, done.raw), done);
    }
    for (const [element, steps] of this.#scripts) {
      const [start, end] = [element.startTagEnd, element.endTagStart ?? element.end];
      const done = follow(text.slice(start, end), steps, (raw) => raw);
      put(smallestChange(text, start, end, done.raw), done);
    }
    return [...out, ...[...this.#attributes.values()].filter((edit) => edit !== null), ...this.#more];
  }
}

function follow<Raw>(from: string, steps: readonly Step<Raw>[], read: (raw: string) => Raw): { raw: string; wishes: string[]; reasons: string[] } {
  let raw = from;
  const wishes: string[] = [];
  const reasons: string[] = [];
  for (const { wish, reason, change } of steps) {
    const after = change(read(raw));
    if (after === raw) continue;
    raw = after;
    if (!wishes.includes(wish)) wishes.push(wish);
    reasons.push(reason);
  }
  return { raw, wishes, reasons };
}

/** Whether an attribute's raw value is JSON that a member can be written into; an empty or missing one is. */
export const takesMembers = (raw: string): boolean => changeJson(raw === '' ? '{}' : raw, ['\u0000'], null) !== null;
