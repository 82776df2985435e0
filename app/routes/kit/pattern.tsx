import { Button } from 'antd';
import { useState } from 'react';
import { spreadPattern } from '@core/field/spreader';
import { bestSwath, GOOD_CV_PERCENT } from '@core/field/swath';
import { type Spreader, TRAVELS } from '@core/records/spreader-schema';
import type { Product } from '@core/records/case';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { sayDay } from '@core/words/days';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { Said } from '../../ui/substance';
import { traysBySimulation } from './simulated-kit';

const TRAVEL_WORDS = { 'back-and-forth': 'back and forth', 'one-way': 'one way' } as const;
/** A usual test: eleven trays a foot apart, each 14 by 20 in, three passes. */
const USUAL = { trays: 11, spacingFt: 1, lengthIn: 20, widthIn: 14, passes: 3 } as const;
/** A center so far off the middle, as a share of the swath, is a skew. Common practice. */
const SKEW_SHARE = 0.1;

/** Bars of the trays, and what overlapping makes of them by the distance of the passes. */
function PatternDrawing({
  catches,
  cvs,
  best,
}: {
  catches: readonly number[];
  cvs: readonly [number, number][];
  best: number | undefined;
}) {
  const units = useUnits();
  const [width, height] = [420, 110];
  const most = Math.max(...catches, 1e-9);
  const bar = width / catches.length;
  const worst = Math.max(30, ...cvs.map(([, cv]) => cv));
  const last = cvs.at(-1)?.[0] ?? 1;
  const x = (ft: number) => (ft / last) * (width - 40) + 20;
  const y = (cv: number) => height - 14 - (cv / worst) * (height - 28);
  return (
    <div className="patterns">
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label="What the trays caught, left to right">
        {catches.map((each, i) => (
          <rect
            key={i}
            x={i * bar + 2}
            y={height - (each / most) * (height - 8)}
            width={bar - 4}
            height={(each / most) * (height - 8)}
            fill="var(--growth)"
            stroke="var(--moss)"
          />
        ))}
        <path d={`M${width / 2} 0V${height}`} stroke="var(--loam)" strokeDasharray="4 3" />
      </svg>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label="Unevenness by the distance of the passes, and the limit"
      >
        <path d={`M20 ${y(GOOD_CV_PERCENT)}H${width - 20}`} stroke="var(--loam)" strokeDasharray="5 3" />
        <text x={22} y={y(GOOD_CV_PERCENT) - 3} className="axis">
          {GOOD_CV_PERCENT} %
        </text>
        <path
          d={`M${cvs.map(([ft, cv]) => `${x(ft)} ${y(cv)}`).join('L')}`}
          fill="none"
          stroke="var(--moss)"
          strokeWidth="2"
        />
        {best !== undefined && (
          <circle
            cx={x(best)}
            cy={y(cvs.find(([ft]) => ft === best)?.[1] ?? 0)}
            r="5"
            fill="var(--sheet)"
            stroke="var(--moss)"
            strokeWidth="2.4"
          />
        )}
        {cvs
          .filter((_, i) => i % 2 === 0)
          .map(([ft]) => (
            <text key={ft} x={x(ft)} y={height - 1} textAnchor="middle" className="axis">
              {units.show('length', ft)}
            </text>
          ))}
      </svg>
    </div>
  );
}

