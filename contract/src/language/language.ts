import type {
  BlockStands,
  FrameWay,
  Condition,
  EditorRules,
  Facts,
  FillFault,
  FixedSizeName,
  KeptThing,
  Kind,
  LearnedLine,
  LearnProblem,
  OnceKind,
  OpenQuestion,
  OptionLevel,
  PieceSeen,
  PlanAction,
  Price,
  ResourceUse,
  Role,
  SearchField,
  SeenPlaying,
  SnippetPosition,
  SpotDevice,
  SpotRoom,
  TakenNames,
  Terms,
} from '@orbis/core';
import type { YAMLError } from 'yaml';
import type { ChannelKind, MessageState, NewsKind } from '../news-kinds.ts';
import type { ComplaintCode, LookWidth } from '../look-widths.ts';
import type { OutOfDateFor } from '../out-of-date-for.ts';
import type { CopyWords, DoctorWords, SecurityWords } from './safety-words.ts';
import type { DoctorCheck, DoctorCode, DoctorState } from '../doctor-checks.ts';
import type { ResourceState } from '../resource-states.ts';
import type { PersonRole, Right, Rights } from '../rights.ts';
import type { Schedule, Weekday } from '../weekdays.ts';
import type { ChangeFacts, ChangeKind } from '../change-facts.ts';

type Sentence = (facts: Facts) => string;

/** Words for each kind of change, of what is kept of it. */
export type ChangeWords = {
  [K in ChangeKind]: (facts: Extract<ChangeFacts, { kind: K }>) => string;
};

/** What taking a change back does not reach: code on pages. */
export type Remains = { code: 'paste-again'; placements: number } | { code: 'take-out'; place: string };

/** Why the height of an embed cannot be measured. */
export type NoHeight = 'nothing-shown' | 'follows-its-frame';

/** Why a message did not get through. */
export type NoDelivery =
  | 'internal'
  | 'sign-in'
  | 'no-answer'
  | 'certificate'
  | 'refused'
  | 'no-mail-server'
  | 'answered'
  | 'ended'
  | 'led-on';

/** What does not work in a code as it is shown. */
export type TroubleCode =
  | 'refuses-frames'
  | 'not-there'
  | 'no-answer'
  | 'not-loaded'
  | 'blocked'
  | 'script-stopped'
  | 'nothing-shown';

/** What a visitor’s browser does for something. */
export interface Weighed {
  requests: number;
  hosts: number;
  /** What came in, as people read it: `12 kB`. */
  size: string;
  /** In milliseconds. */
  blocked: number;
  cookies: number;
}

/** What an error is called, and what it says of its facts; one that is not there is nothing. */
export interface ErrorWords {
  title: string;
  detail: (facts: Readonly<Record<string, string | number | boolean | null | undefined>>) => string;
}

/** What a rule found: what is wrong and why it matters, and what to do. */
export interface FindingWords {
  message: Sentence;
  remedy: Sentence;
}

/** What an option is called and does. */
export interface OptionWords {
  /** A word or two, as the label of a field. */
  label: string;
  /** One sentence for owners. */
  explain: string;
  /** What is done with this value, as the beginning of a sentence: “Start at 1:52”. */
  done: (value: string) => string;
  /** What its values are called, where they are words. */
  words?: Readonly<Record<string, string>>;
}

/** How many placements there are on a page or site, and how many were last seen there. */
export interface StandingFacts {
  placements: number;
  seen: number;
}

/** How a chain of hashes can be broken. */
export type ChainFault = 'changed' | 'missing' | 'added' | 'cut' | 'other';

/** How much somebody has made, and by how much they are let in. */
export type PersonMade = Record<'embeds' | 'placements' | 'changes', number>;
export type PersonSignedIn = Record<'sessions' | 'tokens' | 'planLinks', number>;

