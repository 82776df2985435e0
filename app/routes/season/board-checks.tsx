import type { JudgedPlan } from '@core/season/edit-consequence';
import { CheckList } from '../../ui/check-list';

/** Every check of the plan: the focused zone's and the property's, then what does not pass elsewhere. */
export function BoardChecks({ judged: { checks }, zoneId }: { judged: JudgedPlan; zoneId: string }) {
  const here = checks.filter((c) => c.zoneId === zoneId || (!c.zoneId && c.standing === 'pass'));
  const elsewhere = checks.filter((c) => c.zoneId !== zoneId && c.standing !== 'pass');
  const count = (standing: string) => checks.filter((c) => c.standing === standing).length;
  return (
    <section aria-labelledby="checks">
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id="checks">Checks</h2>
        <span className="sp" />
        <span className="small">
          {count('pass')} pass, {count('warn')} warn, {count('fail')} fail
        </span>
      </div>
      <CheckList checks={here} />
      {elsewhere.length > 0 && (
        <>
          <h3>Elsewhere on the property</h3>
          <CheckList
            checks={elsewhere.map((c) => ({ ...c, title: c.zoneName ? `${c.zoneName}: ${c.title}` : c.title }))}
          />
        </>
      )}
    </section>
  );
}
