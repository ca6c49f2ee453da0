/** Words about what keeps an installation safe: second factors, safety copies, its health. */
import type { CopyStandingKind, CopyState } from '../copy-states.ts';
import type { DemandedOf } from '../demanded-of.ts';

/** What was found of something that an installation needs, and what to do about it: sentences. */
export interface DoctorWords {
  said: (facts: Readonly<Record<string, string | number>>) => string;
  todo: (facts: Readonly<Record<string, string | number>>) => string | null;
}

/** Safety copies, as owners are told of them. */
export interface CopyWords {
  /** What one is: sentences. */
  explain: string;
  /** How far one is, and what came of it: behind “it”, without a full stop. */
  states: Readonly<Record<CopyState, string>>;
  /** How it stands with them: sentences. */
  standings: Readonly<Record<CopyStandingKind, string>>;
  /** How long they are kept: a sentence. */
  keeps: (keep: { days: number; weeks: number; months: number }) => string;
  /** What one has in it. */
  holds: (counts: { rows: number; files: number }) => string;
  /** When they are read back: a sentence. */
  readBack: Readonly<Record<'each' | 'weekly' | 'never', string>>;
}

/** Passkeys, codes of an app and recovery codes, as owners are told of them. */
export interface SecurityWords {
  /** What a second factor is for, and how each kind of it works: sentences. */
  explain: string;
  passkeys: string;
  codes: string;
  /** How many recovery codes are left, and what they are for. */
  recovery: (left: number) => string;
  /** What to do with recovery codes that are shown. */
  recoveryKeep: string;
  /** Of whom a second factor is demanded, and what that means: sentences. */
  demanded: Readonly<Record<DemandedOf, string>>;
  /** Who has none, with how many more, and what that means for them. */
  lacking: (names: readonly string[], more: number) => string;
  /** What somebody is told who has to set one up before all else. */
  mustSetUp: string;
  /** By what somebody signs in. */
  signsInBy: (factors: { codes: boolean; passkeys: number }) => string;
  /** What of that was taken away. */
  taken: (factors: { codes: boolean; passkeys: number }) => string;
  /** What was done, in a few words without a full stop. */
  done: {
    codesOn: string;
    codesOff: string;
    passkeyAdded: (name: string) => string;
    passkeyRemoved: (name: string) => string;
    recovery: string;
    demanded: Readonly<Record<DemandedOf, string>>;
    taken: (name: string) => string;
  };
}
