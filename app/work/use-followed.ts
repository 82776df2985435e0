import { useState } from 'react';

interface Followed<R> {
  /** The record as it is stored now; undefined for one that is not stored yet. */
  record: R | undefined;
  /** What stands in the form, as text. */
  typed: string;
  /** What the form shows of a record, as text: equal texts look the same. */
  shown: (record: R) => string;
  /** The version that this page itself wrote last: what stands in the form is what was saved. */
  own?: string;
  /** Fills the form from a record. */
  load: (record: R) => void;
  /** Goes on from a record that says the same in all that the form shows. */
  adopt: (record: R) => void;
}

/**
 * A form that follows its record: another version that comes in is taken over where nothing was typed, or where it looks the
 * same; else the form keeps what was typed and knows that it was overtaken. Also says whether anything was typed at all.
 */
export function useFollowed<R extends { changedAt?: string }>({
  record,
  typed,
  shown,
  own,
  load,
  adopt,
}: Followed<R>): { dirty: boolean; overtaken: boolean } {
  const [base, setBase] = useState(record);
  const [loaded, setLoaded] = useState(typed);
  const [loading, setLoading] = useState(false);
  if (loading) {
    // the form was filled in the pass before this one
    setLoading(false);
    setLoaded(typed);
  }
  const dirty = !loading && typed !== loaded;
  const other = record !== undefined && base !== undefined && record !== base && record.changedAt !== base.changedAt;
  const looksTheSame = other && shown(record) === shown(base);
  const overtaken = other && !looksTheSame && dirty && record.changedAt !== own;
  if (other && !overtaken) {
    setBase(record);
    if (looksTheSame) adopt(record);
    else {
      load(record);
      setLoading(true);
    }
  }
  return { dirty, overtaken };
}
