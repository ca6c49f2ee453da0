import { parseFragment } from 'parse5';
import { meaningful } from './meaningful.ts';
import { beginsWith, type PageSeen } from './scan-page.ts';

/** Which of these texts stand in the head of a page, as browsers understand both; by their keys. */
export function standingInHead(
  { roots }: Pick<PageSeen, 'roots'>,
  texts: readonly { digest: string; text: string }[],
): string[] {
  if (texts.length === 0) return [];
  const all = roots.flatMap((root) =>
    root.nodeName === 'html' && 'childNodes' in root ? root.childNodes : [],
  );
  const inHead = all.flatMap((node) =>
    node.nodeName === 'head' && 'childNodes' in node ? node.childNodes : [],
  );
  return texts
    .filter(({ text }) => {
      const wanted = meaningful(parseFragment(text).childNodes);
      return wanted.length > 0 && inHead.some((_, at) => beginsWith(inHead.slice(at), wanted));
    })
    .map(({ digest }) => digest);
}
