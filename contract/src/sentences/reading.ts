import type { Mend, Mended, Reading as CoreReading, Role } from '@orbis/core';
import { formatEvidence, formatKindReasons, formatMend } from '../language/index.ts';
import type { Reading } from '../reading.ts';
import { tellFinding } from './findings.ts';

/** A reading as it crosses a wire: reasons, evidence and findings with their sentences. */
export const tellReading = ({ kindReasons, ...reading }: CoreReading): Reading => ({
  ...reading,
  kindBecause: formatKindReasons(kindReasons),
  evidence: reading.evidence.map(({ reason, ...row }) => ({ ...row, reason: formatEvidence(reason) })),
  mending: reading.mending && { ...reading.mending, edits: reading.mending.edits.map(tellMend) },
  findings: reading.findings.map(({ mend, ...finding }) => ({ ...tellFinding(finding), mend: mend.map(tellMend) })),
});

const tellMend = ({ reason, ...edit }: Mend) => ({ ...edit, reason: formatMend(reason) });

/** A mended text as it crosses a wire. */
export const tellMended = ({ text, done }: Mended): { text: string; done: { rule: string; reason: string }[] } => ({
  text,
  done: done.map(({ rule, reason }) => ({ rule, reason: formatMend(reason) })),
});

/** What each role is, for people who do not know HTML. */
export const roleWords: Record<Role, string> = {
  loader: 'loads something from elsewhere',
  setup: 'a script of its own',
  style: 'rules for looks',
  mount: 'an empty place that a script fills',
  frame: 'a window onto the provider',
  media: 'a player for a file',
  form: 'a form',
  image: 'a picture',
  link: 'a link',
  fallback: 'for people who cannot see the rest',
  wrapper: 'a box around it',
  text: 'text',
  comment: 'a remark that nobody sees',
};

/** How it was found out what a link is. */
export const foundBy = {
  sheet: 'by the sheet of its provider',
  oembed: 'by the answer that its page names (oEmbed)',
  file: 'by the first bytes of the file',
  page: 'as a page that lets itself be shown in a frame',
} as const;

/** A number of bytes as people read it: `1.1 MB`. */
export const sayBytes = (bytes: number): string => (bytes < 1000 ? `${bytes} bytes` : bytes < 1e6 ? `${Math.round(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
