import slugify from '@sindresorhus/slugify';
import type { Code } from '../code.ts';
import { kinds, type Kind, type Needs, type Reading } from '../reading/reading.ts';
import { itemOf } from '../sheets/item.ts';
import { matchLink } from '../sheets/match.ts';
import type { FrameCode, MountPattern, Sheet, SheetSettings } from '../sheets/sheet.ts';
import { openCode } from '../code.ts';
import { readTime } from '../sheets/time-format.ts';
import { chooseItem } from './item.ts';
import type { LearnAnswers, Learned, LearnedLine, LearnedWhat, LearnProblem } from './learned.ts';
import { timeFormat } from './meaning.ts';
import { parametersOf, type Parameter } from './parameters.ts';
import { answersOf, itemPlace, learnAddress, placesOf, withoutAround, type ItemPlace } from './patterns.ts';
import { loadersIn, saidPattern, valuesInAddresses } from './loaders.ts';
import { learnParts } from './parts.ts';
import { openSample, placesIn, type Place, type Sample } from './sample.ts';
import { learnSettings } from './settings.ts';
import { renderTemplate, templateOf } from './template.ts';
import { wordsFor, wordsIn } from './vocabulary.ts';
import { reason } from '../reason.ts';

/** What is known beside the samples. */
export interface LearnContext {
  /** The sheets at hand: what one of them knows is not learned again. */
  sheets: readonly Sheet[];
  /** What the owner has confirmed or corrected. */
  answers?: LearnAnswers;
  /**
   * Where the provider was found to answer questions about its links (oEmbed 1.0),
   * without the question itself.
   */
  oembed?: { endpoint: string; formats: ('json' | 'xml')[] } | undefined;
}

/** No sample is longer than this (UTF-16 code units), and there are no more of them than that. */
export const learnLimits = { length: 20_000, pieces: 800, samples: 20 };

/**
 * Proposes a sheet from codes and links of one provider that no sheet knows: what is the same in all of them,
 * which piece is the id, which parameters vary and what they probably mean. What is not plain is left out and
 * asked; the owner's answers settle it. Whatever is proposed was tried on every sample before.
 */
export function learnSheet(texts: readonly string[], context: LearnContext): Learned {
  if (texts.length < 2 || texts.length > learnLimits.samples)
    return refused({ code: 'too-few', facts: { found: texts.length } });
  const long = texts.findIndex((text) => text.length > learnLimits.length);
  if (long >= 0) return refused({ code: 'too-long', facts: { sample: long + 1 } });
  const samples = texts.map((text, i) => openSample(text, i + 1));
  const dense = samples.find(({ pieces }) => pieces.length > learnLimits.pieces);
  if (dense) return refused({ code: 'too-long', facts: { sample: dense.number } });
  const problem = problemWith(samples, context);
  return problem ? refused(problem) : new Learning(samples, context).learn();
}

const refused = (problem: LearnProblem): Learned => ({ ok: false, problem });

function problemWith(samples: readonly Sample[], { sheets }: LearnContext): LearnProblem | null {
  const providers = sheets.filter(({ files, pages }) => !files && !pages);
  for (const { text, number, is, code, target } of samples) {
    const sample = number;
    const known = openCode(text, { sheets: providers }).reading.provider;
    if (known) return { code: 'known', facts: { sample, provider: known.name } };
    if (is === 'code' && code.reading.input !== 'code') return { code: 'no-embed', facts: { sample } };
    if (is === 'code' && target === null) return { code: 'nothing-to-know-by', facts: { sample } };
  }
  const codes = samples.filter(({ is }) => is === 'code');
  const [first] = codes;
  if (!first) return { code: 'links-only', facts: {} };
  const other = codes.find(
    ({ target }) => target!.is !== first.target!.is || siteOf(target!.host) !== siteOf(first.target!.host),
  );
  return other
    ? {
        code: 'not-alike',
        facts: { sample: other.number, host: other.target!.host, first: first.target!.host },
      }
    : null;
}

/* Hosts of one provider end alike: the last two labels, three where the last ones are as
   short as those of countries. */
