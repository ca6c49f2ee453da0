import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

/* Words in capitals that providers' samples have where an id or a name belongs; a real id of capitals has no word of these. */
const placeholder =
  /(?:^|[^A-Za-z])(?:YOUR|MY|INSERT|ENTER|REPLACE|PASTE|EXAMPLE|SAMPLE|PLACEHOLDER|CHANGE)(?:[_ -][A-Z]{2,}|(?:ID|NAME|USERNAME|KEY|CODE|URL|SITE|DOMAIN|ACCOUNT|VIDEO|CHANNEL|FORM|SHOP|PAGE|TOKEN|EMAIL)(?![A-Za-z]))|(?:^|[/=_-])(?:[A-Z]{3,}_(?:ID|KEY|URL|NAME|TOKEN|CODE)|(?:VIDEO|ACCOUNT|USER|FORM|SITE|SHOP|CHANNEL|PAGE|API|EMBED|WIDGET|PLAYLIST|TRACK|CLIENT)[_-]?(?:ID|KEY|URL|NAME|TOKEN|CODE))(?=$|[/?&#"'._-])|\b(?:your|my)[ _-](?:own[ _-])?(?:id|video|account|user(?:name)?|site|domain|form|shop|page|name|key|token|email|address|url|channel|handle)\b|(?:^|[/=])x{3,}(?=$|[/?&#])|\{\{[^{}]{0,60}\}\}|(?:^|[/=])\[[A-Za-z][A-Za-z _-]{1,40}\]|(?:^|[/=])(?:<|&lt;|%3C)[A-Za-z][A-Za-z _-]{1,40}(?:>|&gt;|%3E)|\b(?:paste|insert)\b[^"'<>]{1,40}\bhere\b/;

export const rule: CodeRule = {
  id: 'sample-value',
  level: 'error',
  source: 'observed: samples of providers that were pasted with their placeholders left in',
  check: ({ reading, markup }) => {
    if (reading.input !== 'code' && reading.input !== 'link') return [];
    const out: ReturnType<CodeRule['check']> = [];
    for (const element of markup.elements) {
      for (const name of element.attributes.names()) {
        const value = attribute(element, name) ?? '';
        if (
          value === '' ||
          value.length > 4000 ||
          name === 'allow' ||
          name === 'title' ||
          name === 'alt' ||
          name === 'placeholder' ||
          name === 'aria-label' ||
          name === 'style' ||
          name === 'class' ||
          name === 'sandbox'
        )
          continue;
        const found = placeholder.exec(value);
        const place = found && element.attributes.get(name);
        if (found && place)
          out.push({ start: place.valueStart, end: place.valueEnd, facts: { attribute: name, value: value.slice(0, 200), placeholder: found[0].replace(/^[/=]/, '').trim() } });
      }
    }
    for (const address of reading.addresses) {
      const shown = address.use === 'frame' || address.use === 'script';
      if (!shown) continue;
      if (address.url === '') out.push({ start: address.start, end: address.end, facts: { attribute: 'src', value: '', placeholder: '' } });
    }
    if (reading.input === 'link') {
      const found = placeholder.exec(reading.addresses[0]?.url ?? '');
      if (found)
        out.push({
          start: reading.addresses[0]!.start,
          end: reading.addresses[0]!.end,
          facts: { attribute: 'link', value: reading.addresses[0]!.url, placeholder: found[0].replace(/^[/=]/, '') },
        });
    }
    return out;
  },
};
