import { planActions, positions } from '@orbis/core';
import { count, label, publicId, time } from './common.ts';
import { editorRules } from './editor-rules.ts';
import { snippet } from './edits.ts';
import { pageKey, spotKey } from './place.ts';
import { blockPlacing, placementFinding } from './register.ts';
import { z } from './zod.ts';

/** Names a step by what is done and with what: another code, or another place, is another step. */
const stepId = z
  .string()
  .regex(/^[0-9a-f]{16}$/)
  .meta({ description: 'Of the step: another code, or another place, is another step' });

const planStep = z.object({
  id: stepId,
  action: z.enum(planActions),
  position: z.enum(positions),
  digest: z.string().nullable(),
  place: spotKey.nullable(),
  text: z.string().nullable().meta({ description: 'What is taken out, where no place says it' }),
  fields: z
    .array(z.object({ label: z.string(), value: z.string() }))
    .meta({ description: 'What the editor asks for beside the code, filled in' }),
  ticked: z
    .object({ at: time, by: z.string() })
    .nullable()
    .meta({ description: 'Who says that it is done; what a sweep has seen needs no tick' }),
});

/** What a page needs, all of its placements together. */
export const pagePlan = z
  .object({
    page: pageKey,
    snippets: z
      .array(snippet.extend({ text: z.string(), digest: z.string(), placements: z.array(publicId) }))
      .meta({ description: 'By position, then by place' }),
    steps: z
      .array(planStep)
      .meta({ description: 'What to do, in the order of the work; what is only taken out has no snippet' }),
    findings: z.array(placementFinding.extend({ placements: z.array(publicId) })),
    block: blockPlacing.nullable().meta({ description: 'Of a block, which pages show it; null for a page' }),
    shows: z
      .array(z.object({ page: pageKey, title: z.string(), placements: count }))
      .meta({ description: 'Blocks that the page shows and that have embeds: each has a plan of its own' }),
    editor: editorRules
      .pick({ notes: true, delay: true, showsUnpublished: true })
      .meta({ description: 'How one works with the site’s editor' }),
  })
  .meta({ id: 'PagePlan' });

/** Whether a step of a plan is done. */
export const stepTick = z.strictObject({
  step: stepId,
  done: z.boolean().default(true).meta({ description: 'False takes the tick back' }),
});

/** So many days a link to a plan holds at most. */
export const mostLinkDays = 60;

/** A link by which somebody who is not signed in sees the steps of one page, and ticks them. */
export const planLink = z
  .object({
    id: publicId,
    name: z.string().meta({ description: 'Whom it is for; ticks made by it carry this name' }),
    createdAt: time,
    expiresAt: time,
  })
  .meta({ id: 'PlanLink' });

export const newPlanLink = z.strictObject({
  name: label(80).meta({ description: 'Whom it is for', example: 'The web desk' }),
  days: z.number().int().min(1).max(mostLinkDays).default(14).meta({ description: 'How long it holds' }),
});

export const planLinkMade = planLink
  .extend({ url: z.string().meta({ description: 'The link itself; it is shown only this once' }) })
  .meta({ id: 'PlanLinkMade' });

/** The secret of a link: what stands behind the # of its address. */
const secret = z.string().max(200).meta({ description: 'What stands behind the # of the link' });
export const byPlanLink = z.strictObject({ link: secret });
export const stepByLink = byPlanLink.extend({ step: stepId });
export const tickByLink = stepTick.extend({ link: secret });

/** The steps of one page, as whoever has a link sees them. */
export const sharedPlan = pagePlan
  .omit({ findings: true, shows: true })
  .extend({
    title: z.string(),
    url: z.string(),
    name: z.string().meta({ description: 'Whom the link is for' }),
    embeds: z
      .array(z.object({ placement: publicId, name: z.string() }))
      .meta({ description: 'What the owner calls the embeds' }),
    expiresAt: time,
  })
  .meta({ id: 'SharedPlan' });

/** What is pasted for a step, with its number. */
export const handedOut = z.object({ text: z.string() }).meta({ id: 'HandedOut' });

export type PagePlan = z.infer<typeof pagePlan>;
export type PlanStep = z.infer<typeof planStep>;
export type PlanLink = z.infer<typeof planLink>;
export type SharedPlan = z.infer<typeof sharedPlan>;
