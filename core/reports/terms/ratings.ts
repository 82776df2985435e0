import { wordsOf } from '../../words/plain';

/** Words in which laboratories rate a value. They are kept as the laboratory's own; nothing is judged by them. */
const RATINGS = new Set(
  (
    'vl,l,ml,lm,m,mh,hm,h,vh,eh,ex,exc,opt,def,suff,adeq,med,n/a rating,very low,low,medium low,medium,moderate,medium high,high,very high,extremely high,excessive,excess,' +
    'optimum,optimal,above optimum,below optimum,above optimal,below optimal,adequate,sufficient,deficient,satisfactory,normal,good,ok,okay,desirable,ideal,toxic,critical,marginal,' +
    'slight,none,acid,strongly acid,moderately acid,slightly acid,neutral,alkaline,slightly alkaline,' +
    'sehr niedrig,niedrig,mittel,hoch,sehr hoch,gering,ausreichend,gehaltsklasse a,gehaltsklasse b,gehaltsklasse c,gehaltsklasse d,gehaltsklasse e,' +
    'tres faible,faible,moyen,moyenne,eleve,elevee,tres eleve,tres elevee,correct,satisfaisant,excessif,' +
    'muy bajo,muy baja,bajo,baja,medio,media,alto,alta,muy alto,muy alta,adecuado,optimo,deficiente,excesivo'
  ).split(','),
);

/** Whether a text is a rating in a laboratory's words. */
export const isRating = (text: string): boolean => RATINGS.has(wordsOf(text).join(' '));

/** Ratings of one or two letters, which stand glued to a number. */
export const GLUED_RATING = /^(vl|ml|lm|l|mh|hm|m|vh|eh|h|ex|opt|def|a|b|c|d|e|s|n)$/i;

/** Ratings that may stand before a number; `S 12` is sulfur, and `B 0.5` boron. */
export const LEADING_RATING = /^(vl|ml|l|mh|m|vh|h|ex)$/i;

/** A bar drawn with letters, dots or blocks: `XXXXXXX`, `****`, `■■■`, `|||||`, `-----|`. */
export const isBar = (text: string): boolean => {
  const bare = text.replace(/[\s|[\]:]/g, '');
  return /^([xX*=#>.oO\-_+■█▓▒░▇▬●•])\1{2,}>?$/u.test(bare) || (bare === '' && /\|{2,}/.test(text));
};
