import { Button } from 'antd';
import type { Consequence, JudgedPlan } from '@core/season/checks/judge-plan';
import type { MendingEdit } from '@core/season/edit/edits-that-mend';
import { WarnGlyph } from '../../../ui/glyphs';
import { CheckList } from '../../../ui/check-list';
import { showMoney } from '@core/words/numbers';
import { checkKey } from './use-edits-that-mend';
import { Said } from '../../../ui/substance';

type JudgedCheck = JudgedPlan['checks'][number];

/** What a mending costs or saves besides, where it does. */
function priceOf({ cost, trips }: Consequence): string {
  return [
    ...(Math.abs(cost) >= 0.005 ? [`${cost > 0 ? 'costs' : 'saves'} ${showMoney(Math.abs(cost))}`] : []),
    ...(trips === 0
      ? []
      : [`${Math.abs(trips)} ${Math.abs(trips) === 1 ? 'trip' : 'trips'} ${trips > 0 ? 'more' : 'fewer'}`]),
  ].join(', ');
}

/** Every check of the plan: the focused zone's and the property's, then what does not pass elsewhere; with what would mend it. */
export function BoardChecks({
  judged: { checks },
  reviews,
  zoneId,
  editsThatMend,
  onMend,
}: {
  judged: JudgedPlan;
  /** Codes that should be held against the authority's words again. */
  reviews: readonly { code: string; says: string }[];
  zoneId: string;
  editsThatMend: ReadonlyMap<string, readonly MendingEdit[]>;
  onMend: (mending: MendingEdit) => void;
}) {
  const here = checks.filter((c) => c.zoneId === zoneId || (!c.zoneId && c.standing === 'pass'));
  const elsewhere = checks.filter((c) => c.zoneId !== zoneId && c.standing !== 'pass');
  const count = (standing: string) => checks.filter((c) => c.standing === standing).length;
  const acts = (check: JudgedCheck) => {
    const ways = editsThatMend.get(checkKey(check)) ?? [];
    return (
      ways.length > 0 && (
        <ul className="mendings" aria-label={`What would mend it: ${check.title}`}>
          {ways.map((way, i) => (
            <li key={way.says}>
              <Button size="small" type={i === 0 ? 'primary' : 'default'} onClick={() => onMend(way)}>
                <Said text={way.says} />
              </Button>{' '}
              <span className="small">{priceOf(way.of)}</span>
            </li>
          ))}
        </ul>
      )
    );
  };
  return (
    <section aria-labelledby="checks">
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id="checks">Checks</h2>
        <span className="sp" />
        <span className="small">
          {count('pass')} pass, {count('warn')} warn, {count('fail')} fail
        </span>
      </div>
      {reviews.map(({ code, says }) => (
        <p key={code} className="caution">
          <WarnGlyph />
          <span>
            {code}: {says}
          </span>
        </p>
      ))}
      <CheckList checks={here} acts={acts} />
      {elsewhere.length > 0 && (
        <>
          <h3>Elsewhere on the property</h3>
          <CheckList
            checks={elsewhere.map((c) => ({ ...c, title: c.zoneName ? `${c.zoneName}: ${c.title}` : c.title }))}
            acts={acts}
          />
        </>
      )}
    </section>
  );
}
