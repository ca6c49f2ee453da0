import { formatRule, whereFound, type KeptFinding } from '@orbis/contract';
import { isOfLook } from '@orbis/core';
import type { Tools } from '../command.ts';
import { fold, formatTimestamp, levelColour } from '../text.ts';

/** A finding in sentences: what, where, what exactly, what to do, and by which command. */
export function describeFinding(finding: KeptFinding, { colours, io }: Tools): string {
  const { id, level, message, remedy, details, isNew } = finding;
  const what = finding.embedName ?? formatRule(finding.rule);
  const news = isNew ? ` ${colours.bold('new')}` : '';
  const head = `${levelColour(level, colours)(level)} ${colours.bold(what)} ${whereOf(finding)}${colours.dim(id)}${news}`;
  const lines = [
    fold(message, io.width, '  '),
    ...details.map((each) => fold(`- ${each}`, io.width, '  ')),
    fold(remedy, io.width, '  '),
    ...statusOf(finding).map((each) => fold(each, io.width, '  ')),
    ...wayOf(finding).map((each) => `  ${colours.dim(each)}\n`),
  ];
  return `${head}\n${lines.join('')}`;
}

function whereOf(finding: KeptFinding): string {
  const { host, times, page } = finding;
  if (host !== null && page === null) return `from ${host} `;
  const more = times > 1 ? ` and ${times - 1} more` : '';
  const where = whereFound(finding);
  return where === '' ? '' : `in ${where}${more} `;
}

/* Where it is on another list than that of what wants doing. */
function statusOf({ list, until, reason, solvedAt, solvedBy }: KeptFinding): string[] {
  const why = reason === '' ? '' : `: ${reason}`;
  if (list === 'later') return [`It waits until ${formatTimestamp(until)}${why}.`];
  if (list === 'muted') return [`It is not told again${why}.`];
  if (list === 'solved')
    return [`Solved ${solvedBy === 'hand' ? 'by hand' : 'by itself'}, ${formatTimestamp(solvedAt)}.`];
  return [];
}

/* The command that does something about it. */
function wayOf({ rule, page, site, host, embed, id, facts, list }: KeptFinding): string[] {
  if (list !== 'open') return [];
  switch (rule) {
    case 'unregistered':
      return [`orbis change finding ${id} --collect`];
    case 'site-out-of-date':
      return [`orbis list placements --site ${site} --state out-of-date`];
    case 'site-head-missing':
    case 'site-head-left-over':
      return [`orbis head ${site}`];
    case 'moved':
    case 'copied':
      return [`orbis show placement ${String(facts['placement'])}`];
    case 'page-unreachable':
      return [`orbis sweep ${page}`];
    case 'built-by-scripts':
      return [`orbis change site ${site} --rendered yes`];
    case 'page-redirects':
      return facts['permanent'] === true ? [`orbis change page ${page} --path …`] : [];
    case 'contract-over':
    case 'contract-ends':
    case 'views-used-up':
    case 'views-run-short':
      return [`orbis terms ${embed ?? `--provider ${String(facts['provider'])}`}`];
    case 'code-renewed':
      return [`orbis change finding ${id} --take-in`];
    case 'clip-outside':
      return embed === null ? [] : [`orbis set ${embed} start=… end=…`];
    case 'file-too-large':
      return [`orbis shrink FILE --wide ${String(facts['room'])}`];
    default:
      if (host !== null && page === null) return [`orbis list resources --host ${host}`];
      if (page === null) return [];
      return [isOfLook(rule) ? `orbis look ${page}` : `orbis plan ${page}`];
  }
}
