import type { Language } from '../language.ts';

/** What is said of the audit log. */
export const audit: Language['audit'] = {
  faults: {
    changed: (number) => `Entry ${number} is not as it was written: something in it was changed.`,
    missing: (number) => `Entry ${number} is missing: it was taken out.`,
    added: (number) => `Entry ${number} stands behind the end of the chain: it was put in.`,
    cut: (number) => `Entry ${number} and what came behind it are missing: the end was cut off.`,
    other: (number) => `Entry ${number} is another one than was noted: the log was written anew.`,
  },
  holds: (entries) =>
    entries === 0
      ? 'Nothing is written down yet.'
      : `The chain holds: ${entries === 1 ? 'one entry is' : `${entries} entries are`} as they were written.`,
  copied: (file) => `Made the safety copy ${file}`,
};
