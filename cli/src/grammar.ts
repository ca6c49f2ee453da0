import type { Command } from 'commander';
import type { AddCommand, Run } from './command.ts';
import { addAdjust } from './commands/adjust.ts';
import { addAudit } from './commands/audit.ts';
import { addAsk } from './commands/ask.ts';
import { addAttention } from './commands/attention.ts';
import { addCheck } from './commands/check.ts';
import { addCollect } from './commands/collect.ts';
import { addBringBack, addCompare } from './commands/compare.ts';
import { addColours } from './commands/colours.ts';
import { addCompletion } from './commands/completion.ts';
import { addDoctor } from './commands/doctor.ts';
import { addCopies } from './commands/copies.ts';
import { addCopy } from './commands/copy.ts';
import { addEditor } from './commands/editor.ts';
import { addEvents } from './commands/events.ts';
import { addFill } from './commands/fill.ts';
import { addHarvest } from './commands/harvest.ts';
import { addHistory } from './commands/history.ts';
import { addInspect } from './commands/inspect.ts';
import { addExport } from './commands/export.ts';
import { addImport } from './commands/import.ts';
import { addLearn } from './commands/learn.ts';
import { addLogin } from './commands/login.ts';
import { addAreas } from './commands/looking/areas.ts';
import { addLook } from './commands/looking/look.ts';
import { addMeasure } from './commands/looking/measure.ts';
import { addPicture } from './commands/looking/picture.ts';
import { addPreview } from './commands/looking/preview.ts';
import { addStill } from './commands/looking/still.ts';
import { addWeigh } from './commands/looking/weigh.ts';
import { addMe } from './commands/me.ts';
import { addPeople } from './commands/people.ts';
import { addSecurity } from './commands/security.ts';
import { addOpen } from './commands/open.ts';
import { addOptions } from './commands/options.ts';
import { addContacts } from './commands/looking/contacts.ts';
import { addPages } from './commands/pages.ts';
import { addPermissions } from './commands/permissions.ts';
import { addPlace } from './commands/place.ts';
import { addHead } from './commands/head.ts';
import { addPlan } from './commands/plan.ts';
import { addRead } from './commands/read.ts';
import { addRenew } from './commands/renew.ts';
import { addSet } from './commands/set.ts';
import { addShrink } from './commands/shrink.ts';
import { addSpecimen } from './commands/specimen.ts';
import { addStatus } from './commands/status.ts';
import { addStyle } from './commands/style.ts';
import { addSweep } from './commands/sweep.ts';
import { addUndo } from './commands/undo.ts';
import { addViews } from './commands/views.ts';
import { addShare } from './commands/share.ts';
import { addTick } from './commands/tick.ts';
import { addTerms } from './commands/terms.ts';
import { addThirdParties } from './commands/third-parties.ts';
import { addWhere } from './commands/where.ts';
import { block } from './things/block.ts';
import { change } from './things/change.ts';
import { embed } from './things/embed.ts';
import { endpoint } from './things/endpoint.ts';
import { finding } from './things/finding.ts';
import { harvest } from './things/harvest.ts';
import { host } from './things/host.ts';
import { message } from './things/message.ts';
import { page } from './things/page.ts';
import { person } from './things/person.ts';
import { password } from './things/password.ts';
import { placement } from './things/placement.ts';
import { channel } from './things/channel.ts';
import { changelist } from './things/changelist.ts';
import { preset } from './things/preset.ts';
import { provider } from './things/provider.ts';
import { resource } from './things/resource.ts';
import { revision } from './things/revision.ts';
import { rules } from './things/rules.ts';
import { search } from './things/search.ts';
import { session } from './things/session.ts';
import { site } from './things/site.ts';
import { sharedSpot } from './things/shared-spot.ts';
import { spot } from './things/spot.ts';
import { sweep } from './things/sweep.ts';
import { token } from './things/token.ts';
import { verbs, type Thing, type Verb } from './things/thing.ts';

/* What is kept, in the order in which an owner meets it. */
const things: readonly Thing[] = [
  embed,
  revision,
  preset,
  rules,
  site,
  page,
  block,
  spot,
  sharedSpot,
  placement,
  search,
  changelist,
  sweep,
  finding,
  host,
  resource,
  channel,
  message,
  harvest,
  change,
  provider,
  endpoint,
  person,
  session,
  token,
  password,
];

/* The commands under their headings, in the order of the work. */
const groups: Readonly<Record<string, readonly AddCommand[]>> = {
  'The way of an embed:': [
    addCollect,
    addHarvest,
    addImport,
    addSet,
    addPermissions,
    addContacts,
    addRenew,
    addCompare,
    addBringBack,
    addPlace,
    addPlan,
    addTick,
    addShare,
    addHead,
    addFill,
    addSweep,
    addInspect,
    addHistory,
    addAsk,
    addAttention,
    addEvents,
    addWhere,
    addViews,
    addThirdParties,
    addTerms,
  ],
  'Looked at with a browser:': [addPreview, addStill, addMeasure, addWeigh, addPicture, addAreas, addLook],
  'What is kept, all of it by the same five verbs:': [
    ...(Object.keys(verbs) as Verb[]).map(addVerb),
    addCopy,
    addUndo,
    addExport,
    addPages,
    addColours,
    addStyle,
    addEditor,
    addSpecimen,
    addOpen,
    addStatus,
  ],
  'Without the service too:': [addRead, addAdjust, addOptions, addCheck, addShrink],
  'A provider that nobody knows:': [addLearn],
  'Who works with it:': [addPeople, addMe, addSecurity, addAudit, addCopies, addDoctor],
  'This program:': [addLogin, addCompletion],
};

/** Puts every command into the program. */
export function addCommands(program: Command, run: Run): void {
  for (const [heading, commands] of Object.entries(groups)) {
    program.commandsGroup(heading);
    for (const add of commands) add(program, run);
  }
}

function addVerb(verb: Verb): AddCommand {
  return (program, run) => {
    const command = program.command(verb);
    for (const thing of things) thing[verb]?.(command, run);
    command.description(`${verbs[verb]}: ${command.commands.map((each) => each.name()).join(', ')}`);
  };
}

/** The commands that do something themselves, with the words that lead there: `list embeds`. */
export function everyCommand(
  command: Command,
  path: readonly string[] = [],
): { path: string; command: Command }[] {
  return command.commands.flatMap((inner) => {
    const to = [...path, inner.name()];
    return inner.commands.length === 0 ? [{ path: to.join(' '), command: inner }] : everyCommand(inner, to);
  });
}
