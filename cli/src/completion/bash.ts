import type { Place } from './words.ts';

/**
 * A completion script for bash. Where nothing fits, files are completed; behind `name=` no blank is put.
 */
export const bashScript = (places: readonly Place[]): string => `# Completion of orbis for bash.
_orbis() {
  local cur=\${COMP_WORDS[COMP_CWORD]} prev=\${COMP_WORDS[COMP_CWORD-1]} path= words= i
  for ((i = 1; i < COMP_CWORD; i++)); do
    case "$path \${COMP_WORDS[i]}" in
      ${pathPattern(places)}) path="$path \${COMP_WORDS[i]}" ;;
    esac
  done
  case "$path:$prev" in
${places.flatMap(valueLines).join('\n')}
    *)
      case "$path" in
${places.map(wordLine).join('\n')}
      esac ;;
  esac
  COMPREPLY=($(compgen -W "$words" -- "$cur"))
  [[ \${COMPREPLY[0]} == *= ]] && compopt -o nospace
}
complete -o default -F _orbis orbis
`;

const pathPattern = (places: readonly Place[]): string =>
  places
    .filter(({ path }) => path !== '')
    .map(({ path }) => `" ${path}"`)
    .join('|');

const leading = (path: string): string => (path === '' ? '""' : `" ${path}"`);

const wordLine = ({ path, words }: Place): string =>
  `        ${leading(path)}) words="${words.map(({ word }) => word).join(' ')}" ;;`;

const valueLines = ({ path, values }: Place): string[] =>
  Object.entries(values).map(
    ([name, each]) => `    "${path === '' ? '' : ` ${path}`}:${name}") words="${each.join(' ')}" ;;`,
  );
