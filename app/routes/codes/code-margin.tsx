import { Button, Select } from 'antd';
import { Link } from 'react-router';
import type { CodeReview } from '@core/codes/code-review';
import type { PlannedDose } from '@core/records/case';
import { sayDay } from '@core/words/days';
import { Fault } from '../../ui/field';
import { StopGlyph, TickGlyph, WarnGlyph } from '../../ui/glyphs';
import { placeHash } from '../../ui/place';
import { Said, Substances } from '../../ui/substance';
import type { EffectHere } from '../../workers/effects-here';
import { useUnits } from '../../ui/format';

interface CodeProperty {
  id: string;
  name: string;
  /** Ids of the codes it is under. */
  codes: readonly string[];
  /** Those of them of which it carries another version than the one that is here. */
  other: readonly string[];
}

/** The properties, and what can be done to them from here. */
export interface MarginActs {
  properties: readonly CodeProperty[];
  onBind: (propertyId: string) => void;
  onUnbind: (propertyId: string) => void;
  onMend: (propertyId: string, planId: string, doses: readonly PlannedDose[], says: string) => void;
}

interface CodeMarginProps extends MarginActs {
  effects: readonly EffectHere[] | undefined;
  judging: boolean;
  fault?: string;
  /** The code that is looked at, once it is stored. */
  codeId: string | undefined;
  review: CodeReview | undefined;
  /** What still keeps it from being saved. */
  waits: readonly string[];
}

/** Checks of one property shown before 'and n more'. */
const MOST_CHECKS = 2;

function Effect({ effect, onMend, onUnbind }: { effect: EffectHere } & Pick<CodeMarginProps, 'onMend' | 'onUnbind'>) {
  const units = useUnits();
  const { propertyId, name, drafted, broken, mended, doses, mending } = effect;
  const failing = broken.filter((check) => check.standing === 'fail');
  const failed = doses.filter((dose) => dose.fails);
  const warns = broken.length - failing.length;
  const verdict =
    failing.length > 0
      ? failed.length > 0
        ? `${failed.length} ${failed.length === 1 ? 'dose fails' : 'doses fail'}`
        : `${failing.length} ${failing.length === 1 ? 'check fails' : 'checks fail'}`
      : warns > 0
        ? `${warns} ${warns === 1 ? 'warning' : 'warnings'} more`
        : 'nothing fails';
  const largest = Math.max(0, ...doses.map((dose) => dose.lbN));
  return (
    <li className="effect">
      {failing.length > 0 ? <StopGlyph /> : warns > 0 ? <WarnGlyph /> : <TickGlyph />}
      <div>
        <p className="head">
          <Link to={`/property/${propertyId}/season`}>{name}</Link>
          <b className={failing.length > 0 ? 'fails' : undefined}>{verdict}</b>
        </p>
        {broken.slice(0, MOST_CHECKS).map((check) => (
          <p key={`${check.zoneId}/${check.id}`} className="small">
            <Said text={`${check.zoneName ? `${check.zoneName}: ` : ''}${check.title}, ${check.found}.`} />
          </p>
        ))}
        {broken.length > MOST_CHECKS && <p className="small">and {broken.length - MOST_CHECKS} more checks.</p>}
        {failing.length === 0 && doses.length > 0 && (
          <p className="small">
            {doses.length} {doses.length === 1 ? 'dose' : 'doses'}, the largest {units.rate(largest)}{' '}
            {units.short('nutrient-rate', 'N')}.
          </p>
        )}
        {mended.length > 0 && (
          <p className="small">
            {mended.length} {mended.length === 1 ? 'check holds' : 'checks hold'} again.
          </p>
        )}
        {drafted && (
          <p className="small">
            No plan is kept yet
            {failed.length > 0
              ? `: the draft is made anew and moves ${failed.length === 1 && failed[0] ? `the dose of ${sayDay(failed[0].date)}` : `${failed.length} doses`}.`
              : '.'}
          </p>
        )}
        <p className="links">
          {mending && (
            <>
              <Button
                size="small"
                type="primary"
                onClick={() => onMend(propertyId, mending.planId, mending.doses, mending.says)}
              >
                <Said text={mending.says} />
              </Button>
              <Link className="link" to={{ pathname: `/property/${propertyId}/season`, hash: placeHash({}) }}>
                Other ways
              </Link>
            </>
          )}
          <Button
            size="small"
            type="link"
            aria-label={`Take the code off ${name}`}
            onClick={() => onUnbind(propertyId)}
          >
            Take off
          </Button>
        </p>
      </div>
    </li>
  );
}

