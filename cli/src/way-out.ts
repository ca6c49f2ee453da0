import type { Problem } from '@orbis/contract';

/* Where the keys of a thing are listed. */
const lists: Record<string, string> = {
  'change list': 'orbis list changelists',
  'embed': 'orbis list embeds',
  'site': 'orbis list sites',
  'page': 'orbis list pages',
  'placement': 'orbis list placements',
  'sweep': 'orbis list sweeps',
  'harvest': 'orbis list harvests',
  'change': 'orbis list changes',
  'provider sheet': 'orbis list providers',
  'oEmbed endpoint': 'orbis list endpoints',
  'preset': 'orbis list presets',
  'search': 'orbis list searches',
  'preset of your own': 'orbis list presets',
  'spot': 'orbis list pages',
  'shared spot': 'orbis list shared-spots',
  'token': 'orbis list tokens',
  'channel': 'orbis list channels',
  'message': 'orbis list messages',
  'session': 'orbis list sessions',
  'person': 'orbis list people',
};

const ways: Record<string, string> = {
  'not-signed-in': '“orbis login ADDRESS” does.',
  'not-allowed': '“orbis me” says what you may do.',
  'name-needed': '“--name” says it.',
  'second-factor-needed': '“--code” says it.',
  'no-second-factor': '“orbis security codes” does.',
  'codes-not-begun': '“orbis security codes” does.',
  'codes-set-up': '“orbis security no-codes” ends that.',
  'token-unknown': '“orbis login ADDRESS” does.',
  'token-read-only': '“orbis login ADDRESS” makes one.',
  'placement-paused': '“orbis change placement EMBED@PLACE --resume” does.',
  'provider-unknown': '“orbis list providers” shows their ids.',
  'visible-code': '“--mend” mends it.',
  'several-links': '“orbis collect LINK LINK …” takes several.',
  'link-unreachable': '“--ask-nobody” does that.',
  'options-unfit': '“--drop-unfit” drops them.',
  'another-thing': '“--anyway” says so.',
  'sheet-changes-embeds': '“--yes” does that.',
  'sheet-in-use': '“--yes” does that.',
  'group-impossible': '“--skip-impossible” skips them.',
  'change-lasting':
    '“orbis list changes” shows what was done before it, and “orbis undo CHANGE” takes that back.',
  'changed-since': '“orbis list changes” shows what was done later.',
  'selector-finds-nothing': '“orbis areas PAGE” lists them.',
  'address-not-of-site': '“orbis change site SITE --also” says which it has.',
  'inspection-running': '“orbis inspect SITE --last” says how far it is.',
  'specimen-missing': '“orbis specimen SITE” prints it.',
  'needs-page-head':
    '“orbis change site SITE head=yes” says the one, “orbis editor SITE --style-field yes” the other.',
  'nothing-to-present': '“orbis options EMBED” lists what can be asked of it.',
  'setting-not-offered': '“orbis options EMBED” lists what can be asked of it.',
  'import-refused': '“--skip-refused” skips them.',
};

/**
 * What would do on the command line about an error of the service: the interface speaks to every program, and
 * names none of this one’s words.
 */
export function wayOut({ type, code, facts = {} }: Partial<Problem> & Pick<Problem, 'code'>): string | null {
  // What this program says itself, where no service answered, says all.
  if (type === 'about:blank') return null;
  if (code === 'not-found') {
    const list = lists[String(facts['what'])];
    return list === undefined ? null : `“${list}” shows what there is.`;
  }
  return ways[code] ?? null;
}
