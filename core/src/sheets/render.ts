import { parseTemplate } from 'url-template';
import { escapeAttribute } from '../text/index.ts';
import type { SheetMatch } from './match.ts';

/**
 * The code for an item that somebody has only a link to: titled, lazily loaded, with the permissions that the sheet
 * names and no others. Scheme and port are those of the link.
 */
export function codeFromLink({ sheet, id, url }: SheetMatch): string {
  const { code } = sheet;
  const given = { id, scheme: url.protocol.slice(0, -1), port: url.port ? `:${url.port}` : '' };
  if ('parts' in code) return code.parts.map(({ html }) => html.replace(/\{[^{}]{1,60}\}/g, (expression) => escapeAttribute(parseTemplate(expression).expand(given)))).join('\n');
  const address = parseTemplate(code.address).expand(given);
  const attributes: [string, string][] = [
    ['src', address],
    ['width', String(code.width)],
    ['height', String(code.height)],
    ['title', code.title],
    ['loading', 'lazy'],
  ];
  if (code.allow.length > 0) attributes.push(['allow', code.allow.join('; ')]);
  return `<iframe ${attributes.map(([name, value]) => `${name}="${escapeAttribute(value)}"`).join(' ')}></iframe>`;
}
