import { time } from './common.ts';
import { z } from './zod.ts';

export const preview = z
  .object({
    url: z.string(),
    expiresAt: time,
    sandboxTokens: z.array(z.object({ token: z.string(), reason: z.string() })),
  })
  .meta({ id: 'Preview' });

export type Preview = z.infer<typeof preview>;
