/**
 * A printed word as it is looked up: small letters, no accents, signs other than those that carry meaning as spaces.
 * plain('Matière organique, M.O. (%)') is `matiere organique m o (%)`.
 */
export const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[̀-ͯ]/g, '')
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replace(/[µμ]/g, 'u')
    .replace(/[–—−]/g, '-')
    .replaceAll('_', ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Words of a label, with every sign that is no letter, figure or percent taken for a space. */
export const wordsOf = (text: string): string[] =>
  plain(text)
    .replace(/[^\p{L}\p{N}%+]+/gu, ' ')
    .trim()
    .split(' ')
    .filter(Boolean);
