import { Button } from 'antd';
import { CODE_LINES } from '@core/codes/code-lines';
import type { LocalCode } from '@core/records/case';
import { Said, Substances } from '../../ui/substance';
import { codeName } from './code-list';
import { CodeMargin, type MarginActs } from './code-margin';
import { CodeStrip } from './code-strip';
import { useCodeEffects } from './use-code-effects';

/** A code of a pack: to read, to put on properties as it is, and to copy. */
export function CodeReading({
  code,
  today,
  version,
  margin,
  onCopy,
}: {
  code: LocalCode;
  today: string;
  version: string;
  margin: MarginActs;
  onCopy: () => void;
}) {
  const { effects, judging, fault } = useCodeEffects(code, today, version);
  return (
    <>
      <section className="codemain" aria-label={codeName(code)}>
        <div className="pagehead">
          <h1>Local code</h1>
          <span className="codename">{codeName(code)}</span>
          <span className="small">as shipped, to read</span>
          <span className="sp" />
          <Button type="primary" onClick={onCopy}>
            Copy as own
          </Button>
        </div>
        <CodeStrip code={code} shipped={undefined} effects={effects ?? []} typing={undefined} />
        <dl className="codelines">
          {CODE_LINES.map(({ id, title, says }) => {
            const words = says(code);
            return (
              words !== undefined && (
                <div key={id}>
                  <dt>
                    <Substances text={title} />
                  </dt>
                  <dd>
                    <Said text={words} />
                  </dd>
                </div>
              )
            );
          })}
          <div>
            <dt>Frozen ground</dt>
            <dd>no feeding, no water: built in, cannot be switched off</dd>
          </div>
        </dl>
      </section>
      <CodeMargin
        {...margin}
        effects={effects}
        judging={judging}
        fault={fault}
        codeId={code.id}
        review={undefined}
        waits={[]}
      />
    </>
  );
}
