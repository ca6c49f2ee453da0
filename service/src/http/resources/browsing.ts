import type { Deps } from '../../deps.ts';
import { readPicture, takePicture } from '../../usecases/embed-picture.ts';
import { inquire } from '../../usecases/inquire.ts';
import { heights, picture, weights } from '../../usecases/looking.ts';
import { takeStill } from '../../usecases/still.ts';
import { surveyPage } from '../../usecases/survey-page.ts';
import type { Handlers, Named } from '../reply.ts';

/** What is looked at with a browser, and not kept. */
export function browsingHandlers(
  deps: Deps,
): Handlers<
  | Named<'inquiries' | 'pictures' | 'stills' | 'measurements' | 'weighings' | 'pageSurveys'>
  | 'embeds.picture'
  | 'embeds.photograph'
> {
  const at = (): string => deps.now().toISOString();
  return {
    'inquiries.create': async ({ body }) => ({ data: await inquire(body, deps) }),
    'pictures.create': async ({ body, signal }) => {
      const { png, width, height } = await picture(body, deps, signal);
      return { data: { type: 'image/png', width, height, data: png.toString('base64') } };
    },
    'embeds.picture': ({ params }) => readPicture(params.embed, deps),
    'embeds.photograph': async ({ params, body, signal }) => ({
      data: await takePicture(params.embed, body.of, deps, deps.now(), signal),
    }),
    'stills.create': async ({ body, signal }) => ({ data: await takeStill(body, deps, signal) }),
    'measurements.create': async ({ body, signal }) => ({
      data: { ...(await heights(body, deps, signal)), at: at() },
    }),
    'pageSurveys.create': async ({ params, body, signal }) => ({
      data: await surveyPage({ ...params, ...body }, deps, signal),
    }),
    'weighings.create': async ({ body, signal }) => ({
      data: { ...(await weights(body, deps, signal)), at: at() },
    }),
  };
}
