import type { PackDifferences as Found } from '@core/packs/pack-diff';
import { Substances } from '../../ui/substance';
import { fieldWords, valueWords } from './own-pack';

/** Rows shown before 'and n more'. */
const MOST_ROWS = 40;

/** In what a pack differs from what ships, row by row: the old value, an arrow, the new one. What says the same is folded. */
export function PackDifferencesList({ found }: { found: Found }) {
  return (
    <div className="packdiff">
      <ul>
        {found.rows.slice(0, MOST_ROWS).map((row) => (
          <li key={row.row}>
            <b>
              <Substances text={row.name} />
            </b>{' '}
            {row.change === 'added' ? (
              'new'
            ) : (
              <ul>
                {row.fields.map(({ field, from, to }) => (
                  <li key={field}>
                    <Substances text={`${fieldWords(field)}: ${valueWords(from)} → ${valueWords(to)}`} />
                  </li>
                ))}
              </ul>
            )}
          </li>
        ))}
      </ul>
      {found.rows.length > MOST_ROWS && <p className="small">and {found.rows.length - MOST_ROWS} rows more.</p>}
      <p className="small">
        {found.rows.length === 0 ? 'Every row says what ships. ' : ''}
        {found.same} {found.same === 1 ? 'row says' : 'rows say'} the same.
      </p>
    </div>
  );
}
