/** A word of a vocabulary as a person reads it: unslug('sandy-loam') is 'sandy loam'. */
export const unslug = (word: string): string => word.replaceAll('-', ' ');
