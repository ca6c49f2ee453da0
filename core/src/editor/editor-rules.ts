/** Names of elements or attributes that an editor takes out: these, or all but these. */
export interface TakenNames {
  which: 'these' | 'all-but';
  /** In lower case. A name that ends in `*` stands for all that begin so: `data-*`. */
  names: string[];
}

/** What one place takes: whole codes, or links alone, which the editor makes something of by itself. */
export const editorTakes = ['code', 'link'] as const;

/** What an editor can ask for beside a code. */
export const askedValues = ['title', 'name', 'address'] as const;

/** A field of an editor beside that for the code, and what belongs into it. */
export interface AskedField {
  /** As the editor calls it. */
  label: string;
  /** What visitors may read as its title, what the owner calls the embed, or where its content is. */
  value: (typeof askedValues)[number];
}

/** What a site’s editor lets through, and how one works with it. */
export interface EditorRules {
  takes: (typeof editorTakes)[number];
  /** Elements that it takes out (HTML, section 3.2). */
  elements: TakenNames;
  /** Attributes that it takes out of the elements that it lets through. */
  attributes: TakenNames;
  /** Whether it lets scripts through whose text stands in the code. */
  inlineScripts: boolean;
  comments: boolean;
  /** What must stand in a line of its own before a code, and behind it; empty for nothing. */
  firstLine: string;
  lastLine: string;
  /** A code that each page needs once, so that the editor makes embeds of what is pasted; empty for none. */
  companion: string;
  asksFor: AskedField[];
  /** Whether it shows embeds before they are published; null where nobody has said. */
  showsUnpublished: boolean | null;
  /** How long it takes until what was published can be seen, in minutes. */
  delay: number;
  /**
   * Whether it has a field for each page that takes style rules, and one that takes a script, both without
   * their element.
   */
  styleField: boolean;
  scriptField: boolean;
  /** How many other hosts, how many scripts, and how many kilobytes a page may have; null for any number. */
  mostHosts: number | null;
  mostScripts: number | null;
  mostKilobytes: number | null;
  /** Where to click, in the owner’s own words. */
  notes: string;
}

/** An editor that lets everything through. */
export const openEditor: EditorRules = {
  takes: 'code',
  elements: { which: 'these', names: [] },
  attributes: { which: 'these', names: [] },
  inlineScripts: true,
  comments: true,
  firstLine: '',
  lastLine: '',
  companion: '',
  asksFor: [],
  showsUnpublished: null,
  delay: 0,
  styleField: false,
  scriptField: false,
  mostHosts: null,
  mostScripts: null,
  mostKilobytes: null,
  notes: '',
};

/** Whether these say that a name is taken out. */
export const isTaken = ({ which, names }: TakenNames, name: string): boolean =>
  names.some((each) => (each.endsWith('*') ? name.startsWith(each.slice(0, -1)) : each === name)) ===
  (which === 'these');

/** Whether an editor may change what is handed out for it, or needs something beside it. */
export const changesCodes = (rules: EditorRules): boolean =>
  rules.takes === 'link' ||
  [rules.elements, rules.attributes].some(({ which, names }) => which === 'all-but' || names.length > 0) ||
  !rules.inlineScripts ||
  !rules.comments ||
  rules.firstLine !== '' ||
  rules.lastLine !== '' ||
  rules.companion !== '' ||
  rules.styleField ||
  rules.scriptField;

/** The same for what many pages show: it has no field of any of them. */
export const withoutFields = (rules: EditorRules): EditorRules => ({
  ...rules,
  styleField: false,
  scriptField: false,
});

/** Whether the same is handed out for both: what only people need to know of an editor may differ. */
export const asksTheSame = (a: EditorRules, b: EditorRules): boolean =>
  JSON.stringify(forCodes(a)) === JSON.stringify(forCodes(b));

const forCodes = ({
  takes,
  elements,
  attributes,
  inlineScripts,
  comments,
  ...rest
}: EditorRules): unknown[] => [
  ...[takes, inlineScripts, comments, rest.firstLine, rest.lastLine, rest.companion],
  ...[rest.styleField, rest.scriptField],
  ...[elements, attributes].flatMap(({ which, names }) => [which, names]),
];
