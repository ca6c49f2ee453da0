import type { ConsoleMessage, Page } from 'playwright-core';
import type { ComplaintCode } from '@orbis/contract';

/** What a page complains of, as developers read it in their browser’s console. */
export interface Complaint {
  code: ComplaintCode;
  /** Of what it is about, else of what complained; empty where neither has one. */
  host: string;
  /** What was said, or the status that came: as the page or the browser has it. */
  text: string;
  times: number;
}

/* So many are kept, and so much of each. */
const [most, longest] = [40, 200];

/** Listens to what a page complains of; the same is said once. */
export function hearComplaints(page: Page): () => Complaint[] {
  const heard = new Map<string, Complaint>();
  const note = (complaint: Omit<Complaint, 'times'>): void => {
    const text = plain(complaint.text);
    const key = `${complaint.code} ${complaint.host} ${text}`;
    const known = heard.get(key);
    if (known) known.times += 1;
    else if (heard.size < most) heard.set(key, { ...complaint, text, times: 1 });
  };
  page.on('console', (message) => {
    if (message.type() === 'error') note(complaintOf(message));
  });
  page.on('pageerror', (error) => {
    const at = /https?:\/\/[^\s)]+/.exec(error.stack ?? '')?.[0] ?? page.url();
    note({ code: 'broke', host: hostOf(at), text: error.message });
  });
  return () => [...heard.values()];
}

/* How Chromium begins what it says itself. */
function complaintOf(message: ConsoleMessage): Omit<Complaint, 'times'> {
  const text = message.text();
  const about = /'(https?:\/\/[^']*)'/.exec(text)?.[1];
  const host = hostOf(about ?? message.location().url);
  if (/^(?:Refused to (?:display|frame)|Framing ')/.test(text))
    return { code: 'frame-refused', host, text: '' };
  if (text.includes('Content Security Policy')) return { code: 'kept-out', host, text: '' };
  if (text.startsWith('Mixed Content')) return { code: 'mixed', host, text: '' };
  if (text.startsWith('Failed to load resource')) {
    const status = /status of (\d{3})/.exec(text)?.[1] ?? '';
    return { code: 'not-loaded', host: hostOf(message.location().url), text: status };
  }
  return { code: 'said', host: hostOf(message.location().url), text };
}

const hostOf = (url: string): string => (URL.canParse(url) ? new URL(url).host : '');

/* Foreign text in one line, without what terminals would follow. */
const plain = (text: string): string =>
  text
    .replace(/[\p{Cc}\p{Cf}\p{Cs}\s]+/gu, ' ')
    .trim()
    .slice(0, longest);
