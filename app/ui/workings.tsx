import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import { isRefusal } from '@core/reckoning/refusal';
import { alternativeValue, type Figure, workingOf } from '@core/reckoning/figure';
import { showStep } from '@core/words/numbers';
import { Said, Substances } from './substance';
import { WarnGlyph } from './glyphs';
import { useWorkings } from './workings-context';
import './workings.css';
import { useUnits } from './format';

const signed = (value: number): string => (value > 0 ? `+${showStep(value)}` : showStep(value));

/** Shows a name of an input as a person reads it: camel case apart, unit letters dropped. */
const inWords = (name: string): string => name.replace(/([a-z])([A-Z0-9])/g, '$1 $2').toLowerCase();

function shortNumbers(text: string): string {
  return text.replace(/\d+\.\d{5,}/g, (digits) => showStep(Number(digits)));
}

function Steps({ figure }: { figure: Figure }) {
  const working = workingOf(figure);
  if (isRefusal(working)) return <p className="fault">{working.refused}</p>;
  return (
    <ol className="steps">
      {working.working.map((step, i) => (
        <li key={i}>
          <span className="l">
            <i>
              <Substances text={step.label} />
            </i>
            <Substances text={shortNumbers(step.substituted)} />
          </span>
          <span className="r">{typeof step.value === 'number' ? showStep(step.value) : step.value}</span>
          <span className="u">
            <Substances text={step.unit} />
          </span>
        </li>
      ))}
    </ol>
  );
}

function Alternatives({ figure }: { figure: Figure }) {
  if (figure.alternatives.length === 0) return null;
  return (
    <>
      <h3>
        What would change it <i>{figure.unit.replace(' per 1000 ft2', ' per 1000')}</i>
      </h3>
      <ul className="what">
        {figure.alternatives.map((each) => {
          const value = alternativeValue(figure, each);
          return (
            <li key={each.says}>
              <span>
                <Said text={each.says} />
              </span>
              {isRefusal(value) ? (
                <span className="w">{value.refused}</span>
              ) : (
                <>
                  <span className="v">{showStep(value)}</span>
                  <span className="d">{signed(value - figure.value)}</span>
                </>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** The slip that shows how a number was reckoned, with this site's values. */
export function WorkingsSlip() {
  const units = useUnits();
  const { trail, drill, back, close } = useWorkings();
  const figure = trail.at(-1);
  const slip = useRef<HTMLElement>(null);
  useEffect(() => {
    if (figure) slip.current?.focus({ preventScroll: true });
  }, [figure]);
  if (!figure) return null;
  const { reckoning } = figure;
  const inUs = `${showStep(figure.value)} ${figure.unit}`;
  const shown = units.setting.system === 'si' ? units.said(inUs) : inUs;
  const inSi = shown === inUs ? undefined : shown;
  return (
    <aside
      className="slip"
      ref={slip}
      tabIndex={-1}
      aria-label={`Workings of ${figure.title}`}
      onKeyDown={(event) => {
        if (event.key === 'Escape') close();
        if (event.key === 'Backspace' && trail.length > 1) back();
      }}
    >
      <div className="bar">
        <span>
          Workings
          {trail.length > 1 && (
            <>
              {' '}
              <button type="button" className="link" onClick={back}>
                back to {trail.at(-2)?.title.toLowerCase()}
              </button>
            </>
          )}
        </span>
        <Button size="small" onClick={close}>
          Close <span className="kbd">Esc</span>
        </Button>
      </div>
      <h2>{figure.title}</h2>
      <p className="result">
        <b>{showStep(figure.value)}</b>
        <span>
          <Substances text={figure.unit} />
        </span>
      </p>
      {inSi !== undefined && (
        <p className="small">
          = <Substances text={inSi} />. The method’s own units stay in its steps: its formulas hold only there.
        </p>
      )}
      <h3>Formula</h3>
      {reckoning.formula.map((line) => (
        <p className="formula" key={line}>
          <Substances text={line} />
        </p>
      ))}
      <h3>With this site’s values</h3>
      <Steps figure={figure} />
      <h3>Where each number comes from</h3>
      <ul className="src">
        {Object.entries(figure.inputs).map(([name, value]) => {
          const origin = figure.origins[name];
          const shown = typeof value === 'number' ? showStep(value) : String(value);
          return (
            <li key={name}>
              <span className="sym">{inWords(name)}</span>
              <span className="v">
                {origin?.figure ? (
                  <button
                    type="button"
                    className="calc"
                    aria-expanded={false}
                    onClick={() => drill(origin.figure as Figure)}
                  >
                    {shown}
                  </button>
                ) : (
                  shown
                )}
              </span>
              <span className="w">
                <Said text={origin?.says ?? ''} />
              </span>
            </li>
          );
        })}
      </ul>
      <Alternatives figure={figure} />
      {figure.cautions.map((sentence) => (
        <p className="caution small" key={sentence}>
          <WarnGlyph />
          <span>
            <b>Caution</b> {sentence}
          </span>
        </p>
      ))}
      <h3>Where it is used</h3>
      <p className="small">
        <Said text={figure.usedIn ?? 'Here.'} />
      </p>
      <h3>Sources and limits</h3>
      <ul className="small sources">
        {reckoning.sources.map((source) => (
          <li key={source.cite}>
            {source.cite} <em>({source.standing})</em>
          </li>
        ))}
        {reckoning.limits.map((limit) => (
          <li key={limit}>
            <Said text={limit} />
          </li>
        ))}
      </ul>
    </aside>
  );
}