/** How evenly a spreader lays: a row of trays across its walk says how far apart the passes may lie. */
export function Pattern({
  spreader,
  product,
  today,
  onSave,
}: {
  spreader: Spreader;
  product: Product;
  today: string;
  onSave: (spreader: Spreader, says: string) => Promise<boolean>;
}) {
  const units = useUnits();
  const kept = spreader.pattern;
  const [grams, setGrams] = useState(() => (kept?.catches ?? []).map((each) => units.plain(each, 2)).join(' '));
  const [spacing, setSpacing] = useState(() => units.field('length', kept?.traySpacingFt ?? USUAL.spacingFt));
  const [travel, setTravel] = useState<(typeof TRAVELS)[number]>(kept?.travel ?? 'back-and-forth');
  const [throws, setThrows] = useState(0);
  const [fault, setFault] = useState<string>();
  const spacingFt = units.value('length', spacing, 'Tray spacing', 'spacing');
  const typed = grams
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((text) => units.readPlain(text, 'Tray', 'trays'));
  const wrong = typed.find(isRefusal);
  const catches = typed.filter((each) => typeof each === 'number');
  const traySpacingFt = typeof spacingFt === 'number' && spacingFt > 0 ? spacingFt : undefined;
  const enough = !wrong && catches.length >= 3 && traySpacingFt !== undefined;
  const answer = enough ? evaluate(bestSwath, { catches, traySpacingFt, travel }) : undefined;
  const cvs = enough
    ? Array.from({ length: catches.length }, (_, i) => i + 2).flatMap((trays): [number, number][] => {
        const at = evaluate(spreadPattern, { catches, traySpacingFt, passSpacingFt: trays * traySpacingFt, travel });
        return isRefusal(at) ? [] : [[trays * traySpacingFt, at.cvPercent]];
      })
    : [];
  const total = catches.reduce((a, b) => a + b, 0);
  const centerFt =
    enough && total > 0
      ? catches.reduce((sum, each, i) => sum + each * (i - (catches.length - 1) / 2) * traySpacingFt, 0) / total
      : 0;
  const best = answer && !isRefusal(answer) ? answer : undefined;
  const skewed = best !== undefined && Math.abs(centerFt) > SKEW_SHARE * best.swathFt;
  const simulate = async () => {
    const opening = spreader.catches?.at(-1)?.opening ?? 5;
    const rows: number[][] = [];
    for (let pass = 0; pass < USUAL.passes; pass++) {
      const row = await traysBySimulation(spreader.id, {
        opening,
        sizeGuideNumber: product.sizeGuideNumber,
        swathFt: spreader.swathFt ?? 6,
        distanceFt: 50,
        walk: throws + pass,
        trays: USUAL.trays,
        traySpacingFt: traySpacingFt ?? USUAL.spacingFt,
        traySqFt: (USUAL.lengthIn * USUAL.widthIn) / 144,
      });
      if (typeof row === 'string') return setFault(row);
      rows.push(row);
    }
    setThrows(throws + USUAL.passes);
    setFault(undefined);
    setGrams(
      Array.from({ length: USUAL.trays }, (_, i) =>
        units.plain(
          rows.reduce((sum, row) => sum + (row[i] ?? 0), 0),
          1,
        ),
      ).join(' '),
    );
  };
  const keep = (swathFt?: number) =>
    enough &&
    void onSave(
      {
        ...spreader,
        ...(swathFt === undefined ? {} : { swathFt }),
        pattern: { on: today, traySpacingFt, travel, catches },
      },
      swathFt === undefined ? 'The pattern is saved.' : 'The pattern and its swath are saved.',
    );
  return (
    <section className="pattern" aria-labelledby="pattern">
      <h2 id="pattern">How evenly it lays</h2>
      <p className="small">
        <Said
          text={`An odd number of like trays in a row across the walk, ${USUAL.lengthIn} in by ${USUAL.widthIn} in or another size, ${USUAL.passes} passes over them.`}
        />{' '}
        {kept && `Kept: a test of ${sayDay(kept.on)}.`}
      </p>
      <div className="kitfields">
        <TextField
          label="In the trays, left to right"
          unit="g product"
          value={grams}
          fault={wrong?.refused}
          placeholder="1.2 2.8 4.1 …"
          onChange={setGrams}
        />
        <TextField
          label="Trays apart"
          unit={units.unit('length')}
          inputMode="decimal"
          value={spacing}
          fault={isRefusal(spacingFt) ? spacingFt.refused : undefined}
          onChange={setSpacing}
        />
        <ChoiceField
          label="Walked"
          value={travel}
          options={TRAVELS.map((value) => ({ value, label: TRAVEL_WORDS[value] }))}
          onChange={setTravel}
        />
      </div>
      {answer && isRefusal(answer) && <Fault>{units.said(answer.refused)}</Fault>}
      {best && (
        <>
          <p className="weighout">
            <b>{units.show('length', best.swathFt)}</b> <span>{units.unit('length')} apart</span>
            <span className="small">
              uneven by {units.plain(best.cvPercent, 1)} % there, {units.plain(best.widerCvPercent, 1)} % one tray
              wider; limit {GOOD_CV_PERCENT} %
            </span>
          </p>
          {skewed && (
            <p className="caution small">
              The middle of what fell lies {units.say('length', Math.abs(centerFt))} to the{' '}
              {centerFt < 0 ? 'left' : 'right'}: turn the cone or the drop point, or walk one way.
            </p>
          )}
          <PatternDrawing catches={catches} cvs={cvs} best={best.swathFt} />
        </>
      )}
      <Fault>{fault}</Fault>
      <div className="gateacts">
        <Button disabled={!best} onClick={() => best && keep(best.swathFt)}>
          Save, and walk so far apart
        </Button>
        <Button disabled={!enough} onClick={() => keep()}>
          Save the pattern
        </Button>
        <Button onClick={() => void simulate()}>Trays of the simulated spreader</Button>
      </div>
    </section>
  );
}
