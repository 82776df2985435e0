import { Button } from 'antd';
import { lazy, type ReactNode, Suspense, useMemo } from 'react';
import { averaged, type Gate, gateSays } from '@core/field/gate';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { sayDay } from '@core/words/days';
import { Fault } from '../ui/field';
import { useUnits } from '../ui/format';
import { StandingGlyph } from '../ui/glyphs';
import { Said } from '../ui/substance';

const OpeningChart = lazy(() => import('../ui/charts/opening-chart'));

const STANDING_WORDS = { good: 'Good', near: 'Near enough, one more is better', again: 'Catch again' } as const;
/** Ratios beyond which something other than the gate is wrong. Common practice. */
const LOOK_FIRST = { over: 2, under: 0.5 } as const;

/** What a catch that was just made means for the gate: how far off, where to set it next. */
export function CatchVerdict({
  next,
  rateLb,
  targetLb,
}: {
  next: { ratio: number; opening: number; standing: string } | Refusal | undefined;
  rateLb: number;
  targetLb: number;
}) {
  const units = useUnits();
  return (
    <p className="overunder" role="status">
      <StandingGlyph standing={!next || isRefusal(next) || next.standing === 'again' ? 'warn' : 'pass'} />
      <span>
        <b>{units.say('product-rate', rateLb, 'product')}</b>
        {', wanted '}
        {units.productRate(targetLb)}.{' '}
        {next && isRefusal(next) ? (
          <Said text={next.refused} />
        ) : next ? (
          <>
            {STANDING_WORDS[next.standing as keyof typeof STANDING_WORDS]}:{' '}
            {units.plain(Math.abs(next.ratio - 1) * 100, 1)} % {next.ratio < 1 ? 'under' : 'over'}, limit 5 %.
            {next.standing !== 'good' && ` Set about ${units.plain(next.opening, 2)} and catch there.`}
            {(next.ratio > LOOK_FIRST.over || next.ratio < LOOK_FIRST.under) &&
              ' Look first: gate stuck, damp product, strip measured wrong, ounces typed as pounds?'}
          </>
        ) : null}
      </span>
    </p>
  );
}

/** Where the gate is set and how sure that is: the dial, doubts, the curve, every catch. */
export function GateSaid({
  gate,
  spreaderName,
  productName,
  targetLb,
  none,
  onDelete,
}: {
  gate: Gate;
  spreaderName: string;
  productName: string;
  targetLb: number;
  /** What is said where nothing was caught. */
  none: ReactNode;
  /** Takes a catch away, by its place among those of the product. */
  onDelete: (place: number) => void;
}) {
  const units = useUnits();
  const points = useMemo(() => averaged(gate.catches), [gate.catches]);
  return (
    <>
      {gate.set !== undefined ? (
        <p className="weighout">
          <b>{units.plain(gate.set, 2)}</b> <span>on the dial</span>
          <span className="small">{gateSays(gate, targetLb)}</span>
        </p>
      ) : (
        gate.standing === 'none' && none
      )}
      <Fault>{gate.refused}</Fault>
      {gate.doubts.map((each) => (
        <p key={each} className="caution small">
          {each}
        </p>
      ))}
      {points.length > 1 && !gate.refused && (
        <>
          <p className="small">{units.unit('product-rate', 'product')}, by opening</p>
          <Suspense fallback={<div className="gatechart" />}>
            <OpeningChart
              catches={points}
              opening={gate.standing === 'beyond' ? undefined : gate.opening}
              targetLb={targetLb}
              label={`What ${spreaderName} gives of ${productName} by its opening, ${units.unit('product-rate', 'product')}`}
            />
          </Suspense>
        </>
      )}
      {gate.catches.length > 0 && (
        <table className="walktable">
          <caption className="vh">Catches of {spreaderName}</caption>
          <thead>
            <tr>
              <th scope="col">Catch</th>
              <th scope="col">Opening</th>
              <th scope="col">{units.unit('weight', 'product')}</th>
              <th scope="col">{units.heading('product-rate', 'product')}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {gate.catches.map(({ rateLb, ...each }, i) => (
              <tr key={i}>
                <th scope="row">
                  {sayDay(each.on)}
                  {each.operator && `, ${each.operator}`}
                </th>
                <td>{units.plain(each.opening, 2)}</td>
                <td>{units.show('content', each.caughtLb)}</td>
                <td>{units.productRate(rateLb)}</td>
                <td>
                  <Button size="small" aria-label={`Delete catch ${i + 1}`} onClick={() => onDelete(i)}>
                    Delete
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
