import type { AddCommand } from '../../command.ts';
import { addAdd } from './add.ts';
import { addCheck } from './check.ts';
import { addCopy } from './copy.ts';
import { addEndpoints } from './endpoints.ts';
import { addExport } from './export.ts';
import { addImport } from './import.ts';
import { addLearn } from './learn.ts';
import { addList } from './list.ts';
import { addRemove } from './remove.ts';
import { addShow } from './show.ts';

/** What Orbis knows of providers: their sheets, which are files of data. */
export const addProviders: AddCommand = (program, run) => {
  const providers = program
    .command('providers')
    .description('what Orbis knows of providers: their sheets, which are files of data');
  for (const add of [
    addList,
    addShow,
    addCheck,
    addAdd,
    addLearn,
    addCopy,
    addExport,
    addImport,
    addEndpoints,
    addRemove,
  ])
    add(providers, run);
};
