import type { Language } from '../language.ts';

/** What is wrong with a text that should be YAML (or JSON, which is some): clauses, by the reader’s codes. */
export const yamlFaults: Language['yamlFaults'] = {
  ALIAS_PROPS: 'an alias (*name) has an anchor or a tag; it stands alone',
  BAD_ALIAS: 'an anchor (&name) or alias (*name) is not written as one, or names nothing',
  BAD_COLLECTION_TYPE: 'a tag (!) does not fit what stands behind it; leave it out',
  BAD_DIRECTIVE: 'a line that begins with % is no directive of YAML',
  BAD_DQ_ESCAPE: 'behind this backslash stands nothing that has a meaning in double quotes',
  BAD_INDENT: 'it is not indented as the lines that it belongs to, or a bracket before it is not closed',
  BAD_PROP_ORDER: 'an anchor (&) or a tag (!) stands where none can be',
  BAD_SCALAR_START: 'a value cannot begin with this character; put it in quotes',
  BLOCK_AS_IMPLICIT_KEY: 'two members stand in one line; begin a new one, or put the value in quotes',
  BLOCK_IN_FLOW: 'indented lines stand within brackets',
  DUPLICATE_KEY: 'this member is there twice',
  IMPOSSIBLE: 'it is not YAML',
  KEY_OVER_1024_CHARS: 'the name of a member has more than 1,024 characters',
  MISSING_CHAR: 'something is missing here: a quote, a bracket, a comma, a colon, or the blank behind it',
  MULTILINE_IMPLICIT_KEY: 'the name of a member goes over several lines: a colon, comma or quote is missing',
  MULTIPLE_ANCHORS: 'a value has more than one anchor (&)',
  MULTIPLE_DOCS: 'there is more than one document (---); a file holds one sheet',
  MULTIPLE_TAGS: 'a value has more than one tag (!)',
  NON_STRING_KEY: 'the name of a member is no text',
  RESOURCE_EXHAUSTION: 'it is nested too deeply',
  TAB_AS_INDENT: 'a tab indents this line; YAML takes blanks only',
  TAG_RESOLVE_FAILED: 'a tag (!) is not known; leave it out',
  UNEXPECTED_TOKEN: 'this was not expected here: a comma, a quote or a colon before it may be missing',
};
