import { UsedWrongly } from '../command.ts';

/**
 * The sheets in a file: one, or a JSON array of them.
 * @throws UsedWrongly where it is a list of something else.
 */
export function sheetsIn(file: string, text: string): { file: string; text: string }[] {
  const data = parsed(text);
  if (!Array.isArray(data)) return [{ file, text }];
  if (!data.every(isSheet))
    throw new UsedWrongly(
      `${file} is a list, but not of sheets. If it is a list of providers that answer about their links (oEmbed): orbis add endpoints ${file}`,
    );
  return data.map((sheet, i) => ({
    file: `${file}, sheet ${i + 1}`,
    text: JSON.stringify(sheet, null, 2),
  }));
}

/* Whatever is no JSON is YAML, or is told later that it is neither. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const isSheet = (item: unknown): boolean => typeof item === 'object' && item !== null && 'id' in item;