/** Where a property is under several codes: each line, and whose holds. */
function Stricter({ effect }: { effect: EffectHere }) {
  const names = effect.lines[0]?.of.map((each) => each.name) ?? [];
  return (
    <table className="stricter">
      <caption>{effect.name}, the stricter line</caption>
      <thead>
        <tr>
          <th scope="col">Line</th>
          {names.map((name, i) => (
            <th key={i} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {effect.lines.map((line) => (
          <tr key={line.title}>
            <th scope="row">
              <Substances text={line.title} />
            </th>
            {line.of.map((each, i) => (
              <td key={i}>
                {each.says === undefined ? (
                  '–'
                ) : each.holds ? (
                  <>
                    <b>
                      <Said text={each.says} />
                    </b>{' '}
                    holds
                  </>
                ) : (
                  <Said text={each.says} />
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a code changes on every property under it, and what should be done before it is saved. */
export function CodeMargin({
  effects,
  judging,
  fault,
  properties,
  codeId,
  review,
  waits,
  onBind,
  onUnbind,
  onMend,
}: CodeMarginProps) {
  const under = codeId === undefined ? [] : properties.filter(({ codes }) => codes.includes(codeId));
  const free = properties.filter((each) => !under.includes(each));
  return (
    <aside className="margin codemargin" aria-label="What it changes">
      <h2>
        What it changes{' '}
        <span className="small">
          {under.length} of {properties.length} {properties.length === 1 ? 'property' : 'properties'}
        </span>
      </h2>
      {judging && (
        <p className="small" role="status">
          Judging the plans…
        </p>
      )}
      <Fault>{fault}</Fault>
      {under.length === 0 && (
        <p className="small">
          {codeId === undefined
            ? 'Once it is saved it can be put on properties.'
            : properties.length === 0
              ? 'There is no property yet.'
              : 'No property is under it yet.'}
        </p>
      )}
      {under
        .filter(({ other }) => codeId !== undefined && other.includes(codeId))
        .map(({ id, name }) => (
          <p key={id} className="caution">
            <WarnGlyph />
            <span>
              {name} carries another version of this code, as its file brought it. Saving this one writes over it.
            </span>
          </p>
        ))}
      <ul className={judging ? 'effects old' : 'effects'}>
        {(effects ?? []).map((effect) => (
          <Effect key={effect.propertyId} effect={effect} onMend={onMend} onUnbind={onUnbind} />
        ))}
      </ul>
      {codeId !== undefined && free.length > 0 && (
        <Select
          aria-label="Put it on a property"
          className="bind"
          value={null}
          placeholder="Put it on a property…"
          showSearch={{ optionFilterProp: 'label' }}
          options={free.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => id !== null && onBind(id)}
        />
      )}
      {(effects ?? [])
        .filter(({ lines }) => lines.length > 0)
        .map((effect) => (
          <Stricter key={effect.propertyId} effect={effect} />
        ))}
      {(waits.length > 0 || (review && review.state !== 'fresh')) && (
        <section className="before">
          <h2>Before it is saved</h2>
          <ul>
            {[...new Set(waits)].map((each) => (
              <li key={each}>
                <StopGlyph />
                <span>
                  <Said text={each} />
                </span>
              </li>
            ))}
            {review && review.state !== 'fresh' && (
              <li>
                <WarnGlyph />
                <span>
                  <b>{review.state === 'unchecked' ? 'Not checked' : 'Check again'}</b>
                  <br />
                  <Said text={review.says} /> Season says so; nothing is blocked.
                </span>
              </li>
            )}
          </ul>
        </section>
      )}
      <p className="authority">Check with the authority: this is a short reading.</p>
    </aside>
  );
}