function siteOf(host: string): string {
  const labels = host.split('.');
  return labels
    .slice(labels.length > 2 && labels.at(-1)!.length === 2 && labels.at(-2)!.length <= 3 ? -3 : -2)
    .join('.');
}

class Learning {
  readonly #samples: readonly Sample[];
  readonly #codes: readonly Sample[];
  readonly #links: readonly Sample[];
  readonly #first: Sample;
  readonly #context: LearnContext;
  readonly #answers: LearnAnswers;
  readonly #lines: LearnedLine[] = [];

  constructor(samples: readonly Sample[], context: LearnContext) {
    this.#samples = samples;
    this.#codes = samples.filter(({ is }) => is === 'code');
    this.#links = samples.filter(({ is }) => is === 'link');
    this.#first = this.#codes[0]!;
    this.#context = context;
    this.#answers = context.answers ?? {};
  }

  learn(): Learned {
    const parameters = parametersOf(this.#codes);
    const linkPlaces = placesIn(this.#links);
    const linked = valuesInAddresses(linkPlaces);
    const unknown = this.#unknownAnswer(parameters);
    if (unknown) return refused(unknown);
    const called = this.#called();
    if ('problem' in called) return refused(called.problem);
    const { name, id, kind } = called;
    const guessed = learnSettings(parameters, this.#answers, kind === 'frame' ? null : kind);
    if (!guessed.ok) return refused(guessed.problem);
    const chosen = this.#item(parameters, guessed.guesses, linked);
    if ('problem' in chosen) return refused(chosen.problem);
    const { parameter } = chosen;
    const framed = this.#first.target!.is === 'frame';
    const settled = guessed.settle(parameter, framed ? null : 'account');
    this.#lines.push(...settled.lines);

    const itemAt: ItemPlace = itemPlace(
      parameter.place,
      parameter.values.filter((value) => value !== null),
    ) ?? { in: 'query', name: '', before: '', behind: '' };
    const items = parameter.values.map((value) => withoutAround(value ?? '', itemAt));
    const places = placesIn(this.#codes);
    const base: Omit<Sheet, 'code' | 'frames' | 'links'> = {
      id,
      name,
      version: 1,
      kind,
      hosts: this.#hosts(),
      settings: settled.settings,
      needs: this.#needs(),
      ...(this.#context.oembed && { oembed: this.#context.oembed }),
      ...(answersOf(this.#first) && { answers: answersOf(this.#first)! }),
    };
    const links = this.#learnLinks(linkPlaces, new Set(items));
    const steps = parameters.filter(({ at }) => at.in === 'path');
    const sheet = framed
      ? this.#framed(
          base,
          links,
          learnAddress(placesOf(places, this.#first.target!.element, 'src'), itemAt, steps),
        )
      : this.#scripted(base, links, {
          places,
          items,
          settings: settled.settings,
          parameterKey: parameter.place.spot.key,
        });
    return this.#tried(sheet, items, settled.settings);
  }

  /* An answer to what nobody asked. */
  #unknownAnswer(parameters: readonly Parameter[]): LearnProblem | null {
    const known = new Set(['name', 'kind', 'id', 'item', ...parameters.map(({ about }) => about)]);
    const about = Object.keys(this.#answers).find(
      (each) => !known.has(each) && !known.has(each.slice(0, each.lastIndexOf('.'))),
    );
    if (about === undefined) return null;
    return { code: 'answer-unknown', facts: { about, may: [...known].join(', ') } };
  }

  #called(): { name: string; id: string; kind: Kind } | { problem: LearnProblem } {
    const unfit = (about: string, answer: string, may: string): { problem: LearnProblem } => ({
      problem: { code: 'answer-does-not-fit', facts: { about, answer, may } },
    });
    const name = this.#name();
    const id = this.#id(name);
    if (!/^[a-z0-9]+(?:-[a-z0-9]+)*$/.test(id))
      return unfit('id', id, 'lower-case letters, digits and hyphens');
    const kind = this.#kind();
    return kind === null ? unfit('kind', this.#answers['kind']!, kinds.join(', ')) : { name, id, kind };
  }

  #hosts(): string[] {
    const contacted = this.#codes.flatMap(({ code }) =>
      code.reading.hosts.filter(({ when }) => when === 'load').map(({ host }) => host),
    );
    const own = this.#codes.map(({ target }) => target!.host);
    return [...new Set([...own, ...contacted, ...this.#linkHosts()])];
  }

  /* Nothing is proposed that does not do: each sample is read with the sheet, and put
     together again from the template. */
  #tried(sheet: Sheet, items: readonly string[], settings: SheetSettings): Learned {
    const templates = {
      codes: templateOf(this.#codes.map(({ pieces }) => pieces)),
      links: this.#links.length > 0 ? templateOf(this.#links.map(({ pieces }) => pieces)) : null,
    };
    const ids: (string | null)[] = [];
    for (const sample of this.#samples) {
      const read: Code = openCode(sample.text, { sheets: [sheet] });
      const list = sample.is === 'code' ? this.#codes : this.#links;
      const template = sample.is === 'code' ? templates.codes : templates.links!;
      const same = renderTemplate(template, template.samples[list.indexOf(sample)]!) === sample.text;
      const id = sample.is === 'code' ? itemOf(read, sheet) : linkItem(sheet, sample.text);
      if (
        !same ||
        read.reading.sheet?.id !== sheet.id ||
        id === null ||
        (sample.is === 'code' && id !== items[this.#codes.indexOf(sample)])
      )
        return refused({ code: 'not-learned', facts: { sample: sample.number } });
      ids.push(id);
    }
    return {
      ok: true,
      proposal: {
        sheet,
        lines: this.#lines,
        templates,
        samples: this.#samples.map(({ is }, i) => ({ is, item: ids[i]! })),
        settings: Object.keys(settings),
      },
    };
  }

  #line(
    what: Exclude<LearnedWhat, 'parameter'>,
    line: Pick<LearnedLine, 'means' | 'reasons'> & Partial<LearnedLine>,
  ): void {
    this.#lines.push({ about: what, what, seen: [], type: null, looks: [], sure: true, may: [], ...line });
  }

  #name(): string {
    const { host } = this.#first.target!;
    const label = siteOf(host).split('.')[0]!;
    const means = this.#answers['name']?.trim() || label.charAt(0).toUpperCase() + label.slice(1);
    this.#line('name', {
      seen: [host],
      means,
      reasons: [this.#answers['name'] ? reason('you-said-so') : reason('its-host', { host })],
    });
    return means;
  }

  /* Never that of a sheet which is there: it would stand before that one. */
  #id(name: string): string {
    const said = this.#answers['id'];
    if (said !== undefined) return said;
    const made = slug(name);
    let id = made;
    for (let n = 2; this.#context.sheets.some((sheet) => sheet.id === id); n++) id = `${made}-${n}`;
    return id;
  }

  #kind(): Kind | null {
    const said = this.#answers['kind'];
    const told = this.#codes
      .map(({ code }) => code.reading)
      .find(({ kind }) => kind !== 'unknown' && kind !== 'frame' && kind !== 'image');
    const means =
      said === undefined ? (told?.kind ?? 'frame') : (kinds.find((kind) => kind === said) ?? null);
    const reasons =
      said === undefined
        ? told
          ? told.kindReasons
          : [reason('samples-tell-nothing')]
        : [reason('you-said-so')];
    this.#line('kind', {
      means: said === undefined && !told ? null : means,
      sure: said !== undefined || told !== undefined,
      reasons,
      may: [...kinds],
    });
    return means;
  }

  #item(
    parameters: ReturnType<typeof parametersOf>,
    guesses: Parameters<typeof chooseItem>[1],
    linked: ReadonlySet<string>,
  ): { parameter: (typeof parameters)[number] } | { problem: LearnProblem } {
    const said = this.#answers['item'];
    const may = parameters
      .filter(({ values, at }) => !values.includes(null) && at.piece === undefined)
      .map(({ about }) => about);
    const choice = chooseItem(parameters, guesses, linked);
    const parameter =
      said === undefined
        ? choice?.parameter
        : parameters.find(({ about }) => about === said && may.includes(about));
    if (said !== undefined && !parameter)
      return {
        problem: { code: 'answer-does-not-fit', facts: { about: 'item', answer: said, may: may.join(', ') } },
      };
    if (!parameter) return { problem: { code: 'nothing-to-know-by', facts: { sample: this.#first.number } } };
    const seen = [...new Set(parameter.values.filter((value) => value !== null))].slice(0, 5);
    this.#line('item', {
      seen,
      means: parameter.about,
      sure: said !== undefined || choice!.sure,
      reasons: said === undefined ? choice!.reasons : [reason('you-said-so')],
      may,
    });
    return { parameter };
  }

  #framed(
    base: Omit<Sheet, 'code' | 'frames' | 'links'>,
    links: Pick<Sheet, 'links' | 'linkTime' | 'direct'>,
    address: ReturnType<typeof learnAddress>,
  ): Sheet {
    const frames = this.#codes.map(
      ({ code, target }) =>
        code.markup.elements.filter(({ name }) => name === 'iframe')[
          Number(target!.element.split(' ')[1]) - 1
        ]!,
    );
    const number = (attribute: string): number | undefined => {
      const value = frames[0]!.attributes.value(attribute) ?? '';
      return /^\d{2,4}$/.test(value) ? Number(value) : undefined;
    };
    const [width, height] = [number('width'), number('height')];
    const allowed = frames.map((frame) =>
      (frame.attributes.value('allow') ?? '')
        .split(';')
        .map((part) => part.trim())
        .filter(Boolean),
    );
    const code: FrameCode = {
      address: address.template,
      ...(width !== undefined && { width }),
      ...(height !== undefined && { height }),
      title: base.kind === 'frame' ? base.name : `${base.name} ${base.kind}`,
      allow: allowed[0]!.filter((permission) => allowed.every((list) => list.includes(permission))),
    };
    const shape = this.#shape();
    this.#line('frame', {
      means: address.patterns.map(saidPattern).join(', '),
      reasons: [reason('frames-are-there')],
    });
    return { ...base, ...links, frames: address.patterns, code, ...(shape && { shape }) };
  }

  /* Frames of one shape, whatever their sizes. */
  #shape(): Sheet['shape'] | null {
    const sizes = this.#codes.map(({ code }) => code.reading.size);
    const [{ ratio, width, height }] = sizes as [Reading['size'], ...Reading['size'][]];
    if (
      ratio === null ||
      !sizes.every((size) => size.ratio !== null && Math.abs(size.ratio / ratio - 1) < 0.01)
    )
      return null;
    const told = width?.unit === 'px' && height?.unit === 'px' ? reduced(width.value, height.value) : null;
    // Low strips are as high as they are at every width: sound players, buttons.
    if (!told || ratio > 3) return null;
    this.#line('shape', {
      seen: [...new Set(sizes.map((size) => `${size.width?.value} × ${size.height?.value}`))].slice(0, 5),
      means: `${told.width}:${told.height}`,
      reasons: [reason('samples-have-it', { several: sizes.length > 1 })],
    });
    return told;
  }

  #scripted(
    base: Omit<Sheet, 'code' | 'frames' | 'links'>,
    links: Pick<Sheet, 'links' | 'linkTime' | 'direct'>,
    {
      places,
      items,
      settings,
      parameterKey,
    }: { places: readonly Place[]; items: readonly string[]; settings: SheetSettings; parameterKey: string },
  ): Sheet {
    const loaders = loadersIn(places, items, parameterKey);
    this.#line('loader', {
      means: loaders.map(saidPattern).join(', '),
      reasons: [reason('samples-load-it')],
    });
    const mount = this.#mount();
    if (mount)
      this.#line('mount', {
        means: mount.class
          ? `.${mount.class}`
          : mount.attribute
            ? `[${mount.attribute}]`
            : `<${mount.element}>`,
        reasons: [reason('samples-have-element')],
      });
    // The plainest sample is what a code with no settings looks like.
    const index = this.#codes.reduce(
      (best, { pieces }, i) => (pieces.length < this.#codes[best]!.pieces.length ? i : best),
      0,
    );
    const removed = Object.entries(settings).flatMap(([setting, rule]) =>
      setting === 'account' ? [] : [rule],
    );
    const parts = learnParts(this.#codes[index]!, {
      settings: removed,
      items,
      index,
      places,
      hosts: new Set(base.hosts),
      name: base.name,
    });
    return { ...base, ...links, frames: [], loaders, ...(mount && { mounts: [mount] }), code: { parts } };
  }

  /* By the class that names the provider, else its own element, else the attribute that has the id. */
  #mount(): MountPattern | null {
    const mounts = this.#codes.map(({ mount }) => mount?.node);
    const [first] = mounts;
    if (!first || mounts.some((node) => node?.name !== first.name)) return null;
    if (first.name.includes('-')) return { element: first.name };
    const classes = (first.attributes.value('class') ?? '')
      .split(/\s+/)
      .filter(
        (word) =>
          word !== '' &&
          mounts.every((node) => (node!.attributes.value('class') ?? '').split(/\s+/).includes(word)),
      );
    const label = siteOf(this.#first.target!.host).split('.')[0]!;
    const named =
      classes.find((word) => word.toLowerCase().includes(label)) ?? classes.find((word) => /[-_]/.test(word));
    if (named !== undefined) return { class: named };
    const attribute = first.attributes
      .names()
      .find((name) => name.startsWith('data-') && mounts.every((node) => node!.attributes.has(name)));
    return attribute === undefined
      ? classes[0] === undefined
        ? null
        : { class: classes[0] }
      : { attribute };
  }

  #learnLinks(
    places: readonly Place[],
    items: ReadonlySet<string>,
  ): Pick<Sheet, 'links' | 'linkTime' | 'direct'> {
    if (this.#links.length === 0) return { links: [] };
    const there = (place: Place): string[] => place.values.filter((value) => value !== null);
    const may = places.filter(
      (place) => (place.spot.in === 'path' || place.spot.in === 'query') && !place.values.includes(null),
    );
    const item =
      may.find((place) => there(place).some((value) => items.has(value))) ??
      may.find((place) => new Set(there(place)).size > 1) ??
      may.findLast(({ spot }) => spot.in === 'path');
    if (!item) return { links: [] };
    const { patterns, template } = learnAddress(
      placesOf(places, 'link', undefined),
      itemPlace(item, there(item))!,
      [],
    );
    this.#line('link', {
      seen: there(item).slice(0, 5),
      means: patterns.map(saidPattern).join(', '),
      reasons: there(item).some((value) => items.has(value))
        ? [reason('id-in-codes')]
        : [reason('links-differ')],
    });
    const time = places.find(
      ({ spot, values }) =>
        (spot.in === 'query' || spot.in === 'fragment') &&
        wordsIn(spot.name).some((word) => wordsFor['start']!.includes(word)) &&
        values.some((value) => value !== null && readTime(value, 'units') !== null),
    );
    const format = time && timeFormat(there(time));
    return {
      links: patterns,
      direct: template,
      ...(format && { linkTime: { in: time.spot.in as 'query' | 'fragment', name: time.spot.name, format } }),
    };
  }

  #linkHosts(): string[] {
    return this.#links.map(({ text }) => new URL(text.trim()).hostname);
  }

  #needs(): Partial<Needs> {
    const needs: Partial<Needs> = {};
    for (const { code } of this.#codes)
      for (const [need, is] of Object.entries(code.reading.needs)) if (is) needs[need as keyof Needs] = true;
    return needs;
  }
}

function linkItem(sheet: Sheet, text: string): string | null {
  const match = matchLink(text.trim(), [sheet]);
  return match?.sheet.id === sheet.id ? match.id : null;
}

const slug = (name: string): string => slugify(name, { decamelize: false }) || 'provider';

function reduced(width: number, height: number): { width: number; height: number } {
  const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
  const by = Number.isInteger(width) && Number.isInteger(height) ? divisor(width, height) : 1;
  return { width: Math.round(width / by), height: Math.round(height / by) };
}
