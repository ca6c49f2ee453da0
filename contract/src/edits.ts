import { positions, stages } from '@orbis/core';
import { count, publicId } from './common.ts';
import { z } from './zod.ts';

const fact = z.union([z.string(), z.number(), z.boolean(), z.null()]);
const editReason = z
  .object({ stage: z.enum(stages), option: z.string(), code: z.string(), facts: z.record(z.string(), fact) })
  .meta({ id: 'EditReason', description: 'Why something is changed, as a code with facts' });
export const edit = z
  .object({
    start: count,
    end: count,
    text: z.string(),
    stage: z.enum(stages),
    options: z.array(z.string()),
    reasons: z.array(editReason),
    reason: z.string().meta({ description: 'The reasons in plain sentences' }),
  })
  .meta({ id: 'Edit', description: 'One change at exact positions of the code, with its reasons' });
const run = z.union([
  z.object({
    from: z.literal('source'),
    start: count,
    end: count,
    text: z.string(),
    of: publicId
      .optional()
      .meta({ description: 'Of a snippet that is made of several sources: the placement whose it is' }),
  }),
  edit
    .omit({ start: true, end: true })
    .extend({ from: z.literal('orbis'), instead: z.object({ start: count, end: count }).nullable() }),
]);
export const snippet = z.object({ position: z.enum(positions), runs: z.array(run) }).meta({
  id: 'Snippet',
  description: 'What is pasted at one position: every character is traced to the paste or to a reason',
});

export type Edit = z.infer<typeof edit>;
export type Snippet = z.infer<typeof snippet>;