/** What people are, and what they may do. */
export interface PeopleWords {
  roles: Readonly<Record<PersonRole, string>>;
  /** What a role does more than the one below it: a clause behind “somebody who”. */
  may: Readonly<Record<PersonRole, string>>;
  /** What a right is for, as a verb with its object. */
  rights: Readonly<Record<Right, string>>;
  /** What somebody is: “editor of everything and placer of hollinfell”. */
  grants: (rights: Rights<string>) => string;
  /** All of several names, and one of them. */
  listed: (names: readonly string[]) => string;
  either: (names: readonly string[]) => string;
  /** Whom to ask; empty where nobody is known. */
  askFor: (names: readonly string[]) => string;
  /** Who may do something, and whom to ask, in sentences. */
  takes: (right: Right, names: readonly string[]) => string;
  /** What somebody has made, and with what they are signed in. */
  made: (standing: PersonMade) => string;
  signedIn: (standing: PersonSignedIn) => string;
  /** What becomes of somebody’s work and of what lets them in when they are removed, in sentences. */
  removing: (name: string, standing: PersonMade & PersonSignedIn) => string;
  /** What was done to somebody, in a few words without a full stop. */
  done: {
    invited: (name: string, rights: Rights<string>) => string;
    changed: (name: string, rights: Rights<string>) => string;
    link: (name: string) => string;
    removed: (name: string) => string;
  };
  /** Whether an invitation went out by mail, and what is to be done: a sentence. */
  mailed: Readonly<Record<'sent' | 'failed' | 'no-mail-server' | 'no-address', string>>;
  /** The mail that goes out with an invitation. */
  invitation: {
    subject: (by: string | null) => string;
    text: (facts: { name: string; by: string | null; grants: string; link: string; until: string }) => string;
  };
}

/**
 * A language in which Orbis speaks to owners, with the words for every code: a folder of its own beside
 * `en/`, which every function that makes sentences takes.
 */
