import { keptFinding } from './attention.ts';
import { mostTermsToSee, mostToDo, mostToTell } from './counting.ts';
import { count, time } from './common.ts';
import { copyStandings } from './copy-states.ts';
import { placementStates } from './register.ts';
import { terms } from './terms.ts';
import { z } from './zod.ts';

/** What wants doing, and how far a new owner has come. */
export const today = z
  .object({
    states: z
      .array(
        z.object({
          state: z.enum(placementStates),
          count: count.meta({ description: `At most ${mostToDo}: then there may be more` }),
        }),
      )
      .meta({
        description: 'Placements that are not as they should be, the worst first; none where none is',
      }),
    waiting: count.meta({ description: 'Placements of which that is still being worked out' }),
    has: z
      .object({
        embeds: z.boolean(),
        spots: z.boolean(),
        placements: z.boolean(),
        seen: z.boolean().meta({ description: 'Whether anything was ever seen on a page' }),
      })
      .meta({ description: 'What there is already' }),
    findings: z
      .array(keptFinding)
      .meta({ description: `What wants attention first, the worst; at most ${mostToTell}` }),
    open: count.meta({ description: 'How many findings are open' }),
    undelivered: count.meta({
      description: 'Messages with news that were given up; counted up to 200',
    }),
    terms: z.array(terms).meta({
      description: `Contracts and limits that want looking at, the worst first; at most ${mostTermsToSee}`,
    }),
    copies: z.enum(copyStandings).meta({ description: 'How it stands with safety copies' }),
    copyReadBack: z.boolean().meta({ description: 'Whether that one was read back' }),
    copiedAt: time.nullable().meta({ description: 'Of which moment the last good safety copy is' }),
    sweptAt: time.nullable().meta({ description: 'When pages were last read to the end of a sweep' }),
  })
  .meta({ id: 'Today' });

export type Today = z.infer<typeof today>;
