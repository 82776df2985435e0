import { Button, Select } from 'antd';
import type { ZoneTarget } from '@core/files/match-sample';
import type { TermAnswer } from '@core/reports/reading';
import { plain } from '@core/words/plain';
import type { Intake, ReadSummary } from '../../workers/report-intake';
import { useSome } from '../../ui/use-some';
import { MEANINGS } from './meanings';
import { useUnits } from '../../ui/format';

const ADVISED = { limeLb: 'lime', NLb: 'N', P2O5Lb: 'P2O5', K2OLb: 'K2O' } as const;
const NAMES = { limeLb: 'Lime', NLb: 'Nitrogen', P2O5Lb: 'Phosphate', K2OLb: 'Potash' } as const;
/** Zones a person may choose from; more than this are found by typing. */
const MOST_OPTIONS = 400;

/** Labels of which nothing is known, each with what it may mean. */
export function NotUnderstoodList({
  summary,
  onTerm,
}: {
  summary: ReadSummary;
  onTerm: (label: string, answer: TermAnswer) => void;
}) {
  if (summary.notUnderstood.length === 0) return null;
  return (
    <section aria-labelledby="unknown">
      <h2 id="unknown">
        Not understood <small>kept as words, nothing dropped</small>
      </h2>
      <ul className="lines">
        {summary.notUnderstood.map(({ text, values, because }) => (
          <li key={text}>
            <b>{text}</b>{' '}
            <span className="small">
              {values.join(', ')}
              {because.startsWith('no name') ? '' : `; ${because}`}
            </span>
            <Select
              size="small"
              aria-label={`${text} means`}
              placeholder="means …"
              options={MEANINGS}
              showSearch={{ optionFilterProp: 'label' }}
              virtual={false}
              popupMatchSelectWidth={false}
              onChange={(as: TermAnswer['as']) => onTerm(plain(text), { as })}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the laboratory says beside its numbers. */
export function KeptList({ summary }: { summary: ReadSummary }) {
  const units = useUnits();
  const { kept, ratings, ratingWords, recommendations } = summary;
  const known = kept.filter(({ because }) => because !== 'words');
  const words = kept.filter(({ because }) => because === 'words');
  return (
    <section aria-labelledby="kept">
      <h2 id="kept">Kept as the laboratory’s</h2>
      <ul className="lines">
        {ratings > 0 && (
          <li>
            <b>Ratings</b>{' '}
            <span className="small">
              {ratingWords.join(', ')} on {ratings} values
            </span>
          </li>
        )}
        {(Object.keys(ADVISED) as (keyof typeof ADVISED)[]).map((of) => {
          const advised = recommendations.filter((each) => each.of === of && each.lbPer1000 !== undefined);
          return (
            advised.length > 0 && (
              <li key={of}>
                <b>{NAMES[of]}</b>{' '}
                <span className="small">
                  {advised.map(({ lbPer1000 = 0 }) => units.rate(lbPer1000)).join(', ')}{' '}
                  {units.heading('nutrient-rate', ADVISED[of])}
                </span>
              </li>
            )
          );
        })}
        {recommendations
          .filter(({ of }) => of === 'words')
          .map(({ text }, i) => (
            <li key={i}>
              <b>Advice</b> <span className="small">{text}</span>
            </li>
          ))}
        {known.map(({ text, values, because }) => (
          <li key={text}>
            <b>{text}</b>{' '}
            <span className="small">
              {values.join(', ')}; {because}
            </span>
          </li>
        ))}
        {words.length > 0 && (
          <li>
            <details>
              <summary className="small">
                {words.length} {words.length === 1 ? 'line' : 'lines'} of words
              </summary>
              {words.map(({ text }, i) => (
                <p key={i} className="small">
                  {text}
                </p>
              ))}
            </details>
          </li>
        )}
      </ul>
    </section>
  );
}

/** Samples that no zone is known for. */
export function WithoutZone({
  summary,
  zones,
  onAssign,
}: {
  summary: ReadSummary;
  zones: readonly ZoneTarget[];
  onAssign: (sample: string, to: Intake['assigned'][string]) => void;
}) {
  const [shown, more] = useSome(summary.unmatched, 20, 'samples');
  if (summary.unmatched.length === 0) return null;
  const options = [
    { value: 'leave-out', label: 'leave it out' },
    ...zones.slice(0, MOST_OPTIONS).map((zone) => ({
      value: `${zone.propertyId}\n${zone.zoneId}`,
      label: `${zone.propertyName}, ${zone.zoneName}`,
    })),
  ];
  return (
    <section aria-labelledby="unmatched">
      <h2 id="unmatched">Samples without a zone</h2>
      <ul className="lines">
        {shown.map(({ sample, count, why }) => (
          <li key={sample}>
            <b>{sample || '(no name)'}</b>{' '}
            <span className="small">
              {count > 1 && `${count} times, `}
              {why}
            </span>
            <Select
              size="small"
              aria-label={`Zone of ${sample || 'the unnamed sample'}`}
              placeholder="Choose its zone"
              options={options}
              showSearch={{ optionFilterProp: 'label' }}
              virtual={false}
              popupMatchSelectWidth={false}
              onChange={(value: string) => {
                const [propertyId, zoneId] = value.split('\n');
                onAssign(
                  sample,
                  value === 'leave-out' ? 'leave-out' : { propertyId: propertyId as string, zoneId: zoneId as string },
                );
              }}
            />
          </li>
        ))}
      </ul>
      {more}
    </section>
  );
}

/** Lines that are not taken, each with its reason. */
export function NotTaken({ summary, onSave }: { summary: ReadSummary; onSave: () => void }) {
  const [shown, more] = useSome(summary.rejected, 20, 'lines');
  if (summary.rejectedCount === 0) return null;
  return (
    <section aria-labelledby="rejected">
      <h2 id="rejected">Not taken</h2>
      <ul className="lines">
        {shown.map(({ place, text, because }, i) => (
          <li key={i}>
            <b>{place}</b>{' '}
            <span className="small">
              {text.slice(0, 60)}: {because}
            </span>
          </li>
        ))}
      </ul>
      {more}
      {!more && summary.rejectedCount > summary.rejected.length && (
        <p className="small">and {summary.rejectedCount - summary.rejected.length} more</p>
      )}
      <Button size="small" onClick={onSave}>
        Export the rejected lines
      </Button>
    </section>
  );
}
