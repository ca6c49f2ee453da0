import {
  changesCodes,
  classFor,
  documentText,
  effectiveOptions,
  neutralMark,
  picturesOf,
  type Framed,
  type LevelledOptions,
} from '@orbis/core';
import type { Served } from '../store/served.ts';
import type { StoredPlacement } from '../store/placements.ts';
import { askedAt } from './asked.ts';
import { compositionOf } from './codes.ts';
import { pastedAt } from './page-plan.ts';
import type { RenderContext } from './render-context.ts';

/* A document of its own takes style rules apart from the code; whose they are does not matter there. */
const classInFrames = classFor('frame');

/**
 * What is served for a placement whose link was handed out: its code alone, without a mark, and what must be
 * known to serve it. What is kept apart from others of its page is served in a frame, whatever is asked.
 */
export async function servedFor(
  row: StoredPlacement,
  renderContext: RenderContext,
  keptApart: boolean,
): Promise<Served> {
  const { source, revision } = row;
  const asked = await askedInForm(row, renderContext, keptApart);
  const { code, composition } = await compositionOf(
    { base: source.base, found: source.found, asked },
    renderContext,
    { apart: classInFrames, language: row.site.language, frameStyle: row.site.frameStyle, servedAt: 'held' },
  );
  // One in a file or in the markup is not served; by its link all of it is shown.
  const framed = composition.framed?.way === 'served' ? composition.framed : null;
  const { parts, addresses, hosts, needs, kind, size } = code.reading;
  const maxWidth = effectiveOptions(asked).options['max-width'];
  return {
    text: framed?.text ?? documentText(composition.snippets),
    facts: {
      reading: { parts, addresses, hosts, needs, kind, size },
      sheet: code.sheet && {
        hosts: code.sheet.hosts,
        ...(code.sheet.tellsTime && { tellsTime: code.sheet.tellsTime }),
      },
      // What visitors may read: the owner’s own names, of embeds and of sites, are for the console only.
      title: (revision.options['title'] as string | undefined) ?? code.title ?? source.found?.title ?? null,
      content: code.content,
      permissions: code.permissions,
      thumbnail: source.found?.thumbnail ?? null,
      maxWidth: typeof maxWidth === 'number' ? maxWidth : null,
      pictures: picturesOf(composition.effective),
      language: row.site.language,
      ...(framed && { framed: kept(framed) }),
    },
  };
}

/* What is asked of it, in the form in which the site’s editor has it: a frame that is served, where nothing
   stronger comes through. */
async function askedInForm(
  row: StoredPlacement,
  renderContext: RenderContext,
  keptApart: boolean,
): Promise<LevelledOptions> {
  const asked = askedAt(row);
  if (keptApart) return askedServed(asked);
  if (!changesCodes(row.site.editor)) return asked;
  const { composition } = await compositionOf(
    { base: row.source.base, found: row.source.found, asked, editor: row.site.editor },
    renderContext,
    { mark: neutralMark, servedAt: renderContext.servedAt(), ...pastedAt(row) },
  );
  return composition.forEditor?.form === 'served' ? askedServed(asked) : asked;
}

const askedServed = (asked: LevelledOptions): LevelledOptions => ({
  ...asked,
  placement: { ...asked.placement, frame: 'served' },
});

const kept = ({
  title,
  fills,
  linksOpenTabs,
  permissions,
  contacts,
  content,
  style,
  sandboxTokens,
}: Framed): NonNullable<Served['facts']['framed']> => ({
  title,
  fills,
  linksOpenTabs,
  permissions,
  ...(contacts && { contacts }),
  content,
  style,
  sandbox: sandboxTokens.map(({ token }) => token),
});
