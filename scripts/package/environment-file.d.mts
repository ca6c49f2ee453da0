/** The file of settings that comes with the archive: every one with what it means. */
export function environmentFile(): string;
