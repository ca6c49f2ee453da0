/** Tags as they are typed, with commas between them. */
export const tagsIn = (text: string): string[] =>
  text
    .split(',')
    .map((tag) => tag.trim())
    .filter(Boolean);
