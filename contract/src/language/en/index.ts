import type { Language } from '../language.ts';
import { differences, findingTitles } from './attention.ts';
import { audit } from './audit.ts';
import { blocks, stepAt } from './blocks.ts';
import { changes, feed, remains } from './change-log.ts';
import { expected, reasons } from './changes.ts';
import { editor } from './editor.ts';
import { fillFaults } from './fill-faults.ts';
import { siteHead } from './site-head.ts';
import { reach, standing } from './standing.ts';
import { spots } from './spots.ts';
import { terms } from './terms.ts';
import { thirdParties } from './third-parties.ts';
import { errors } from './errors.ts';
import { findings } from './findings.ts';
import { kindNames } from './kinds.ts';
import { kept } from './kept.ts';
import { learned, learnedAbout, learnedMeaning, learnProblems, step } from './learned.ts';
import { links } from './links.ts';
import { byHand, conditions, options } from './options.ts';
import { loaded, loadedTitles } from './loaded.ts';
import { history, inspections, outOfDateFor } from './inspections.ts';
import { looks, seenTitles } from './looks.ts';
import { misfits } from './misfits.ts';
import { news } from './news.ts';
import { copies } from './copies.ts';
import { doctor } from './doctor.ts';
import { people } from './people.ts';
import { security } from './security.ts';
import { problems } from './problems.ts';
import { evidence, mends } from './reading.ts';
import { search } from './search.ts';
import { troubles } from './troubles.ts';
import {
  colourPlace,
  foundBy,
  contactUses,
  hits,
  noPages,
  guessedHeight,
  joints,
  levels,
  neededParts,
  noHeight,
  parts,
  planActions,
  positions,
  positionsLeft,
  advice,
  frameWays,
  sandboxTokens,
  tokenWords,
  presets,
  roles,
  sheetOrigins,
  stateNames,
  states,
  weighed,
  weight,
} from './words.ts';
import { yamlFaults } from './yaml.ts';

const weekdays: Language['weekdays'] = {
  monday: 'Monday',
  tuesday: 'Tuesday',
  wednesday: 'Wednesday',
  thursday: 'Thursday',
  friday: 'Friday',
  saturday: 'Saturday',
  sunday: 'Sunday',
};

/** English. Every code of the core and of the contract has its words here. */
export const en = {
  editor,
  siteHead,
  reach,
  standing,
  fillFaults,
  seenElsewhere: 'there',
  notSoAnyMore: (message) => `Not so any more: ${message}`,
  noLongerPlaced: (embeds) =>
    embeds === 1 ? '1 embed is not placed here any more.' : `${embeds} embeds are not placed here any more.`,
  weekdays,
  schedule: (when) => {
    if (when === null) return 'only when somebody asks';
    const { every, at, zone } = when;
    if (every === 'hour') return `every hour, ${Number(at.slice(3))} minutes past`;
    return `every ${every === 'day' ? 'day' : weekdays[every]} at ${at} (${zone})`;
  },
  sweepWaits: ({ host, until }, when) =>
    `${host} said that it is too busy. It is left alone, and asked again: ${when(until)}.`,
  readElsewhere: (address) =>
    `Read at ${address}: what is seen there says nothing of what is published, and changes nothing in the register.`,
  spots,
  terms,
  thirdParties,
  feed,
  options,
  byHand,
  conditions,
  changes,
  remains,
  expected,
  reasons,
  mends,
  misfits,
  yamlFaults,
  kindNames,
  evidence,
  findings,
  findingTitles: { ...findingTitles, ...loadedTitles, ...seenTitles },
  kept,
  news,
  copies,
  doctor,
  people,
  security,
  audit,
  loaded,
  looks,
  inspections,
  history,
  outOfDateFor,
  differences,
  learned,
  learnProblems,
  learnedAbout,
  learnedMeaning,
  step,
  joints,
  stateNames,
  links,
  advice,
  frameWays,
  sandboxTokens,
  tokenWords,
  search,
  problems,
  errors,
  levels,
  colourPlace,
  neededParts,
  parts,
  noHeight,
  contactUses,
  hits,
  noPages,
  guessedHeight,
  troubles,
  planActions,
  blocks,
  stepAt,
  positions,
  positionsLeft,
  presets,
  states,
  weighed,
  weight,
  roles,
  foundBy,
  sheetOrigins,
} satisfies Language;