export interface Language {
  /** By the names of options. */
  options: Readonly<Record<string, OptionWords>>;
  /** When what is asked holds, at the end of a label or a clause: “on phones”. */
  conditions: Readonly<Record<Condition, string>>;
  /** Parameters that are set by hand. */
  byHand: OptionWords;
  /** What a value could have been: “on or off”. */
  expected: Readonly<Record<string, Sentence>>;
  /**
   * Why something was changed: clauses without a full stop, which are joined, or sentences with one. `done`
   * is among the facts.
   */
  reasons: Readonly<Record<string, Sentence>>;
  /**
   * What is said of the weight of an embed and of the bare code: as it comes, and after a click, where that
   * asks for more.
   */
  weighed: Readonly<Record<'embed' | 'bare', string>> & {
    then: (loaded: string, clicked: string | null) => string;
  };
  /** Why nobody can tell how high an embed is, in a sentence. */
  noHeight: Readonly<Record<NoHeight, string>>;
  /** How often a served frame was shown since a day, at how many addresses that were named, in a sentence. */
  hits: (counted: { since: string; times: number; named: number; elsewhere: number }) => string;
  /** Which addresses were not taken for pages of a site, in a sentence; empty where there were none. */
  noPages: (counts: Readonly<Record<'elsewhere' | 'question' | 'odd', number>>) => string;
  /** What a code wants of a host, by what browsers call it. */
  contactUses: Readonly<Record<string, string>>;
  /** That a height is the guess of a sheet, in sentences; `because` is a sentence. */
  guessedHeight: (provider: string, height: number, because: string) => string;
  /** What does not work in a code as it is shown, in sentences. */
  troubles: Readonly<Record<TroubleCode, Sentence>>;
  /** What a visitor’s browser does for something, as a clause: “4 requests to 1 host, 12 kB”. */
  weight: (weighed: Weighed) => string;
  /** Where a colour of a site stands: “background of the page”. */
  colourPlace: (place: { property: string; selector: string }) => string;
  /** What the parts of a code are called that it could do without, by their names. */
  parts: Readonly<Record<string, string>>;
  /** Why a code cannot do without a part, as a clause. */
  neededParts: Readonly<Record<'required-field' | 'robot-trap', string>>;
  /** What a mending does, in a sentence. */
  mends: Readonly<Record<string, Sentence>>;
  /** What is wrong with a text that should be YAML: a clause for each code of its reader. */
  yamlFaults: Readonly<Record<YAMLError['code'], string>>;
  /** What people are and may do. */
  people: PeopleWords;
  /** What people sign in by. */
  security: SecurityWords;
  /** Safety copies. */
  copies: CopyWords;
  /** What the examination of an installation finds. */
  doctor: {
    names: Readonly<Record<DoctorCheck, string>>;
    states: Readonly<Record<DoctorState, string>>;
    found: Readonly<Record<DoctorCode, DoctorWords>>;
  };
  /** Where the chain of the audit log is broken, by the number of an entry; and that it holds. */
  audit: {
    faults: Readonly<Record<ChainFault, (number: number) => string>>;
    holds: (entries: number) => string;
    /** That a safety copy was made at the server, in a few words. */
    copied: (file: string) => string;
  };
  /** What was done, in a few words. */
  changes: ChangeWords;
  /** What taking a change back does not reach: a sentence. */
  remains: { [K in Remains['code']]: (facts: Extract<Remains, { code: K }>) => string };
  /** What a kind is called in a sentence: one of it with its article, and several. */
  kindNames: Readonly<Record<Kind, { one: string; many: string }>>;
  /** What speaks for the kind of a code: clauses. */
  evidence: Readonly<Record<string, Sentence>>;
  /**
   * Why a line of a learned sheet is as it is: clauses, joined by commas; what speaks
   * for a kind may be among them.
   */
  learned: Readonly<Record<string, Sentence>>;
  /** What each rule found. */
  findings: Readonly<Record<string, FindingWords>>;
  /** What findings are called in a word or two, by their rules. */
  findingTitles: Readonly<Record<string, string>>;
  /** What is otherwise on a page than it was handed out: sentences. */
  differences: Readonly<Record<string, Sentence>>;
  /** Why nothing can be learned of some samples, and what would do. */
  learnProblems: Readonly<Record<LearnProblem['code'], Sentence>>;
  /** What a line of a proposal is about. */
  learnedAbout: Readonly<Record<LearnedLine['what'], string>>;
  /**
   * What a line is taken for, where that is no word of its own: light or dark, nothing yet, or no setting.
   */
  learnedMeaning: Readonly<Record<'look' | 'open' | 'none', string>>;
  /** A step of an address, counted from 1. */
  step: (number: string) => string;
  /**
   * What joins clauses: the last two of several, what is missing to what there is, and a
   * reason to what was done.
   */
  joints: Readonly<Record<'and' | 'andMissing' | 'because', string>>;
  /** What the states of a placement are called. */
  stateNames: Readonly<Record<string, string>>;
  /** Why a link, an answer about it, or an entry in a list of providers cannot be used: clauses. */
  links: Readonly<Record<string, Sentence>>;
  /** Why a frame is given a sandbox token: clauses. */
  sandboxTokens: Readonly<Record<string, Sentence>>;
  /** What each token lets a document do. */
  tokenWords: Readonly<Record<string, string>>;
  /** What each way to place a code gives and costs, in sentences. */
  frameWays: Readonly<Record<FrameWay, Readonly<Record<'gives' | 'costs', string>>>>;
  /** Why a way to place a code is recommended: clauses. */
  advice: Readonly<Record<string, Sentence>>;
  /** The search language: what its fields mean, and what is wrong with a search. */
  search: { fields: Readonly<Record<SearchField, string>>; problems: Readonly<Record<string, Sentence>> };
  /** What is said of a value that is not as a schema asks: clauses that its name stands before. */
  misfits: Readonly<Record<string, Sentence>>;
  /** Why an option cannot be fulfilled. `expected` is among the facts. */
  problems: Readonly<Record<string, { title: string; detail: Sentence }>>;
  /** Where a value comes from, behind it: “from the embed”. */
  levels: Readonly<Record<OptionLevel | 'code', string>>;
  /** What became of a specimen, and what only the owner can say of an editor: sentences. */
  editor: {
    /** What of a piece came through otherwise than it was; empty where nothing did. */
    kept: (piece: {
      name: string;
      lost: readonly string[];
      changed: readonly { name: string; now: string }[];
    }) => string;
    questions: Readonly<Record<OpenQuestion, () => string>>;
    /** What the pieces in one state have in common: “Taken out: div and span.” */
    together: Readonly<Record<Exclude<PieceSeen['state'], 'kept'>, (names: readonly string[]) => string>>;
    /** What an editor means for the codes that are handed out for it. */
    meaning: (lets: {
      code: boolean;
      scripts: boolean;
      frames: boolean;
      /** Ids, classes and attributes of data. */
      names: boolean;
      links: boolean;
    }) => string;
    /** What of several names it takes out: “all but a, iframe”. */
    takenNames: (taken: TakenNames) => string;
    /** What is still to be said where a plan’s steps begin: when it is live, what the editor shows. */
    working: (rules: Pick<EditorRules, 'delay' | 'showsUnpublished'>) => string;
  };
  /** What stands in the head of a whole site. */
  /** On how many places a change shows, as a noun; at `most` they were not counted on. */
  reach: (reach: { placements: number; pages: number; sites: number }, most: number) => string;
  /** What becomes of what is placed on a page or site; at `most` it was not counted on. */
  standing: {
    removed: (standing: StandingFacts, most: number) => string;
    moved: (standing: StandingFacts, most: number) => string;
  };
  siteHead: {
    called: (thing: { what: OnceKind; name: string }) => string;
    /** What holds of it and what is to be done; `when` writes a time as people read it. */
    says: (
      thing: {
        action: 'paste' | 'already-there' | 'take-out' | 'wait' | 'offered';
        kept: boolean;
        recommended: boolean;
        pages: number;
        resting: number;
        unneededSince: string | null;
        /** Whether the page that was read last had it; null where none was. */
        seen: { stands: boolean; on: string | null } | null;
      },
      when: (time: string) => string,
    ) => string;
  };
  /** Whom browsers contact for what is placed, as a privacy statement tells it. */
  thirdParties: {
    heads: Readonly<Record<'name' | 'purpose' | 'when' | 'hosts', string>>;
    /** What embeds of these kinds do, in one clause. */
    purposes: (kinds: readonly Kind[]) => string;
    loads: Readonly<Record<'at-once' | 'waits' | 'both', string>>;
  };
  /** What placed embeds load from elsewhere. */
  loaded: {
    /** What something is, without an article. */
    uses: Readonly<Record<ResourceUse, string>>;
    states: Readonly<Record<ResourceState, string>>;
    /** How long something took, of milliseconds. */
    took: (milliseconds: number) => string;
    /** How many addresses of a host there are, and with how many something is wrong. */
    summary: (counts: { resources: number; faulty: number }) => string;
  };
  /** What the provider of an embed keeps of it, as the words of a link; and that nothing is to be pasted. */
  kept: Readonly<Record<KeptThing, (provider: string) => string>> & { instant: string };
  /** What a browser saw of published pages. */
  looks: {
    /** What the windows of these widths are, as labels. */
    devices: Readonly<Record<LookWidth, string>>;
    /** What a page complains of, of its host and what was said. */
    complaints: Readonly<Record<ComplaintCode, (facts: Facts) => string>>;
    size: (box: { width: number; height: number } | null) => string;
    shows: (shows: boolean | null, box: object | null) => string;
    /** How far a page jumps while it loads, as a clause. */
    moved: (moved: number) => string;
    loads: (load: { requests: number; size: string }) => string;
    playing: (seen: SeenPlaying) => string;
    sent: (seen: { isSent: boolean; host: string | null; fields: readonly string[] }) => string;
  };
  /** The check of a whole site. */
  inspections: {
    /** How far it is. */
    progress: (of: {
      sweep: string | null;
      readAt: string | null;
      pages: { of: number; done: number };
      looks: { of: number; done: number };
    }) => string;
    /** What came of it. */
    result: (of: {
      state: string;
      well: number;
      lost: number;
      pages: { of: number; done: number };
    }) => string;
    /** That so many placements were looked at for the first time. */
    unknown: (placements: number) => string;
    looked: (pages: number) => string;
    notLooked: (page: { page: string; why: string }) => string;
    /** When something was well that is not now: when it was seen so, or until when. */
    wellUntil: (when: string, isSeen: boolean) => string;
  };
  /** For how long something is out of date, by how long that is at most. */
  outOfDateFor: Readonly<Record<OutOfDateFor, string>>;
  /** What happened to a thing. */
  history: {
    changed: (said: string, by: string | null, isUndone: boolean) => string;
    /** What a sweep saw otherwise, before the states. */
    seen: (seen: { embed: string; place: string }) => string;
    /** That somebody looked at a page, and with how many embeds something was wrong. */
    looked: (wrong: number) => string;
  };
  /** The feed of what was done. */
  feed: { title: string; undone: (said: string) => string };
  /** What has been agreed upon for an embed or with a provider. */
  /** What is seen at a further address of a site, where it would be live at the site’s own. */
  seenElsewhere: string;
  /** Where a sweep read that did not read what is published. */
  readElsewhere: (address: string) => string;
  /** That something which was found on a page does not hold any more; `message` is a sentence. */
  notSoAnyMore: (message: string) => string;
  /** Of what a sweep saw before, so many are not placed on the page any more. */
  noLongerPlaced: (embeds: number) => string;
  /** The days of the week, from Monday on. */
  weekdays: Record<Weekday, string>;
  /** When the pages of a site are read by themselves. */
  schedule: (schedule: Schedule | null) => string;
  /** That a sweep waits for a host that is too busy. */
  sweepWaits: (waits: { host: string; until: string }, when: (at: string) => string) => string;
  spots: {
    size: (room: SpotRoom) => string;
    /** Which pages have a spot that many have, by how their paths begin. */
    sharedBy: (under: string) => string;
    /** Where an element does not show on these devices. */
    hidden: (devices: readonly SpotDevice[]) => string;
    /** Where the element that a spot is in is not found. */
    notThere: (spot: string) => string;
    fixedSizes: Record<FixedSizeName, string>;
  };
  terms: {
    labels: Readonly<Record<keyof Terms, string>>;
    price: (price: Price) => string;
    /** What `views` is called, and where they are counted. */
    viewsSoFar: string;
    countedWhere: string;
    /** How often it was shown, of how many times; null where no limit is said. */
    views: (times: number, most: number | null) => string;
    /** A day as people read it, of `YYYY-MM-DD`. */
    day: (date: string) => string;
    personalData: (may: boolean) => string;
    costs: (costs: readonly { currency: string; amount: number }[]) => string;
  };
  /** What is wrong with a comment that marks a place of a file, behind the file and its line. */
  fillFaults: Readonly<Record<FillFault['code'], (found: string) => string>>;
  /** What is done in a step of a page’s plan, as the beginning of a line. */
  planActions: Readonly<Record<PlanAction, string>>;
  /** Blocks, which are pasted once and shown by many pages. */
  blocks: {
    /** Which pages show one, and where. */
    shownBy: (block: { under: string | null; stands: BlockStands }) => string;
    /** That a page shows one that has embeds in it. */
    shows: (block: { title: string; placements: number }) => string;
  };
  /** Where a step of a plan is done; for how many placements, where it is of no place. */
  stepAt: (
    step: { action: PlanAction; position: SnippetPosition; place: string | null },
    of: { placements: number; isBlock: boolean },
  ) => string;
  /** Where a snippet is pasted. */
  positions: Readonly<Record<SnippetPosition, string>>;
  /** Where one is taken out that nothing needs any more. */
  positionsLeft: Readonly<Record<SnippetPosition, string>>;
  /** What the presets that come with Orbis are for. */
  presets: Readonly<Record<string, string>>;
  /** Every error that is not about one option. */
  errors: Readonly<Record<string, ErrorWords>>;
  /** What each state of a placement means for its owner. */
  states: Readonly<Record<string, string>>;
  /** What each role of a part is, for people who do not know HTML. */
  roles: Readonly<Record<Role, string>>;
  /** How it was found out what a link is. */
  foundBy: Readonly<Record<string, string>>;
  /** Where a provider's sheet comes from. */
  sheetOrigins: Readonly<Record<string, string>>;
  /** News of what sweeps find, as it goes out by mail and in feeds, and what becomes of it. */
  news: {
    kinds: Readonly<Record<NewsKind, string>>;
    /** One piece of news in a line: what was found, of what, and where. */
    one: (facts: { kind: NewsKind; title: string; what: string | null; where: string }) => string;
    /** How much there is, in a line; `site` where it is all on one. */
    many: (counts: Readonly<Record<NewsKind, number>>, site: string | null) => string;
    more: (count: number) => string;
    all: (address: string) => string;
    because: (channel: string, address: string) => string;
    trial: string;
    trialSays: (channel: string) => string;
    feedTitle: (channel: string) => string;
    channels: Readonly<Record<ChannelKind, string>>;
    states: Readonly<Record<MessageState, string>>;
    /** Why a message did not get through. */
    failures: Readonly<Record<NoDelivery, Sentence>>;
  };
}
