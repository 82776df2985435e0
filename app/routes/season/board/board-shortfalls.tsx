import { Button } from 'antd';
import type { Cure, Shortfall } from '@core/season/shortfalls/shortfalls';
import { shortfallWords } from '@core/season/shortfalls/shortfalls';
import { Said } from '../../../ui/substance';

/** What the plan leaves short, over its checks: how much, why, and what would free it. Nothing where all is met. */
export function BoardShortfalls({
  shortfalls,
  zoneName,
  onCure,
}: {
  shortfalls: readonly Shortfall[];
  /** Name of a zone, where the property has more than one. */
  zoneName: (zoneId: string) => string | undefined;
  onCure: (does: NonNullable<Cure['does']>) => void;
}) {
  if (shortfalls.length === 0) return null;
  return (
    <section aria-labelledby="shortfalls" className="shortfalls">
      <h2 id="shortfalls">Shortfalls</h2>
      <ul>
        {shortfalls.map((each) => {
          const { zoneId, need, cure } = each;
          const name = zoneName(zoneId);
          return (
            <li key={`${zoneId}/${need}/${each.because}`}>
              {name !== undefined && <b>{name}: </b>}
              <Said text={shortfallWords(each)} />
              <div className="cure">
                {cure.does ? (
                  <Button size="small" onClick={() => onCure(cure.does as NonNullable<Cure['does']>)}>
                    {cure.says.replace(/\.$/, '')}
                  </Button>
                ) : (
                  <span className="small">
                    <Said text={cure.says} />
                  </span>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
